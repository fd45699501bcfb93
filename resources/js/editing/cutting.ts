import { t } from '@lingui/core/macro';
import type { CuttingReport, JobCutting, JobDocument, MeasureFirst, Tape, Units } from '../api/types';
import { runInWords, saidLength } from '../shared/lengths';
import { twoDigits } from '../shared/twoDigits';

export type CutPiece = CuttingReport['pieces'][number];
type Group = CuttingReport['groups'][number];

const withCutting = (document: JobDocument, cutting: JobCutting): JobDocument => ({ ...document, cutting });

export interface StockRow {
    length_mm: number;
    price?: number;
    available?: number;
}

/** What there is of one pipe, as somebody said; nothing: as it is sold. */
export const stockOf = (document: JobDocument, system: string, size: string): StockRow[] =>
    (document.cutting?.stock ?? [])
        .filter((one) => one.system === system && one.size === size)
        .map(({ system: _, size: __, ...row }) => row);

/** The job with what there is of one pipe in place of what it is sold in; nothing: as it is sold. */
export function stocked(document: JobDocument, system: string, size: string, rows: StockRow[]): JobDocument {
    const others = (document.cutting?.stock ?? []).filter((one) => one.system !== system || one.size !== size);
    return withCutting(document, {
        ...document.cutting,
        stock: [...others, ...rows.map((row) => ({ system, size, ...row }))],
    });
}

/** The day as it stands on paper, where the work is done: `2026-11-25`. */
export function dayOf(date: Date): string {
    return `${date.getFullYear()}-${twoDigits(date.getMonth() + 1)}-${twoDigits(date.getDate())}`;
}

/** What is added up here of cuts that the server has not answered to: the pieces, and whether all of it is known. */
export interface AddedUp {
    pieces: CutPiece[];
    /** by this device alone: the server was not asked yet */
    isHere: boolean;
    /** what follows is not known before the server was asked */
    isOpen: boolean;
}

const SAME_MM = 0.05;

/**
 * Adds up what follows from pieces that were cut since the server was asked, by the form that it sent with each. The
 * forms hold as long as no piece that takes a difference up is cut itself; what comes of that is asked.
 *
 * @param ticks lengths that pieces of the run were cut to, by key
 */
export function addedUp(pieces: CutPiece[], ticks: Record<string, number>): AddedUp {
    const fresh = pieces.filter((one) => !one.cut && ticks[one.key] !== undefined);
    const isBack = pieces.some((one) => one.cut && ticks[one.key] === undefined);
    if (fresh.length === 0) return { pieces, isHere: isBack, isOpen: isBack };
    const told = new Map(pieces.map((one) => [one.key, one.now.mm]));
    const now = new Map(told);
    const isFresh = (key: string): boolean => fresh.some((one) => one.key === key);
    let isOpen = isBack;
    for (const piece of fresh) {
        const off = (ticks[piece.key] ?? 0) - piece.planned.mm;
        const others = piece.then?.others ?? [];
        const isMoved = piece.then !== null && Math.abs(off) > piece.then.within_mm;
        // What an earlier piece left to this one goes to others now: with a second cut beside it that is asked.
        const isLeftOver = others.some((one) => Math.abs(one.zero_mm - (told.get(one.key) ?? 0)) > SAME_MM);
        isOpen ||= piece.then === null || (isMoved && !piece.then.taken);
        isOpen ||= fresh.length > 1 && (isLeftOver || others.some((one) => isFresh(one.key)));
        for (const { key, zero_mm, per_mm } of others) {
            const before = fresh.length > 1 ? (now.get(key) ?? zero_mm) : zero_mm;
            now.set(key, before + (isMoved ? off * per_mm : 0));
        }
    }
    if (isOpen) return { pieces, isHere: true, isOpen };
    const withLength = (one: CutPiece): CutPiece => {
        const isCut = isFresh(one.key);
        const by = ((isCut ? ticks[one.key] : now.get(one.key)) ?? one.now.mm) - one.now.mm;
        if (!isCut && Math.abs(by) < SAME_MM) return one;
        const longer = <T extends Tape | null>(tape: T): T => {
            if (tape === null) return tape;
            const mm = tape.mm + by;
            return { ...tape, mm, inch: saidLength(mm, 'inch'), metric: `${Math.round(mm)}` };
        };
        return {
            ...one,
            now: longer(one.now),
            moved_mm: one.moved_mm + by,
            // What is cut is trimmed.
            long: isCut ? null : longer(one.long),
            from_face: longer(one.from_face),
        };
    };
    return { pieces: pieces.map(withLength), isHere: true, isOpen };
}

