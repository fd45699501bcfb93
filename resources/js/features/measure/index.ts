import { loaded } from '../../shared/loaded';

/** It is opened at a tap, and fetched while nothing else is done. */
export const MeasureDialog = loaded(() => import('./MeasureDialog').then((part) => part.MeasureDialog));
export { ofFinding, ofMeasureFirst, type ToMeasure } from './toMeasure';
