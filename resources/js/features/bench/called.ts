import type { CatalogueEntry } from '../../api/types';

/** Sizes in inches are below this, and sizes in millimetres above. */
const LARGEST_INCH = 25;

/** A part as one asks for it at a counter, size first: `2 in 22-1/2`, `110 mm swept tee`. */
export function calledOf({ name, size }: Pick<CatalogueEntry, 'name' | 'size'>): string {
    return size === '' ? name : `${size} ${parseFloat(size) > LARGEST_INCH ? 'mm' : 'in'} ${name}`;
}