/** What is other than on the ticket that was printed last; nothing where it is the same. */
export function sincePrinted(piece: CutPiece, on: string | undefined, words: (mm: number) => string): string | null {
    if (piece.since === 'new') return t`not on the ticket of ${on ?? ''}`;
    return piece.since === 'other' ? t`on the ticket of ${on ?? ''} it was ${words(piece.printed?.mm ?? 0)}` : null;
}

/** What measuring one fitting spares: `4 pieces get exact`. */
export const exactInWords = ({ pieces }: Pick<MeasureFirst, 'pieces'>): string =>
    pieces === 1 ? t`one piece gets exact` : t`${pieces} pieces get exact`;

/** What the ends of most pieces want: said once, and not again at every piece. */
export function usualEnd(pieces: CutPiece[]): string {
    const counts = new Map<string, number>();
    for (const end of pieces.flatMap((piece) => piece.ends))
        if (end !== '') counts.set(end, (counts.get(end) ?? 0) + 1);
    return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
}

/**
 * What is other than usual at the ends of a piece, each by its joint; there is none where the next leg was not
 * understood.
 */
export const otherEnds = (ends: string[], joints: (string | undefined)[], usual: string): string[] =>
    ends.flatMap((end, i) => {
        if (joints[i] === undefined) return [t`what follows is not called out yet`];
        return end === '' || end === usual ? [] : [t`joint ${joints[i]}: ${end}`];
    });

/** How a piece that changed is said: `3/16 in longer than on the ticket`. */
export function changeInWords(movedMm: number, words: (mm: number) => string): string | null {
    if (Math.abs(movedMm) < 0.05) return null;
    return t`${words(Math.abs(movedMm))} ${movedMm > 0 ? t`longer` : t`shorter`} than it was laid out`;
}

/** What is used and at least has to be, in the unit of what is to be least: sticks, a length of pipe, money. */
function amount(objective: Group['objective'], value: number, units: Units): string {
    if (objective === 'length') return t`${runInWords(value, units)} of pipe`;
    return objective === 'price' ? value.toFixed(2) : `${Math.ceil(value - 1e-9)}`;
}

/** What is said of a stick that may not hold all that is to be cut from it; nothing where there is room. */
export function tightInWords({ tight, enough }: Pick<Group['sticks'][number], 'tight' | 'enough'>): string | null {
    if (!tight) return null;
    const often = enough <= 0.5 ? t`as often as not` : t`about once in ${Math.round(1 / (1 - enough))} times`;
    return t`Tight: the last piece comes out short ${often}. Measure the stick before the first cut.`;
}

/** How good a plan is, in words. */
export function planInWords(group: Group, units: Units): string {
    const sticks = `${group.sticks.length} ${group.sticks.length === 1 ? t`stick` : t`sticks`}`;
    const plan = group.objective === 'sticks' ? sticks : `${sticks}, ${amount(group.objective, group.used, units)}`;
    if (group.optimal) return t`${plan}: no plan takes less.`;
    return t`${plan}; at least ${amount(group.objective, group.bound, units)} it takes, between the two not everything was tried.`;
}

const usedOf = (report: CuttingReport): number => report.groups.reduce((sum, group) => sum + group.used, 0);
const provedOf = (report: CuttingReport): number => report.groups.filter((group) => group.optimal).length;

/** Whether one plan takes less than another, or is proved for more of the pipes. */
export const isBetter = (one: CuttingReport, other: CuttingReport): boolean =>
    usedOf(one) < usedOf(other) - 1e-6 || (usedOf(one) < usedOf(other) + 1e-6 && provedOf(one) > provedOf(other));

/** How far a plan may be from the least, for those pipes where that is not proved. */
export function gapInWords(report: CuttingReport, units: Units): string {
    const open = report.groups.filter((group) => !group.optimal);
    if (open.length === 0) return t`No plan takes less.`;
    return `${open.map((group) => t`${group.letters} ${group.size}: ${amount(group.objective, group.used, units)}, at least ${amount(group.objective, group.bound, units)}`).join('; ')}.`;
}
