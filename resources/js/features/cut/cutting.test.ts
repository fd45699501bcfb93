import { describe, expect, it } from 'vitest';
import type { CuttingReport, JobDocument } from '../../api/types';
import { changeInWords, planInWords, stocked, ticked, unticked } from './cutting';

const job = (cutting?: object): JobDocument => ({ runs: [], ...(cutting ? { cutting } : {}) }) as unknown as JobDocument;

describe('ticking off', () => {
    it('keeps the length that it was cut to, once for each piece', () => {
        const once = ticked(job({ kerf_mm: 2 }), 'a', 'l1.1', 500);
        expect(once.cutting).toEqual({ kerf_mm: 2, cut: [{ run: 'a', piece: 'l1.1', length_mm: 500 }] });
        expect(ticked(once, 'a', 'l1.1', 503).cutting?.cut).toEqual([{ run: 'a', piece: 'l1.1', length_mm: 503 }]);
        expect(ticked(once, 'b', 'l1.1', 7).cutting?.cut).toHaveLength(2);
    });
    it('is taken back for that piece alone', () => {
        const two = ticked(ticked(job(), 'a', 'l1.1', 500), 'b', 'l1.1', 7);
        expect(unticked(two, 'a', 'l1.1').cutting?.cut).toEqual([{ run: 'b', piece: 'l1.1', length_mm: 7 }]);
    });
});

it('what there is of one pipe leaves the others alone', () => {
    const one = stocked(job(), 'pvc', '2', [{ length_mm: 900, available: 1 }]);
    const two = stocked(one, 'pvc', '3', [{ length_mm: 3048, price: 9.5 }]);
    expect(stocked(two, 'pvc', '2', []).cutting?.stock).toEqual([{ system: 'pvc', size: '3', length_mm: 3048, price: 9.5 }]);
});

describe('in words', () => {
    const words = (mm: number): string => `${mm} mm`;
    it.each([
        [0.01, null],
        [4, '4 mm longer than it was laid out'],
        [-2.5, '2.5 mm shorter than it was laid out'],
    ])('a change of %d', (mm, said) => expect(changeInWords(mm, words)).toBe(said));
    const group = (more: object): CuttingReport['groups'][number] =>
        ({
            sticks: [{}, {}],
            objective: 'sticks',
            bound: 2,
            used: 2,
            optimal: true,
            ...more,
        }) as unknown as CuttingReport['groups'][number];
    it.each([
        [{}, '2 sticks: no plan takes less.'],
        [{ sticks: [{}] }, '1 stick: no plan takes less.'],
        [{ optimal: false, bound: 1 }, '2 sticks; at least 1 it takes, between the two not everything was tried.'],
        [{ optimal: false, objective: 'price' }, '2 sticks; not proved to be the least.'],
    ])('%#', (more, said) => expect(planInWords(group(more))).toBe(said));
});
