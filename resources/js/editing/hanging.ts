import { t } from '@lingui/core/macro';
import type { HangingReport, JobDocument, JobHanging, Units } from '../api/types';
import { smallInWords } from '../shared/lengths';
import { weightInWords } from '../shared/quantities';

export type HangerReport = HangingReport['hangers'][number];
export type SpanReport = HangingReport['spans'][number];

/** What was decided for a run, or nothing yet. */
export const hangingOf = (document: JobDocument, run: string): JobHanging =>
    document.hanging?.find((one) => one.run === run) ?? { run };

/** The job with what was decided for a run changed; what is undefined is taken out. */
export function withHanging(
    document: JobDocument,
    run: string,
    change: Partial<Record<keyof JobHanging, unknown>>,
): JobDocument {
    const next = Object.fromEntries(
        Object.entries({ ...hangingOf(document, run), ...change }).filter(([, value]) => value !== undefined),
    ) as JobHanging;
    const others = (document.hanging ?? []).filter((one) => one.run !== run);
    return { ...document, hanging: Object.keys(next).length > 1 ? [...others, next] : others };
}

/** Where a hanger stands on its leg. */
export interface Place {
    leg: string;
    at_mm: number;
}

/** Where a hanger stands, as it is kept. */
export const placeOf = (hanger: HangerReport): Place => ({ leg: hanger.leg_id, at_mm: hanger.at.mm });

const SAME_MM = 0.5;

/** Whether two places are one. */
export const isAt = (one: Place, other: Place): boolean =>
    one.leg === other.leg && Math.abs(one.at_mm - other.at_mm) < SAME_MM;

/** The hangers of a run as they are kept: those set by hand; where none was, those that are reckoned. */
export const standing = (document: JobDocument, run: string, hangers: HangerReport[]): Place[] =>
    hangingOf(document, run).own ?? hangers.map(placeOf);

/** How far one tap moves a hanger. */
export const stepOf = (units: Units): number => (units === 'inch' ? 12.7 : 10);

/** Where a hanger comes to stand that is moved along its leg; never off its ends. */
export const moved = (from: Place, by: number, legMm: number): Place => ({
    leg: from.leg,
    at_mm: Math.max(0, Math.min(legMm, from.at_mm + by)),
});

/** Places with one of them moved, or left out; of two that stand together only one. */
export function replaced(places: Place[], from: Place, to: Place | null): Place[] {
    const n = places.findIndex((place) => isAt(place, from));
    return places.flatMap((place, i) => (i === n ? (to === null ? [] : [to]) : [place]));
}

/** Places with one more in the middle of a span, on the leg that it lies on. */
export function added(places: Place[], hangers: HangerReport[], span: SpanReport): Place[] {
    const middle = (span.from_tape_mm + span.to_tape_mm) / 2;
    const before = hangers.filter((hanger) => hanger.tape_mm <= middle).at(-1);
    const after = hangers.find((hanger) => hanger.tape_mm > middle);
    if (!before || !after) return places;
    // Counted from the nearer leg: past its end the place lies on the next one.
    const onNext = after.leg_id !== before.leg_id && middle >= after.tape_mm - after.at.mm;
    const one = onNext
        ? { leg: after.leg_id, at_mm: after.at.mm - (after.tape_mm - middle) }
        : { leg: before.leg_id, at_mm: before.at.mm + (middle - before.tape_mm) };
    // Tapped twice before it is drawn it is still one.
    return places.some((place) => isAt(place, one)) ? places : [...places, one];
}

const KINDS: Record<HangerReport['kind'], string> = {
    joist: t`from the joist`,
    batten: t`from a batten between joists`,
    stud: t`to the stud`,
    blocking: t`to blocking between studs`,
    hanger: t`from what is over it`,
    bracket: t`to the wall`,
    clamp: t`clamped, standing on the floor`,
    guide: t`guided along the wall, free to slide`,
};

const REASONS: Record<HangerReport['why'], string> = {
    base: t`carries the foot`,
    floor: t`where it goes through the floor`,
    turn: t`beside the turn`,
    heavy: t`beside what weighs on it`,
    joint: t`near the joint`,
    spacing: t`by the spacing`,
    guide: t`between two that carry it`,
    own: t`set by hand`,
};

/** `from the joist, beside the turn; holds it fast; braced against sway`. */
export const hangerInWords = (hanger: HangerReport): string =>
    [
        `${KINDS[hanger.kind]}, ${REASONS[hanger.why]}`,
        ...(hanger.hold === 'fast' ? [t`holds it fast`] : []),
        ...(hanger.braced ? [t`braced against sway`] : []),
    ].join('; ');

/** With the face that places on a leg are measured from; no name: none. */
export function faced(hanging: JobHanging, leg: string, name: string, beforeMm: number): JobHanging['faces'] {
    const others = (hanging.faces ?? []).filter((one) => one.leg !== leg);
    const all = name === '' ? others : [...others, { leg, name, before_mm: beforeMm }];
    return all.length === 0 ? undefined : all;
}

type GrowthEnd = HangingReport['expansion'][number]['ends'][number];

function pushedInWords(end: GrowthEnd, words: (mm: number) => string, units: Units): string {
    if (end.hanger === null || end.free === null) return '';
    const where = end.free.mm < 1 ? t`at the turn` : t`${words(end.free.mm)} from the turn`;
    const weight = end.newton === null ? '' : t` with ${weightOf(end.newton, units)}`;
    return t`; hanger ${end.hanger}, ${where}, is pushed aside${weight}`;
}

/**
 * What comes of a stretch that grows, end by end: `4.3 mm down, bends leg 2, which pushes hanger 5 aside with 25 kg`.
 */
export function growthInWords(end: GrowthEnd, words: (mm: number) => string, units: Units): string {
    const where = { up: t`upstream`, down: t`downstream` }[end.way];
    const by = `${words(end.move.mm)} ${where}`;
    switch (end.into) {
        case 'joints':
            return t`each seal takes up what its own piece grows`;
        case 'allowance':
            return t`${by}, into what lets it grow`;
        case 'turn':
            return t`${by}, and bends leg ${end.leg ?? ''}${pushedInWords(end, words, units)}`;
        default:
            return t`${by}, at the ${end.into === 'outlet' ? t`outlet` : t`end`}`;
    }
}

/** How a pipe hangs against what was planned: more is measured down to one that hangs too low. */
export const offInWords = (offMm: number, units: Units): string =>
    Math.abs(offMm) < 0.8
        ? t`as it has to`
        : t`${smallInWords(Math.abs(offMm), units)} too ${offMm > 0 ? t`low` : t`high`}`;

/** A force as the weight that pulls as hard: a newton says little on site. */
const weightOf = (newton: number, units: Units): string => {
    const kg = newton / 9.80665;
    return kg < 1 ? t`less than ${weightInWords(1, units)}` : t`about ${weightInWords(kg, units)}`;
};

/** Stretches that one string serves: level hangers one after the other, until the pipe goes up or down. */
export function stretches(report: HangingReport): HangerReport[][] {
    const groups: HangerReport[][] = [];
    let last: HangerReport | null = null;
    for (const hanger of report.hangers) {
        const joined =
            last !== null &&
            hanger.below_string !== null &&
            report.spans.some((span) => span.to_tape_mm === hanger.tape_mm && span.from_tape_mm === last?.tape_mm);
        if (hanger.below_string !== null) {
            if (joined) groups.at(-1)?.push(hanger);
            else groups.push([hanger]);
        }
        last = hanger;
    }
    return groups;
}
