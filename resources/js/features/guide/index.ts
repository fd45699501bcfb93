export { Guided } from './Guided';
