import { describe, expect, it } from 'vitest';
import { fallInWords, lengthInWords, runInWords, saidLength, smallInWords, withinInWords } from './lengths';

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

it.each([
    [0.3, 'inch', 'under 1/32 in'],
    [0.8, 'inch', '1/16 in'],
    [3.2, 'inch', '1/8 in'],
    [0.04, 'mm', 'under 0.1 mm'],
    [9.94, 'mm', '9.9 mm'],
    [12.4, 'mm', '12 mm'],
] as const)('%d mm that are little, in %s', (mm, units, words) => expect(smallInWords(mm, units)).toBe(words));

it.each([
    [0.01, 'inch', '1/16 in'],
    [2.1, 'inch', '1/8 in'],
    [6.4, 'inch', '1/4 in'],
    [0, 'mm', '1 mm'],
    [1.54, 'mm', '2 mm'],
] as const)('%d mm of doubt, in %s', (mm, units, words) => expect(withinInWords(mm, units)).toBe(words));

it.each([
    [20.8333, 'inch', '1/4 in per ft'],
    [12.34, 'inch', '0.148 in per ft'],
    [12.34, 'mm', '12.3 mm per m'],
] as const)('%d mm per m of fall, in %s', (fall, units, words) => expect(fallInWords(fall, units)).toBe(words));
