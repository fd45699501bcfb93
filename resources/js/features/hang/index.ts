export { HangStation } from './HangStation';
