import { describe, expect, it } from 'vitest';
import type { RunReport } from '../../api/types';
import { overlap, textWidth, type Box } from './boxes';
import { chainOf } from './chain';
import { tickAt, tickBoxes } from './ticks';
import { layOutSection, type Frame, type Section } from './geometry';
import { placeLabels, TAG, type Labels } from './labels';
import { evaluatedRuns } from './testRuns';

const FULL: Frame = {
    width: 1280,
    height: 318,
    top: 33,
    bottom: 60,
    left: 70,
    right: 90,
    visible: 34,
    most: 36,
    least: 14,
};
const PHONE: Frame = {
    width: 760,
    height: 170,
    top: 34,
    bottom: 52,
    left: 60,
    right: 70,
    visible: 40,
    most: 30,
    least: 12,
};
const ENDS = { outlet: 'clay-wash sink', tieIn: 'iron stack stub' };
const runs = evaluatedRuns(20261123, 160).filter((run) => run.legs.some((leg) => leg.laid));

const memo = new Map<RunReport, Map<Frame, { section: Section; labels: Labels }>>();

function drawn(run: RunReport, frame: Frame): { section: Section; labels: Labels } {
    const known = memo.get(run) ?? new Map<Frame, { section: Section; labels: Labels }>();
    memo.set(run, known);
    const there = known.get(frame);
    if (there) return there;
    const section = layOutSection(run, frame);
    const made = { section, labels: placeLabels(section, run, 'inch', ENDS) };
    known.set(frame, made);
    return made;
}

/** Every pair of a thing of the first list and one of the second that lie over each other. */
function clashes(some: Box[], others: Box[]): string[] {
    return some.flatMap((a) => others.filter((b) => b !== a && overlap(a, b)).map((b) => JSON.stringify([a, b])));
}

const tagBox = (tag: Labels['tags'][number]): Box => ({
    x: tag.at[0] - tag.w / 2,
    y: tag.at[1] - TAG / 2,
    w: tag.w,
    h: TAG,
});

