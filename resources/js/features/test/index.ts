export { TestStation } from './TestStation';
