export { LookStation } from './LookStation';
