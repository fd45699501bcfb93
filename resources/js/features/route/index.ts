export { Route } from './Route';
