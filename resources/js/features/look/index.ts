export { LookStation } from './LookStation';
export { knowAs, removeStanding, whereInWords } from './standingEdits';
