export { IdentifyPanel } from './IdentifyPanel';
export { asEvidence, asKept, EMPTY, type Evidence } from './evidence';
