import type { JobEvidence, LogEntry } from '../api/types';
import type { Place } from './hanging';
import type { CutPiece } from './cutting';
import type { Happened, Pending } from './waiting';

/** What was done on site that the plan is held against: what the server has, and what still waits on this device. */
export interface OnSite {
    /** lengths that pieces were cut to, by run and key of the piece */
    cut: Record<string, Record<string, number>>;
    /** what was read and seen of standing pipes, by id */
    measured: Record<string, JobEvidence>;
    /** all runs that the log speaks of, those that are gone too: a new run takes none of their ids */
    runs: string[];
    /** how many entries the server has, of whatever kind */
    length: number;
    /** the number of the last entry of it that the server has: what is reckoned of it is reckoned anew with another */
    version: number;
}

const KINDS = new Set<LogEntry['kind']>(['cut', 'printed', 'level', 'measured', 'taken-back']);

type Said = Pick<LogEntry, 'kind'> & { said: LogEntry['said']; number: number | null };

/** Gives what stands now: the last that was said of each thing, without what was taken back. */
export function onSite(entries: LogEntry[], pending: Pending[]): OnSite {
    const all: Said[] = [
        ...entries.filter((entry) => KINDS.has(entry.kind)),
        ...pending.map(({ kind, key: _, at: __, by: ___, ...said }) => ({ kind, said, number: null })),
    ];
    const takenBack = new Set(all.filter((one) => one.kind === 'taken-back').map((one) => one.said.entry));
    const runs = new Set([...entries.map((entry) => entry.said.run), ...pending.map((one) => one.run)]);
    const site: OnSite = {
        cut: {},
        measured: {},
        runs: [...runs].filter((run) => run !== undefined),
        length: entries.length,
        version: 0,
    };
    for (const { kind, said, number } of all) {
        site.version = Math.max(site.version, number ?? 0);
        if (number !== null && takenBack.has(number)) continue;
        if (kind === 'cut') put((site.cut[said.run ?? ''] ??= {}), said.piece ?? '', said.length_mm);
        if (kind === 'measured') put(site.measured, said.standing ?? '', said.evidence);
    }
    return site;
}

function put<T>(all: Record<string, T>, key: string, value: T | undefined): void {
    if (value === undefined) delete all[key];
    else all[key] = value;
}

/** A piece was cut, at the length that it came out. */
export const ticked = (run: string, piece: string, lengthMm: number): Happened => ({
    kind: 'cut',
    run,
    piece,
    length_mm: lengthMm,
});

/** A piece is still to be cut after all. */
export const unticked = (run: string, piece: string): Happened => ({ kind: 'cut', run, piece });

/** The ticket of a run was put on paper: later changes are held against it. */
export const printed = (run: string, on: string, pieces: CutPiece[]): Happened => ({
    kind: 'printed',
    run,
    on,
    pieces: Object.fromEntries(pieces.map((piece) => [piece.key, piece.now.mm])),
    letters: Object.fromEntries(pieces.map((piece) => [piece.key, piece.letter])),
});

/** What the tape read at a hanger, from the string down to the crown; null: nothing stands there any more. */
export const levelled = (run: string, { leg, at_mm }: Place, belowMm: number | null): Happened => ({
    kind: 'level',
    run,
    leg,
    at_mm,
    ...(belowMm === null ? {} : { below_mm: belowMm }),
});

/** What was read and seen of a standing pipe, all that stands by now. */
export const measured = (standing: string, evidence: JobEvidence | undefined): Happened => ({
    kind: 'measured',
    standing,
    ...(evidence ? { evidence } : {}),
});

const isSameThing = (one: LogEntry['said'], other: LogEntry['said']): boolean =>
    one.run === other.run &&
    one.piece === other.piece &&
    one.standing === other.standing &&
    one.leg === other.leg &&
    Math.abs((one.at_mm ?? 0) - (other.at_mm ?? 0)) < 0.5;

/** What is said names the entry in whose place it stands, where there is one. */
export function inPlaceOf(event: Happened, entries: LogEntry[]): Happened {
    if (event.kind !== 'cut' && event.kind !== 'level' && event.kind !== 'measured') return event;
    const before = entries.findLast((entry) => entry.kind === event.kind && isSameThing(entry.said, event));
    return before ? { ...event, entry: before.number } : event;
}
