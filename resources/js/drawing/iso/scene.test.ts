import { describe, expect, it } from 'vitest';
import { overlap } from '../section/boxes';
import { evaluatedRuns } from '../section/testRuns';
import { fitView, nearness, onView, project } from './project';
import { sceneOf } from './scene';

const runs = evaluatedRuns(7, 60).filter((run) => run.legs.some((leg) => leg.laid));

describe('the isometric', () => {
    it('projects at 30 degrees, with one scale on all three axes', () => {
        const o = project({ x: 0, y: 0, z: 0 }, 0);
        for (const axis of [
            { x: 1, y: 0, z: 0 },
            { x: 0, y: 1, z: 0 },
            { x: 0, y: 0, z: 1 },
        ]) {
            const p = project(axis, 0);
            expect(Math.hypot(p[0] - o[0], p[1] - o[1])).toBeCloseTo(1, 12);
        }
        expect(
            (Math.atan2(project({ x: 1, y: 0, z: 0 }, 0)[1], project({ x: 1, y: 0, z: 0 }, 0)[0]) * 180) / Math.PI,
        ).toBeCloseTo(30, 12);
    });

    it('comes round after four turns', () => {
        const point = { x: 3, y: 5, z: 7 };
        expect(project(point, 4)).toEqual(project(point, 0));
        expect(project(point, -1)).toEqual(project(point, 3));
        expect(nearness(point, 2)).not.toBe(nearness(point, 0));
    });

    it('keeps every point in the frame, in each of its four views', () => {
        for (const run of runs) {
            const points = run.legs.flatMap((leg) => (leg.from && leg.to ? [leg.from, leg.to] : []));
            for (const turns of [0, 1, 2, 3]) {
                const view = fitView(points, turns, 386, 288, 46);
                for (const point of points) {
                    const [x, y] = onView(point, view);
                    expect(x > 45 && x < 341 && y > 45 && y < 243).toBe(true);
                }
            }
        }
    });

    it('draws from far to near, and no tag over another', () => {
        for (const run of runs) {
            const scene = sceneOf(run, 1, 386, 288);
            const near = scene.solids.map((solid) => solid.near);
            expect(near).toEqual([...near].sort((a, b) => a - b));
            scene.tags.forEach((tag, i) => {
                const box = (t: typeof tag) => ({ x: t.at[0] - t.w / 2, y: t.at[1] - 10, w: t.w, h: 20 });
                scene.tags
                    .slice(i + 1)
                    .forEach((other) => expect(overlap(box(tag), box(other)), run.call_out).toBe(false));
            });
        }
    });
});
