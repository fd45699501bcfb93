export { MeasureDialog, ofFinding, ofMeasureFirst, type ToMeasure } from './MeasureDialog';
