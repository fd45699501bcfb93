import { describe, expect, it } from 'vitest';
import { askedFor, numberOf, saidValue, unitOf, valueOf } from './gauge';

const water = { kind: 'water' as const, unit: 'mm' };
const air = { kind: 'air' as const, unit: 'kPa' };
const gauge = { kind: 'low-air' as const, unit: 'mm of water' };
const topUp = { kind: 'top-up' as const, unit: 'l' };

describe('a gauge', () => {
    it('is read as a rule and a dial say it', () => {
        expect(['38', '1.5', '1,5', '1/8', '1 1/8', ' 0 '].map(numberOf)).toEqual([38, 1.5, 1.5, 0.125, 1.125, 0]);
        for (const none of ['', 'low', '1/0', '-3', '1 2 3']) expect(numberOf(none)).toBeNull();
    });

    it('goes into the log in the unit of the test, whatever the job is measured in', () => {
        expect(valueOf('2', water, 'mm')).toBe(-2);
        expect(valueOf('0', water, 'mm')).toBe(0);
        expect(valueOf('1/8', water, 'inch')).toBeCloseTo(-3.175, 9);
        expect(valueOf('5', air, 'inch')).toBeCloseTo(34.474, 3);
        expect(valueOf('1.5', gauge, 'inch')).toBeCloseTo(38.1, 9);
        expect(valueOf('1', topUp, 'inch')).toBeCloseTo(3.7854, 4);
        expect(valueOf('deep', gauge, 'mm')).toBeNull();
    });

    it('is asked for and said in the units of the job', () => {
        expect(askedFor(water, 'inch')).toBe('The level has fallen by (in)');
        expect(askedFor(gauge, 'mm')).toBe('The gauge shows (mm of water)');
        expect(askedFor(topUp, 'mm')).toBe('Topped up so far (l)');
        expect(unitOf(air, 'inch')).toBe('psi');
        expect(saidValue(0, water, 'mm')).toBe('at its mark');
        expect(saidValue(-3.175, water, 'inch')).toBe('1/8 in below its mark');
        expect(saidValue(34.474, air, 'inch')).toBe('5 psi');
        expect(saidValue(38, gauge, 'mm')).toBe('38 mm of water');
    });
});
