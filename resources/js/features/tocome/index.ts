export { ToCome } from './ToCome';
