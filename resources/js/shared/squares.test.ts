import jsQR from 'jsqr';
import { expect, it } from 'vitest';
import { squaresOf } from './squares';

const [SIDE, LIGHT] = [6, 4];

it('is read by a camera as the link that it was made of', () => {
    const link = `http://127.0.0.1:8047/shared/${'aB3'.repeat(10)}xy`;
    const rows = squaresOf(link);
    expect(rows.every((row) => row.length === rows.length)).toBe(true);
    const width = (rows.length + 2 * LIGHT) * SIDE;
    const pixels = new Uint8ClampedArray(width * width * 4).fill(255);
    rows.forEach((row, y) =>
        [...row].forEach((cell, x) => {
            if (cell === '0') return;
            for (let i = 0; i < SIDE * SIDE; i++) {
                const at = ((y + LIGHT) * SIDE + Math.floor(i / SIDE)) * width + (x + LIGHT) * SIDE + (i % SIDE);
                pixels.fill(0, at * 4, at * 4 + 3);
            }
        }),
    );
    expect(jsQR(pixels, width, width)?.data).toBe(link);
});
