export { RecordStation } from './RecordStation';
export { SharedPage } from './SharedPage';
