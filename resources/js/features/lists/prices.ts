import type { JobDocument, MaterialRow } from '../../api/types';

/** What a price is kept of: as it stands on the list of what to buy. */
export interface Priced {
    what: string;
    size: string;
    pipe: string;
}

/** What an hour of work is kept as, among the prices. */
export const HOUR: Priced = { what: 'an hour of work', size: '', pipe: '' };

/** Whether a price is that of a thing. */
export const isOf = (one: { what: string; size?: string; pipe?: string }, { what, size, pipe }: Priced): boolean =>
    one.what === what && (one.size ?? '') === size && (one.pipe ?? '') === pipe;

/** The job with what one of something costs; null: no price is kept of it. */
export function priced(document: JobDocument, thing: Priced, each: number | null): JobDocument {
    const others = (document.prices ?? []).filter((one) => !isOf(one, thing));
    return { ...document, prices: each === null ? others : [...others, { ...thing, each }] };
}

/** A price as it was typed: nothing, an amount with a point or a comma, or not a price. */
export function readPrice(text: string): number | null | undefined {
    const said = text.trim().replace(',', '.');
    if (said === '') return null;
    const each = Number(said);
    return each >= 0 && each <= 1_000_000 ? each : undefined;
}

/** What one of something costs, in words: to the cent, unless it was said more finely, as of screws. */
export const eachInWords = (each: number): string =>
    Math.abs(Number(each.toFixed(2)) - each) < 1e-9 ? each.toFixed(2) : `${each}`;

/** Whether the price of a row is one that is kept by itself: that of sticks is entered with them. */
export const takesPrice = (row: MaterialRow, document: JobDocument): boolean =>
    row.shelf !== 'tool' && (row.each === null || (document.prices ?? []).some((one) => isOf(one, ofRow(row))));

export const ofRow = (row: Pick<MaterialRow, 'what' | 'size' | 'letters'>): Priced => ({
    what: row.what,
    size: row.size,
    pipe: row.letters,
});

/** Whether a name begins with a word, and not only with its letters: 4 is not the first word of `45`. */
const isFirstWord = (word: string, name: string): boolean =>
    name.startsWith(word) && !/^[\w/-]/.test(name.slice(word.length));

/** Pipe and size of a thing, as far as its name does not begin with them. */
export const beforeName = ({ what, size, pipe }: Priced): string =>
    [pipe, size].filter((word) => word !== '' && !isFirstWord(word, what)).join(' ');

/** How a thing that has a price is called: `PVC 2 45`. */
export const priceName = (thing: Priced): string =>
    [beforeName(thing), thing.what].filter((word) => word !== '').join(' ');
