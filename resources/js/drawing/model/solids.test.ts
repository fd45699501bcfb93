import { describe, expect, it } from 'vitest';
import { evaluatedJob } from '../section/testRuns';
import { solidsOf } from './solids';

const { evaluation } = evaluatedJob('mill-row-pottery');
const all = evaluation.runs.map((run) => run.id);
const far = (a: { x: number; y: number; z: number }, b: { x: number; y: number; z: number }): number =>
    Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

describe('the model of a house', () => {
    it('has every piece with its letter, as long as it lies, and as thick as its pipe', () => {
        const glaze = evaluation.runs.find((run) => run.id === 'glaze');
        const { tubes } = solidsOf(evaluation, ['glaze']);
        const pieces = tubes.filter((tube) => tube.kind === 'piece');
        expect(pieces.map((tube) => tube.letter)).toEqual(glaze?.pieces.map((piece) => piece.letter));
        for (const [i, piece] of (glaze?.pieces ?? []).entries()) {
            const [from, to] = pieces[i]?.points ?? [];
            expect(from && to && far(from, to)).toBeCloseTo(far(piece.from, piece.to), 6);
            expect(pieces[i]?.radiusMm).toBeCloseTo((glaze?.pipes[piece.size]?.od_mm ?? 0) / 2, 6);
        }
        // A fitting goes from stop to stop, round where its axes cross.
        for (const fitting of glaze?.fittings ?? []) {
            const tube = tubes.find((one) => one.key === fitting.key);
            expect(tube?.points).toHaveLength(3);
            const [a, middle, b] = tube?.points ?? [];
            expect(a && middle && far(a, middle)).toBeCloseTo(fitting.into_mm, 6);
            expect(b && middle && far(b, middle)).toBeCloseTo(fitting.out_of_mm, 6);
        }
    });

    it('shows the runs that are asked for, vents as vents, and no more letters than can be read', () => {
        const { tubes } = solidsOf(evaluation, all);
        const drawn = evaluation.runs.filter((run) => run.pieces.length + run.fittings.length > 0);
        expect(new Set(tubes.map((tube) => tube.run))).toEqual(new Set(drawn.map((run) => run.id)));
        expect(
            tubes.filter((tube) => tube.run === 'basin-vent' && tube.kind !== 'fitting').map((tube) => tube.kind),
        ).toContain('vent');
        expect(tubes.every((tube) => tube.letter === '')).toBe(true);
        expect(solidsOf(evaluation, []).tubes).toEqual([]);
    });

    it('puts what is gone through where the hole is drilled', () => {
        const { tubes, slabs } = solidsOf(evaluation, ['flat-galley']);
        const crossings = evaluation.network.crossings.filter((one) => one.run === 'flat-galley');
        expect(slabs.map((slab) => slab.name)).toEqual(crossings.map((one) => one.name));
        for (const [i, slab] of slabs.entries()) {
            const { from_top: down, depth } = crossings[i] ?? {};
            const hole = { ...slab.at, z: slab.at.z + (depth?.mm ?? 0) / 2 - (down?.mm ?? 0) };
            const [a, b] = tubes.filter((tube) => tube.kind === 'piece').flatMap((tube) => tube.points);
            expect(a && b).toBeTruthy();
            // It lies on the axis of one of the pieces or fittings.
            const near = Math.min(
                ...tubes.map((tube) => {
                    const [p, q] = [tube.points[0], tube.points.at(-1)];
                    return p && q ? far(p, hole) + far(hole, q) - far(p, q) : Infinity;
                }),
            );
            expect(near).toBeLessThan(5);
        }
    });
});
