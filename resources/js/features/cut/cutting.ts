import type { CuttingReport, JobCutting, JobDocument } from '../../api/types';

export type CutPiece = CuttingReport['pieces'][number];

const withCutting = (document: JobDocument, cutting: JobCutting): JobDocument => ({ ...document, cutting });

/** The job with a piece ticked off, at the length that it was really cut to. */
export function ticked(document: JobDocument, run: string, piece: string, lengthMm: number): JobDocument {
    const others = (document.cutting?.cut ?? []).filter((one) => one.run !== run || one.piece !== piece);
    return withCutting(document, { ...document.cutting, cut: [...others, { run, piece, length_mm: lengthMm }] });
}

/** The job with a piece still to be cut. */
export function unticked(document: JobDocument, run: string, piece: string): JobDocument {
    return withCutting(document, {
        ...document.cutting,
        cut: (document.cutting?.cut ?? []).filter((one) => one.run !== run || one.piece !== piece),
    });
}

export interface StockRow {
    length_mm: number;
    price?: number;
    available?: number;
}

/** The job with what there is of one pipe in place of what it is sold in; nothing: as it is sold. */
export function stocked(document: JobDocument, system: string, size: string, rows: StockRow[]): JobDocument {
    const others = (document.cutting?.stock ?? []).filter((one) => one.system !== system || one.size !== size);
    return withCutting(document, { ...document.cutting, stock: [...others, ...rows.map((row) => ({ system, size, ...row }))] });
}

/** How a piece that changed is said: `3/16 in longer than on the ticket`. */
export function changeInWords(movedMm: number, words: (mm: number) => string): string | null {
    if (Math.abs(movedMm) < 0.05) return null;
    return `${words(Math.abs(movedMm))} ${movedMm > 0 ? 'longer' : 'shorter'} than it was laid out`;
}

/** How good a plan is, in words. */
export function planInWords(group: CuttingReport['groups'][number]): string {
    const sticks = `${group.sticks.length} ${group.sticks.length === 1 ? 'stick' : 'sticks'}`;
    if (group.optimal) return `${sticks}: no plan takes less.`;
    if (group.objective !== 'sticks') return `${sticks}; not proved to be the least.`;
    return `${sticks}; at least ${Math.ceil(group.bound - 1e-9)} it takes, between the two not everything was tried.`;
}
