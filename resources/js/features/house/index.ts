export { House } from './House';
