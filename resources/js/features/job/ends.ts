import { t } from '@lingui/core/macro';
import type { Choices, JobDocument, JobRun, Units } from '../../api/types';
import { readOr } from '../../shared/formLength';
import { formText } from '../../shared/formText';

type Branch = NonNullable<JobRun['outlet']['branch']>;

const lengthOf = (leg: JobRun['legs'][number]): number =>
    'length_mm' in leg && typeof leg.length_mm === 'number' ? leg.length_mm : 0;

/** Where a branch is on the tape of its run, as one would measure it; or in which turn. */
export function placeOf(branch: Branch, document: JobDocument): { alongMm?: number; turn?: number } {
    const legs = document.runs.find((run) => run.id === branch.run)?.legs ?? [];
    const index = legs.findIndex((leg) => leg.id === branch.leg);
    if (branch.at_mm === undefined) return { turn: index + 1 };
    return { alongMm: legs.slice(0, Math.max(0, index)).reduce((sum, leg) => sum + lengthOf(leg), 0) + branch.at_mm };
}

/**
 * The fixtures of a kind that the book counts otherwise than the usual one; with the one that was said, where the book
 * knows none such.
 */
export function variantsOf(
    { fixture_variants }: Choices,
    kind: string,
    rulebook: string,
    said: string | undefined,
): [string, string][] {
    const ofKind = fixture_variants.filter((one) => one.fixture === kind);
    const inBook = ofKind.filter((one) => one.rulebook === rulebook);
    const pairs = inBook.map((one): [string, string] => [one.variant, one.name]);
    if (!said || pairs.some(([variant]) => variant === said)) return pairs;
    const name = ofKind.find((one) => one.variant === said)?.name ?? said;
    return [...pairs, [said, t`${name}: not in this book`]];
}

/** The leg and the place on it that lie so far along a run. */
function branchAt(run: JobRun, alongMm: number): Pick<Branch, 'leg' | 'at_mm'> | null {
    let left = alongMm;
    for (const [i, leg] of run.legs.entries()) {
        if (left <= lengthOf(leg) || i === run.legs.length - 1) return { leg: leg.id, at_mm: left };
        left -= lengthOf(leg);
    }
    return null;
}

export class Unreadable extends Error {
    constructor(readonly field: string) {
        super(field);
    }
}

/** The lengths of a fixture and of an open end: their fields, by the names of the form. */
const OF_FIXTURE = {
    seal: 'seal_mm',
    rim: 'rim_mm',
    drop: 'drop_mm',
    across: 'across_mm',
    standpipe: 'standpipe_mm',
    floor: 'trap_above_floor_mm',
} as const;
const OF_OPEN_END = { roof: 'above_roof_mm', away: 'opening_away_mm', below: 'opening_below_mm' } as const;

/** The lengths that are asked for with each kind of end. */
const LENGTHS: Record<string, string[]> = {
    fixture: Object.keys(OF_FIXTURE),
    branch: ['along'],
    roof: Object.keys(OF_OPEN_END),
    valve: Object.keys(OF_OPEN_END),
};

/** The lengths that an end has, by the names of the form. */
function lengthsOf(end: JobRun['outlet'] | JobRun['tie_in'] | undefined, document: JobDocument): Lengths {
    const fixture = end && 'fixture' in end ? end.fixture : undefined;
    return {
        ...Object.fromEntries(Object.entries(OF_FIXTURE).map(([name, field]) => [name, fixture?.[field]])),
        ...Object.fromEntries(Object.entries(OF_OPEN_END).map(([name, field]) => [name, end?.terminal?.[field]])),
        along: end?.branch ? placeOf(end.branch, document).alongMm : undefined,
    };
}

type Lengths = Record<string, number | undefined>;

/** Reads an end out of the form; lengths are read by the server. Throws the id of the field that cannot be read. */
export async function readEnd<S extends 'outlet' | 'tie_in'>(
    form: FormData,
    side: S,
    document: JobDocument,
    old: JobRun[S] | undefined,
    units: Units,
): Promise<JobRun[S]> {
    const text = (name: string): string => formText(form, name).trim();
    const id = side === 'outlet' ? 'run-outlet' : 'run-tie-in';
    const [kind, standing] = text(`${side}_kind`).split(':');
    const lengths: Lengths = {};
    const before = lengthsOf(old, document);
    await Promise.all(
        (LENGTHS[kind ?? ''] ?? []).map(async (name) => {
            const said = text(`${side}_${name}`);
            if (said === '') return;
            const mm = await readOr(said, before[name], units);
            if (mm === null) throw new Unreadable(`${id}-${name}`);
            lengths[name] = mm;
        }),
    );
    const given = (entries: Record<string, unknown>): Record<string, unknown> =>
        Object.fromEntries(Object.entries(entries).filter(([, value]) => value !== undefined && value !== ''));
    const fields = (names: Record<string, string>): Lengths =>
        Object.fromEntries(Object.entries(names).map(([name, field]) => [field, lengths[name]]));
    const what = text(side);
    switch (kind) {
        case 'standing':
            return given({
                what,
                kind,
                standing,
                method: old?.standing === standing ? old?.method : undefined,
            }) as JobRun[S];
        case 'fixture': {
            // What the form does not ask for stays as it was.
            const same = old && 'fixture' in old && old.fixture?.kind === text('fixture') ? old.fixture : undefined;
            const fixture = given({
                kind: text('fixture'),
                trap: text('trap'),
                ...fields(OF_FIXTURE),
                group: text('group'),
                variant: text('variant'),
                guard: text('guard'),
                disposer: text('disposer') === '' ? undefined : text('disposer') === 'yes',
                trap_size: same?.trap_size,
                hot_c: same?.hot_c,
            });
            return { what, kind, fixture } as unknown as JobRun[S];
        }
        case 'branch': {
            const run = document.runs.find((one) => one.id === text(`${side}_run`));
            const along = lengths.along;
            const turn = Number(text(`${side}_turn`));
            const place = !run
                ? null
                : along !== undefined
                  ? branchAt(run, along)
                  : run.legs[turn - 1]
                    ? { leg: run.legs[turn - 1]?.id }
                    : null;
            if (!run || !place) throw new Unreadable(`${id}-along`);
            return {
                what,
                kind,
                branch: given({ run: run.id, ...place, pattern: text(`${side}_pattern`) }),
            } as unknown as JobRun[S];
        }
        case 'run':
            return given({ what, kind, run: side === 'tie_in' ? text('next') : undefined }) as JobRun[S];
        case 'roof':
        case 'valve':
            return {
                what,
                kind,
                terminal: given(fields(OF_OPEN_END)),
            } as unknown as JobRun[S];
        default:
            return { what, kind } as unknown as JobRun[S];
    }
}
