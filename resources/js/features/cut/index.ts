export { CutStation } from './CutStation';
export { CutTicket } from './CutTicket';
