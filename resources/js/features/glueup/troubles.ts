import { t } from '@lingui/core/macro';
import type { RunReport } from '../../api/types';
import type { Happened, JobEditor } from '../../editing';

/** What can be wrong with a joint, as one would call it out. */
export const TROUBLES = {
    'not-home': t`Not home`,
    moved: t`Moved`,
    'too-late': t`Too late`,
    'wrong-way': t`Wrong way round`,
    leaks: t`Leaks`,
} as const;

export type Trouble = keyof typeof TROUBLES;

/** A joint that was made just now, as whoever made it was shown it: what the plan says later may be something else. */
export function madeNow(run: RunReport, joint: string, editor: JobEditor): Happened {
    const one = run.joints.find(({ number }) => String(number) === joint);
    const pieces = run.pieces.filter(
        ({ known, joint_from, joint_to }) => known && one && [joint_from, joint_to].includes(one.key),
    );
    const air = editor.document.conditions;
    return {
        kind: 'joint',
        run: run.id,
        joint: Number(joint),
        ...(one?.method ? { method: one.method } : {}),
        ...(pieces.length > 0 ? { pieces: Object.fromEntries(pieces.map(({ key, cut }) => [key, cut.mm])) } : {}),
        ...(air?.air_c === undefined ? {} : { air_c: air.air_c }),
        ...(air?.rh_percent === undefined ? {} : { rh_percent: air.rh_percent }),
    };
}

/** Whether a joint is made with cement. */
export const isCemented = (joint: RunReport['joints'][number] | undefined): boolean =>
    joint?.method?.startsWith('solvent-') === true;

/** What is said where a joint is opened or cut out: with cement the other joints of its fitting are lost too. */
export function cutOutNow(run: RunReport, joint: string, made: string[]): Happened[] {
    const one = run.joints.find(({ number }) => String(number) === joint);
    const lost = run.joints.filter(
        (other) =>
            other.number === one?.number ||
            (isCemented(one) &&
                other.fitting !== null &&
                other.fitting === one?.fitting &&
                made.includes(String(other.number))),
    );
    return lost.map(({ number }) => ({ kind: 'cut-out', run: run.id, joint: number }));
}

/** What is said of a joint that does not come out right, and of what became of it. */
export function wrongNow(
    run: RunReport,
    joint: string,
    editor: JobEditor,
    what: Trouble,
    then: 'again' | 'cut-out' | null,
    made: string[],
): Happened[] {
    return [
        { kind: 'trouble', what, run: run.id, joint: Number(joint) },
        ...(then === 'again' ? [madeNow(run, joint, editor)] : []),
        ...(then === 'cut-out' ? cutOutNow(run, joint, made) : []),
    ];
}

/** What is said of joints that were tried dry or made. */
export const doneNow = (run: RunReport, kind: 'dry-fit' | 'joint', joints: string[], editor: JobEditor): Happened[] =>
    joints.map((joint) =>
        kind === 'joint' ? madeNow(run, joint, editor) : { kind, run: run.id, joint: Number(joint) },
    );
