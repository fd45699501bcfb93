export { IdentifyPanel } from './IdentifyPanel';
export { END_WORDS, endSeen, sizeLike } from './ends';
export { asEvidence, asInput, asKept, EMPTY, type Evidence } from './evidence';
