export { StartPage } from './StartPage';
export { StartsPage } from './StartsPage';
