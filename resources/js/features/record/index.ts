export { ServicesHold } from './ServicesHold';
export { RecordStation } from './RecordStation';
export { SharedPage } from './SharedPage';
