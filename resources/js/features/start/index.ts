export { HowToPage } from './HowToPage';
export { StartPage } from './StartPage';
export { StartsPage } from './StartsPage';
export { StartPaper } from './StartPaper';
