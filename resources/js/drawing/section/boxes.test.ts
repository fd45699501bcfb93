import { describe, expect, it } from 'vitest';
import { boxAround, Ground, overlap } from './boxes';

const all = { x: 0, y: 0, w: 1000, h: 300 };

describe('ground', () => {
    it('is free until it is taken, and nothing lies outside it', () => {
        const ground = new Ground(all);
        expect(ground.isFree({ x: 10, y: 10, w: 50, h: 20 })).toBe(true);
        ground.take({ x: 10, y: 10, w: 50, h: 20 });
        expect(ground.isFree({ x: 59, y: 29, w: 5, h: 5 })).toBe(false);
        expect(ground.isFree({ x: 60, y: 10, w: 5, h: 5 }), 'edges may touch').toBe(true);
        expect(ground.isFree({ x: -1, y: 10, w: 5, h: 5 })).toBe(false);
        expect(ground.isFree({ x: 990, y: 290, w: 11, h: 5 })).toBe(false);
    });

    it('agrees with looking at every box, wherever they lie', () => {
        let seed = 9;
        const random = (most: number): number => {
            seed = (seed * 16807) % 2147483647;
            return (seed / 2147483647) * most;
        };
        const ground = new Ground(all);
        const taken = Array.from({ length: 80 }, () => ({
            x: random(900),
            y: random(250),
            w: random(90) + 1,
            h: random(40) + 1,
        }));
        taken.forEach((box) => ground.take(box));
        for (let i = 0; i < 600; i++) {
            const box = { x: random(880), y: random(240), w: random(110) + 1, h: random(50) + 1 };
            expect(ground.isFree(box)).toBe(!taken.some((other) => overlap(box, other)));
        }
    });

    it('takes the ground along a line in any direction, and hardly more', () => {
        for (let deg = 0; deg < 360; deg += 15) {
            const ground = new Ground(all);
            const u = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)] as const;
            const [from, to] = [
                [500 - u[0] * 90, 150 - u[1] * 90],
                [500 + u[0] * 90, 150 + u[1] * 90],
            ] as const;
            ground.takeLine(from, to, 30);
            for (let d = -85; d <= 85; d += 5) {
                for (const off of [-13, 0, 13])
                    expect(
                        ground.isFree(boxAround(500 + u[0] * d - u[1] * off, 150 + u[1] * d + u[0] * off, 1, 1)),
                        `${deg}`,
                    ).toBe(false);
                for (const off of [-30, 30])
                    expect(
                        ground.isFree(boxAround(500 + u[0] * d - u[1] * off, 150 + u[1] * d + u[0] * off, 1, 1)),
                        `${deg}`,
                    ).toBe(true);
            }
        }
    });

    it('takes the first that is free', () => {
        const ground = new Ground(all);
        ground.take(boxAround(50, 50, 20, 20));
        expect(ground.takeFirst([boxAround(50, 50, 4, 4), boxAround(90, 50, 4, 4)])?.x).toBe(88);
        expect(ground.takeFirst([boxAround(90, 50, 4, 4)])).toBeNull();
    });
});
