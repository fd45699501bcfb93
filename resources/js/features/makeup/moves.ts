import { t } from '@lingui/core/macro';
import type { CutInInput, JobDocument, JobMove } from '../../api/types';

export type MoveOf<Kind extends JobMove['kind']> = Extract<JobMove, { kind: Kind }>;
export type ValuesOf<Kind extends JobMove['kind']> = MoveOf<Kind>['values'];

export const MOVE_NAMES: Record<JobMove['kind'], string> = {
    ends: t`From end to end`,
    'cut-in': t`Cut into a line that stands`,
    'trap-fit': t`Fit a trap`,
};

/** What was measured for a run, and for the job beside its runs, in the order in which it was kept. */
export const movesOf = (document: JobDocument, run: string | undefined): JobMove[] =>
    (document.moves ?? []).filter((one) => one.run === undefined || one.run === run);

/** An id that no move of the job has. */
export function freeMoveId(document: JobDocument): string {
    const taken = new Set((document.moves ?? []).map((one) => one.id));
    let n = taken.size + 1;
    while (taken.has(`m${n}`)) n++;
    return `m${n}`;
}

/** The job with a move kept in it: in place of the one of its id, or after the others. */
export function withMove(document: JobDocument, move: JobMove): JobDocument {
    const moves = document.moves ?? [];
    return {
        ...document,
        moves: moves.some((one) => one.id === move.id)
            ? moves.map((one) => (one.id === move.id ? move : one))
            : [...moves, move],
    };
}

/** The job without a move. */
export function withoutMove(document: JobDocument, id: string): JobDocument {
    return { ...document, moves: (document.moves ?? []).filter((one) => one.id !== id) };
}

/** What was measured, without what was left open. */
export function given<T extends object>(values: { [Key in keyof T]: T[Key] | null | undefined }): T {
    return Object.fromEntries(
        Object.entries(values).filter(([, value]) => value !== null && value !== undefined && value !== ''),
    ) as T;
}

type Overrides = NonNullable<CutInInput['overrides']>;

/** The job's own numbers for a single reckoner, and those measured for it over them. */
export function ownNumbers(
    document: JobDocument,
    measured: NonNullable<Overrides['catalogue']> = [],
): { overrides: Overrides } {
    const { catalogue = [], rulebook = [], rows = [] } = document.overrides ?? {};
    return { overrides: { catalogue: [...catalogue, ...measured], rulebook, rows } };
}
