import { describe, expect, it } from 'vitest';
import type { CuttingReport, JobDocument } from '../api/types';
import {
    changeInWords,
    dayOf,
    gapInWords,
    isBetter,
    otherEnds,
    planInWords,
    sincePrinted,
    stocked,
    tightInWords,
    usualEnd,
    type CutPiece,
} from './cutting';

const job = (cutting?: object): JobDocument =>
    ({ runs: [], ...(cutting ? { cutting } : {}) }) as unknown as JobDocument;

it('what there is of one pipe leaves the others alone', () => {
    const one = stocked(job(), 'pvc', '2', [{ length_mm: 900, available: 1 }]);
    const two = stocked(one, 'pvc', '3', [{ length_mm: 3048, price: 9.5 }]);
    expect(stocked(two, 'pvc', '2', []).cutting?.stock).toEqual([
        { system: 'pvc', size: '3', length_mm: 3048, price: 9.5 },
    ]);
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
        [
            { optimal: false, objective: 'price', used: 21, bound: 19.5 },
            '2 sticks, 21.00; at least 19.50 it takes, between the two not everything was tried.',
        ],
        [{ objective: 'length', used: 6096 }, '2 sticks, 6.10 m of pipe: no plan takes less.'],
    ])('%#', (more, said) => expect(planInWords(group(more), 'mm')).toBe(said));
});

describe('what was printed', () => {
    const piece = (key: string, mm: number, more: object = {}): CutPiece =>
        ({
            key,
            letter: key.toUpperCase(),
            now: { mm },
            since: null,
            printed: null,
            ends: [],
            ...more,
        }) as unknown as CutPiece;
    it('is held against what there is now', () => {
        const words = (mm: number): string => `${mm} mm`;
        expect(sincePrinted(piece('x', 500), '2026-11-25', words)).toBeNull();
        expect(sincePrinted(piece('x', 500, { since: 'same' }), '2026-11-25', words)).toBeNull();
        expect(sincePrinted(piece('x', 500, { since: 'new' }), '2026-11-25', words)).toBe(
            'not on the ticket of 2026-11-25',
        );
        expect(sincePrinted(piece('x', 500, { since: 'other', printed: { mm: 490 } }), '2026-11-25', words)).toBe(
            'on the ticket of 2026-11-25 it was 490 mm',
        );
    });
    it('carries the day of the place where it is printed', () =>
        expect(dayOf(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05'));
});

it('what most ends want is said once, the others at their joints', () => {
    const pieces = [
        { ends: ['square', 'square'] },
        { ends: ['square', 'bevelled'] },
        { ends: ['', ''] },
    ] as unknown as CutPiece[];
    expect(usualEnd(pieces)).toBe('square');
    expect(usualEnd([])).toBe('');
    expect(otherEnds(['square', 'bevelled'], ['7.3', '7.4'], 'square')).toEqual(['joint 7.4: bevelled']);
    expect(otherEnds(['', 'square'], ['7.3', '7.4'], 'square')).toEqual([]);
    expect(otherEnds(['square', ''], ['7.3', undefined], 'square')).toEqual(['what follows is not called out yet']);
});

describe('looking longer', () => {
    const plan = (...groups: [number, number, boolean][]) =>
        ({
            groups: groups.map(([used, bound, optimal]) => ({
                letters: 'PVC',
                size: '2',
                objective: 'price',
                used,
                bound,
                optimal,
            })),
        }) as never;
    it('is worth it where less is used, or more is proved', () => {
        expect(isBetter(plan([6, 6, true]), plan([7, 6, false]))).toBe(true);
        expect(isBetter(plan([7, 7, true]), plan([7, 6, false]))).toBe(true);
        expect(isBetter(plan([7, 6, false]), plan([7, 6, false]))).toBe(false);
        expect(isBetter(plan([8, 8, true]), plan([7, 6, false]))).toBe(false);
    });
    it('says how far it may still be off', () => {
        expect(gapInWords(plan([7, 5.2, false], [3, 3, true]), 'inch')).toBe('PVC 2: 7.00, at least 5.20.');
        expect(gapInWords(plan([3, 3, true]), 'inch')).toBe('No plan takes less.');
    });
});

describe('a stick', () => {
    it('is called tight where it may not hold its pieces, and said how often', () => {
        expect(tightInWords({ tight: false, enough: 0.995 })).toBeNull();
        expect(tightInWords({ tight: true, enough: 0.96 })).toBe(
            'Tight: the last piece comes out short about once in 25 times. Measure the stick before the first cut.',
        );
        expect(tightInWords({ tight: true, enough: 0.5 })).toContain('short as often as not.');
    });
});
