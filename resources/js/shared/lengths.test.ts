import { describe, expect, it } from 'vitest';
import { lengthInWords, runInWords, saidLength } from './lengths';

describe('Lengths', () => {
    it('are said in fractions that a tape has, reduced', () => {
        expect(saidLength(22.0625 * 25.4, 'inch')).toBe('22 1/16');
        expect(saidLength(3 * 25.4, 'inch')).toBe('3');
        expect(saidLength(12.7, 'inch')).toBe('1/2');
        expect(saidLength(23.625 * 25.4, 'inch')).toBe('23 5/8');
        expect(saidLength(0.9999 * 25.4, 'inch')).toBe('1');
        expect(saidLength(560.44, 'mm')).toBe('560.4');
    });
    it('have their unit in a sentence', () => {
        expect(lengthInWords(560.44, 'inch')).toBe('22 1/16 in');
        expect(lengthInWords(560.44, 'mm')).toBe('560 mm');
    });
});

it.each([
    [3251, 'inch', '10 ft 8 in'],
    [3657.6, 'inch', '12 ft'],
    [203.2, 'inch', '8 in'],
    [3251, 'mm', '3.25 m'],
] as const)('%d mm of a run in %s', (mm, units, words) => expect(runInWords(mm, units)).toBe(words));
