import { describe, expect, it } from 'vitest';
import { evaluatedJob } from '../section/testRuns';
import { houseScene } from './scene';

const { evaluation } = evaluatedJob('mill-row-pottery');
const frames = [...new Set(evaluation.network.places.map((place) => place.frame))];
const runsOf = (frame: string | null): string[] =>
    evaluation.network.places.filter((place) => frame === null || place.frame === frame).map((place) => place.run);

describe('the house at 30°', () => {
    it.each([0, 1, 2, 3])('shows every run of what hangs together, turned %d quarters, inside its frame', (turns) => {
        for (const frame of [null, ...frames]) {
            const scene = houseScene(evaluation, frame, turns, 520, 400);
            expect(new Set(scene.lines.map((line) => line.run))).toEqual(new Set(runsOf(frame)));
            for (const line of scene.lines) {
                for (const [, x, y] of line.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)) {
                    expect(Number(x)).toBeGreaterThanOrEqual(-1);
                    expect(Number(x)).toBeLessThanOrEqual(521);
                    expect(Number(y)).toBeGreaterThanOrEqual(-1);
                    expect(Number(y)).toBeLessThanOrEqual(401);
                }
            }
        }
    });
    it('names every run once, and no name stands on another', () => {
        const frame = evaluation.network.places.find((place) => place.run === 'stack')?.frame ?? null;
        const { labels } = houseScene(evaluation, frame, 0, 900, 620);
        expect(new Set(labels.map((label) => label.run)).size).toBe(labels.length);
        expect(labels).toHaveLength(runsOf(frame).length);
        for (const a of labels)
            for (const b of labels)
                if (a !== b) expect(Math.abs(a.at[1] - b.at[1]) > 9 || Math.abs(a.at[0] - b.at[0]) > 8).toBe(true);
    });
    it('tells vents from drains', () => {
        const scene = houseScene(evaluation, null, 0, 900, 620);
        expect(scene.lines.filter((line) => line.run === 'basin-vent').every((line) => line.role === 'dry-vent')).toBe(
            true,
        );
        expect(scene.lines.some((line) => line.run === 'house' && line.role === 'drain')).toBe(true);
    });
    it('marks what is to be mended where it is', () => {
        const scene = houseScene(evaluation, null, 0, 900, 620);
        const bad = evaluation.runs
            .filter((run) => run.findings.some((one) => one.severity === 'stop'))
            .map((run) => run.id);
        expect(scene.marks.filter((mark) => mark.severity === 'stop').map((mark) => mark.run)).toEqual(
            expect.arrayContaining(bad),
        );
    });
    it('of a job without runs is empty', () => {
        const none = { ...evaluation, runs: [], network: { ...evaluation.network, places: [], pipes: [] } };
        expect(houseScene(none, null, 0, 500, 400).lines).toEqual([]);
    });
});
