import { describe, expect, it } from 'vitest';
import { keptValue, shownIn, shownValue } from './bookUnits';

describe('a number of a book', () => {
    it('is shown in the units of the book', () => {
        expect(shownIn('mm', 'inch').unit).toBe('in');
        expect(shownIn('mm', 'mm').unit).toBe('mm');
        expect(shownValue(1524, shownIn('mm', 'inch'))).toBe('60');
        expect(shownValue(20.8333, shownIn('mm_per_m', 'inch'))).toBe('0.25');
        expect(shownValue(60, shownIn('c', 'inch'))).toBe('140');
        expect(shownValue(34.474, shownIn('kPa', 'inch'))).toBe('5');
        expect(shownIn('of_drain', 'inch').unit).toBe('of drain');
    });

    it('is kept as the book has it, and as it was where it was not changed', () => {
        expect(keptValue('60', shownIn('mm', 'inch'), 1000)).toBeCloseTo(1524, 9);
        expect(keptValue('0.25', shownIn('mm_per_m', 'inch'), 20.8333)).toBe(20.8333);
        expect(keptValue('140', shownIn('c', 'inch'), null)).toBeCloseTo(60, 9);
        expect(keptValue('3', shownIn('load', 'inch'), 2)).toBe(3);
    });
});
