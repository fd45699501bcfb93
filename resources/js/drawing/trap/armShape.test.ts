import { describe, expect, it } from 'vitest';
import { armShape } from './armShape';

describe('the long section of an arm', () => {
    const short = armShape(40.9, 250, 20.8, 50, 700);

    it('is true to scale, both ways', () => {
        expect(short.broken).toBe(false);
        const along = short.invert[1][0] - short.invert[0][0];
        const down = short.invert[1][1] - short.invert[0][1];
        expect(along / 250).toBeCloseTo(short.scale, 6);
        expect(down / ((250 * 20.8) / 1000)).toBeCloseTo(short.scale, 6);
        expect(short.invert[0][1] - short.crown[0][1]).toBeCloseTo(40.9 * short.scale, 6);
    });
    it('shows the opening above the weir while the arm falls by less than its bore, and below it after that', () => {
        const limit = (40.9 / 20.8) * 1000;
        const above = armShape(40.9, limit - 30, 20.8, 50, 700);
        const below = armShape(40.9, limit + 30, 20.8, 50, 700);
        expect(above.opening[1]).toBeLessThan(above.weir);
        expect(below.opening[1]).toBeGreaterThan(below.weir);
    });
    it('draws a long arm short, says so, and keeps its whole fall', () => {
        const long = armShape(40.9, 6000, 20.8, 50, 700);
        expect(long.broken).toBe(true);
        expect(long.invert[1][0]).toBeLessThan(700);
        expect(long.invert[1][1] - long.invert[0][1]).toBeCloseTo(((6000 * 20.8) / 1000) * long.scale, 6);
    });
    it('holds more water with a deeper seal', () => {
        expect(armShape(40.9, 250, 20.8, 75, 700).height).toBeGreaterThanOrEqual(short.height);
    });
    it.each([
        [32, 100, 0, 38],
        [110, 9000, 90, 100],
        [50, 1, 200, 25],
    ])('is drawable with a bore of %d, %d long', (bore, length, fall, seal) => {
        const shape = armShape(bore, length, fall, seal, 520);
        expect(shape.trap).not.toContain('NaN');
        expect(shape.height).toBeGreaterThan(0);
        expect(shape.stack.right).toBeGreaterThan(shape.stack.left);
    });
});
