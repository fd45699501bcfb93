import { t } from '@lingui/core/macro';
import type { JobDocument, MadeUp, MadeUpWay, RunOrder, Units } from '../../api/types';
import { fallInWords, lengthInWords, withinInWords } from '../../shared/lengths';

/** The bends of a way in words: `two 45s`, `22-1/2 and long sweep 90`. */
export function bendsInWords(way: MadeUpWay): string {
    const names = way.bends.map((bend) => bend.name);
    if (names.length === 0) return t`Straight on`;
    if (names.length === 1) return t`One ${names[0] ?? ''}`;
    if (names.every((name) => name === names[0]))
        return `${['', '', t`Two`, t`Three`, t`Four`][names.length] ?? names.length} ${names[0]}s`;
    return t`${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
}

/** What a way asks of whoever makes it, in short sentences. */
export function notesOf(way: MadeUpWay, units: Units): { severity: 'warn' | 'unknown' | null; text: string }[] {
    const notes: { severity: 'warn' | 'unknown' | null; text: string }[] = [];
    if (way.refused.length > 0)
        notes.push({ severity: 'warn', text: t`The book does not take ${way.refused.join(', ')} for this turn.` });
    const strain = Math.max(0, ...way.bends.map((bend) => bend.strain_deg));
    if (strain > 0.05) notes.push({ severity: null, text: t`Every joint gives up to ${strain.toFixed(1)}°.` });
    const doubt = Math.max(0, ...way.bends.map((bend) => bend.doubt_mm));
    if (doubt > 0)
        notes.push({
            severity: null,
            text:
                t`Its bends are reckoned to within ${withinInWords(doubt, units)} each:` +
                ' ' +
                t`cut long, dry-fit, then trim.`,
        });
    if (way.closes_within_mm > 0.2)
        notes.push({ severity: null, text: t`Meets the end to within ${withinInWords(way.closes_within_mm, units)}.` });
    if (notes.length === 0) notes.push({ severity: null, text: t`Meets both ends, without strain.` });
    return notes;
}

type InWords = (value: number, units: Units) => string;
const fromAxis: InWords = (mm, units) => t`${lengthInWords(mm, units)} from its axis`;

const CONDITIONS: Record<string, { name: string; said: InWords }> = {
    max_bends: { name: t`Take more bends`, said: (count) => count.toFixed(0) },
    min_leg_mm: { name: t`Take a shorter piece`, said: lengthInWords },
    fall_least: { name: t`Let it fall less`, said: fallInWords },
    fall_most: { name: t`Let it fall more`, said: fallInWords },
    play_deg: { name: t`Let every joint give more`, said: (deg) => `${deg.toFixed(2)}°` },
    clearance_mm: { name: t`Come nearer to what stands there`, said: fromAxis },
    obstacle: { name: t`Move`, said: fromAxis },
};

/** What has to give way, in words: `Take a shorter piece: 32 mm instead of 38 mm`. */
export function relaxInWords(one: MadeUp['relax'][number], units: Units): string {
    const condition = CONDITIONS[one.condition];
    if (!condition) return one.condition;
    const said = (value: number): string => condition.said(value, units);
    if (one.condition === 'obstacle')
        return t`Move ${one.what}: the pipe comes ${one.to < 1 ? t`through it` : t`to ${said(one.to)}`}`;
    return t`${condition.name}: ${said(one.to)} instead of ${said(one.from)}`;
}

/**
 * The job with a way taken into its run; where its end has moved, the levels say so, and a run that it enters is met
 * there.
 */
export function accepted(
    document: JobDocument,
    run: string,
    made: Pick<MadeUp, 'branch_at_mm' | 'level_difference_mm'>,
    way: MadeUpWay,
): JobDocument {
    return {
        ...document,
        runs: document.runs.map((one) => {
            if (one.id !== run) return one;
            const { branch } = one.tie_in;
            const moved =
                branch && made.branch_at_mm !== null
                    ? { ...one.tie_in, branch: { ...branch, at_mm: made.branch_at_mm } }
                    : one.tie_in;
            const levels = made.level_difference_mm === null ? {} : { level_difference_mm: made.level_difference_mm };
            return { ...one, ...levels, legs: way.legs_said, next_leg: way.next_leg, tie_in: moved };
        }),
    };
}

/**
 * How a dial is read: how far from plumb, and to which side, looking downstream; on an upright pipe round from north,
 * looking down it.
 */
export function dialInWords(deg: number, upright = false): string {
    const whole = Math.round(Math.abs(deg));
    if (upright) {
        if (whole === 0 || whole === 180) return t`turns to the ${whole === 0 ? t`north` : t`south`}`;
        return t`${whole}° round from north, ${deg > 0 ? t`clockwise` : t`against the clock`} as the water runs`;
    }
    if (whole === 0) return t`turns straight up`;
    if (whole === 180) return t`turns straight down`;
    return t`${whole}° from plumb, leaning ${deg > 0 ? t`right` : t`left`} as the water runs`;
}

/** One step of putting a run together: `On the bench: A onto joint 3, pushed 38 mm`. */
export function stepInWords(step: RunOrder['steps'][number], units: Units): string {
    const joints = step.joints.length === 1 ? t`joint ${step.joints[0] ?? ''}` : t`joints ${step.joints.join(' and ')}`;
    const where = step.on_bench ? t`On the bench` : t`In place`;
    const parts =
        step.parts.length > 4
            ? t`${step.parts.slice(0, 3).join(', ')} and ${step.parts.length - 3} more`
            : step.parts.join(', ');
    if (parts === '') return t`${where}: close ${joints}.`;
    return step.moves
        ? t`${where}: ${parts} onto ${joints}, pushed ${lengthInWords(step.push_mm, units)}.`
        : t`${where}: set ${parts}, and close ${joints} over.`;
}

const KINDS = {
    slide: t`a slip coupling, slid back and over`,
    roll: t`a sleeve that is rolled over`,
    union: 'a union',
};

/** What frees a run that does not go together. */
export const freesInWords = (change: RunOrder['frees'][number]): string =>
    change.map((one) => t`at joint ${one.joint} ${KINDS[one.kind]}`).join(', and ');
