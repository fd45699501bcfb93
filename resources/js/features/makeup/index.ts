export { MakeUpStation } from './MakeUpStation';
