import type { HangingReport, JobDocument, JobHanging, Units } from '../../api/types';

export type HangerReport = HangingReport['hangers'][number];
export type SpanReport = HangingReport['spans'][number];

/** What was decided for a run, or nothing yet. */
export const hangingOf = (document: JobDocument, run: string): JobHanging => document.hanging?.find((one) => one.run === run) ?? { run };

/** The job with what was decided for a run changed; what is undefined is taken out. */
export function withHanging(document: JobDocument, run: string, change: Partial<Record<keyof JobHanging, unknown>>): JobDocument {
    const next = Object.fromEntries(
        Object.entries({ ...hangingOf(document, run), ...change }).filter(([, value]) => value !== undefined),
    ) as JobHanging;
    const others = (document.hanging ?? []).filter((one) => one.run !== run);
    return { ...document, hanging: Object.keys(next).length > 1 ? [...others, next] : others };
}

/** Hangers as they are kept once one of them was set by hand. */
export const kept = (hangers: HangerReport[]): { leg: string; at_mm: number }[] =>
    hangers.map((hanger) => ({ leg: hanger.leg_id, at_mm: hanger.at.mm }));

/** How far one tap moves a hanger. */
export const stepOf = (units: Units): number => (units === 'inch' ? 12.7 : 10);

/** With the hanger of that number moved along its leg; never off its upper end. */
export function moved(hangers: HangerReport[], number: number, by: number): { leg: string; at_mm: number }[] {
    return hangers.map((hanger) => ({
        leg: hanger.leg_id,
        at_mm: hanger.number === number ? Math.max(0, hanger.at.mm + by) : hanger.at.mm,
    }));
}

/** With one more in the middle of a span, on the leg that it lies on. */
export function added(hangers: HangerReport[], span: SpanReport): { leg: string; at_mm: number }[] {
    const middle = (span.from_tape_mm + span.to_tape_mm) / 2;
    const before = hangers.filter((hanger) => hanger.tape_mm <= middle).at(-1);
    const after = hangers.find((hanger) => hanger.tape_mm > middle);
    if (!before || !after) return kept(hangers);
    // Counted from the nearer leg: past its end the place lies on the next one.
    const onNext = after.leg_id !== before.leg_id && middle >= after.tape_mm - after.at.mm;
    const one = onNext
        ? { leg: after.leg_id, at_mm: after.at.mm - (after.tape_mm - middle) }
        : { leg: before.leg_id, at_mm: before.at.mm + (middle - before.tape_mm) };
    return [...kept(hangers), one];
}

const KINDS: Record<HangerReport['kind'], string> = {
    joist: 'from the joist',
    batten: 'from a batten between joists',
    hanger: 'from what is over it',
    bracket: 'to the wall',
};

const REASONS: Record<HangerReport['why'], string> = {
    base: 'carries the foot',
    turn: 'beside the turn',
    heavy: 'beside what weighs on it',
    joint: 'near the joint',
    spacing: 'by the spacing',
    own: 'set by hand',
};

/** `from the joist, beside the turn`. */
export const hangerInWords = (hanger: HangerReport): string => `${KINDS[hanger.kind]}, ${REASONS[hanger.why]}`;

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
