import { describe, expect, it } from 'vitest';
import { evaluatedJob } from '../section/testRuns';
import { layOutWay } from './layout';
import { wayOf } from './way';

const { evaluation } = evaluatedJob('mill-row-pottery');
const runs = (from: string): string[] => [...new Set(wayOf(evaluation, from).stretches.map((one) => one.run))];

describe('the way of the water', () => {
    it('goes on from run to run until nothing leads on', () => {
        expect(runs('flat-basin')).toEqual(['flat-basin', 'stack', 'house']);
        expect(runs('glaze')).toEqual(['glaze']);
    });
    it('takes the next run from where it enters it, not from its beginning', () => {
        const way = wayOf(evaluation, 'flat-basin');
        const stack = evaluation.runs.find((run) => run.id === 'stack');
        const upright = stack?.legs[0]?.length?.mm ?? 0;
        const drop = way.stretches.find((one) => one.run === 'stack' && one.upright)?.drop ?? 0;
        expect(drop).toBeGreaterThan(0);
        expect(drop).toBeLessThan(upright);
    });
    it('falls as far as its ends lie apart', () => {
        const place = (id: string) => evaluation.network.places.find((one) => one.run === id);
        const house = evaluation.runs.find((run) => run.id === 'house');
        const way = wayOf(evaluation, 'flat-basin');
        const apart = (place('flat-basin')?.at.z ?? 0) - (place('house')?.at.z ?? 0) - (house?.end.z ?? 0);
        expect(way.drop).toBeCloseTo(apart, 0);
        expect(way.drop).toBeCloseTo(
            way.stretches.reduce((sum, one) => sum + one.drop, 0),
            6,
        );
    });
    it('ends in a loop instead of going round for ever', () => {
        const loop = structuredClone(evaluation);
        for (const one of loop.network.places) if (one.run === 'house') one.into = 'flat-basin';
        expect(wayOf(loop, 'flat-basin').open).toContain('loop');
    });
    it('of a run without legs is nothing', () => {
        expect(wayOf(evaluation, 'no such run').stretches).toEqual([]);
    });
});

describe('drawing it', () => {
    const frames = [
        [1280, 318],
        [1280, 176],
        [760, 170],
    ] as const;
    it.each(frames)('stays in its frame of %d by %d', (width, height) => {
        for (const run of evaluation.runs) {
            const { drawn } = layOutWay(wayOf(evaluation, run.id), width, height);
            for (const { from, to } of drawn) {
                for (const [x, y] of [from, to]) {
                    expect(x).toBeGreaterThanOrEqual(0);
                    expect(x).toBeLessThanOrEqual(width);
                    expect(y).toBeGreaterThanOrEqual(0);
                    expect(y).toBeLessThanOrEqual(height);
                }
            }
        }
    });
    it('hangs together, and what falls is drawn falling', () => {
        const { drawn, times } = layOutWay(wayOf(evaluation, 'flat-basin'), 1280, 318);
        drawn.slice(1).forEach((one, i) => expect(one.from).toEqual(drawn[i]?.to));
        for (const { stretch, from, to } of drawn) if (stretch.drop > 1) expect(to[1]).toBeGreaterThan(from[1]);
        expect(times).toBeGreaterThan(1);
        expect(drawn.filter((one) => one.short).every((one) => one.stretch.upright)).toBe(true);
    });
});
