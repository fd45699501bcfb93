export { Route } from './Route';
export { stretchesOf } from './completion';