describe('the fall line at any run', () => {
    it('has enough runs to speak of', () => {
        expect(runs.length).toBeGreaterThan(130);
        expect(Math.max(...runs.map((run) => run.pieces.length))).toBeGreaterThan(15);
        expect(runs.some((run) => run.findings.filter((finding) => finding.severity === 'stop').length > 3)).toBe(true);
    });

    it.each([
        ['at 1280', FULL],
        ['on the phone', PHONE],
    ])('gives every piece and every joint its tag, and none lies over another, %s', (_, frame) => {
        for (const run of runs) {
            const { section, labels } = drawn(run, frame);
            const count = (kind: string): number => labels.tags.filter((tag) => tag.kind === kind).length;
            expect(count('piece')).toBe(run.pieces.length);
            expect(count('joint')).toBe(run.joints.length);
            const boxes = [
                ...labels.tags.map(tagBox),
                ...labels.flags.map((flag) => flag.box),
                ...(labels.legend ? [labels.legend] : []),
            ];
            const outside = boxes.filter(
                (box) => box.x < 0 || box.y < 0 || box.x + box.w > section.width || box.y + box.h > section.height,
            );
            expect(outside, run.call_out).toEqual([]);
            expect(clashes(boxes, boxes), run.call_out).toEqual([]);
        }
    });

    it('keeps tags and flags off the bore of every pipe', () => {
        for (const run of runs) {
            const { section, labels } = drawn(run, FULL);
            const spots = section.links.flatMap((link) =>
                [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9].map((t) => ({
                    x: link.from[0] + (link.to[0] - link.from[0]) * t - 1,
                    y: link.from[1] + (link.to[1] - link.from[1]) * t - 1,
                    w: 2,
                    h: 2,
                })),
            );
            expect(
                clashes(spots, [...labels.tags.map(tagBox), ...labels.flags.map((flag) => flag.box)]),
                run.call_out,
            ).toEqual([]);
        }
    });

    it('lets no pole of a flag cross a tag', () => {
        for (const run of runs) {
            const { labels } = drawn(run, FULL);
            const plumb = labels.flags.filter(({ pole, box }) => pole.from[1] === box.y + box.h);
            const poles = plumb.map(({ pole }) => ({
                x: pole.from[0] - 0.5,
                y: pole.from[1],
                w: 1,
                h: pole.to[1] - pole.from[1] - 1,
            }));
            expect(clashes(poles, labels.tags.map(tagBox)), run.call_out).toEqual([]);
        }
    });

    it('leaves out no stop and no warning that has a spot', () => {
        for (const run of runs) {
            const { labels } = drawn(run, FULL);
            const owed = run.findings.flatMap((finding, i) =>
                (finding.severity === 'stop' || finding.severity === 'warn') && finding.where.tape_mm !== null
                    ? [i]
                    : [],
            );
            expect(
                owed.filter((i) => !labels.flags.some((flag) => flag.finding === i)),
                run.call_out,
            ).toEqual([]);
        }
    });

    it('lets no word lie over a tag or a flag', () => {
        for (const run of runs) {
            const { labels } = drawn(run, FULL);
            const words = labels.labels
                .filter((label) => label.kind !== 'fall')
                .map((label) => {
                    const w = textWidth(label.text, label.size);
                    const x =
                        label.anchor === 'start'
                            ? label.at[0]
                            : label.anchor === 'end'
                              ? label.at[0] - w
                              : label.at[0] - w / 2;
                    return { x: x + 1, y: label.at[1] - label.size + 5, w: w - 2, h: label.size - 6 };
                });
            expect(
                clashes(words, [...labels.tags.map(tagBox), ...labels.flags.map((flag) => flag.box)]),
                run.call_out,
            ).toEqual([]);
        }
    });

    it('draws water downhill: a leg that falls goes down on the drawing, one that rises goes up', () => {
        for (const run of runs) {
            for (const link of drawn(run, FULL).section.links) {
                if (Math.abs(link.drop) > 1 && link.kind === 'level')
                    expect(Math.sign(link.to[1] - link.from[1])).toBe(Math.sign(link.drop));
                expect(link.to[0]).toBeGreaterThanOrEqual(link.from[0] - 0.001);
            }
        }
    });

    it('fits the height that it is given', () => {
        for (const run of runs) expect(drawn(run, FULL).section.height).toBeLessThan(900);
        const ordinary = runs.filter((run) => run.pieces.length < 9 && !run.legs.some((leg) => leg.upright));
        expect(ordinary.length).toBeGreaterThan(10);
        for (const run of ordinary) expect(drawn(run, FULL).section.height, run.call_out).toBe(318);
    });

    it('follows the run: places in a row, lengths adding up to the tape', () => {
        for (const run of runs) {
            const { nodes, links } = chainOf(run);
            expect(links.length).toBe(nodes.length - 1);
            expect(links.reduce((sum, link) => sum + link.length, 0)).toBeCloseTo(run.totals.tape.mm, 1);
            expect(links.filter((link) => link.piece).length).toBe(run.pieces.length);
        }
    });
});

describe('ticks of hangers', () => {
    it('stand on the pipe at their place, below level pipe and beside upright pipe', () => {
        for (const run of runs) {
            const { section } = drawn(run, FULL);
            let before = 0;
            for (const link of section.links) {
                const tick = tickAt(section, before + link.length / 2);
                expect(tick?.at[0]).toBeCloseTo((link.from[0] + link.to[0]) / 2, 6);
                expect(tick?.at[1]).toBeCloseTo((link.from[1] + link.to[1]) / 2, 6);
                const [x, y] = tick?.out ?? [0, 0];
                expect(x * link.u[0] + y * link.u[1]).toBeCloseTo(0, 9);
                if (link.length > 1) expect(y > 0.001 || x < -0.99).toBe(true);
                before += link.length;
            }
            expect(tickAt(section, before + 1)).toBeNull();
        }
    });
    it('are on ground of their own: no tag lies over one', () => {
        for (const run of runs.slice(0, 60)) {
            const { section } = drawn(run, FULL);
            const whole = section.links.reduce((sum, link) => sum + link.length, 0);
            const hangers = [0.15, 0.4, 0.65, 0.9].map((share, i) => ({
                number: i + 1,
                tape_mm: share * whole,
                kind: 'hanger' as const,
            }));
            const { tags } = placeLabels(section, run, 'inch', ENDS, hangers);
            expect(clashes(tags.map(tagBox), tickBoxes(section, hangers))).toEqual([]);
        }
    });
});
