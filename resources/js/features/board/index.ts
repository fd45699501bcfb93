export { Board } from './Board';
