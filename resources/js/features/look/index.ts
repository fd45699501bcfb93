export { LookStation } from './LookStation';
export { knowAs, putEvidence, removeStanding, whereInWords } from './standingEdits';
