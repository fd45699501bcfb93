import { describe, expect, it } from 'vitest';
import type { CuttingReport, JobDocument } from '../api/types';
import {
    addedUp,
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

describe('cuts that the server has not answered to', () => {
    const tape = (mm: number) => ({ mm, inch: '', metric: '' });
    const piece = (key: string, mm: number, then: CutPiece['then'], more: object = {}): CutPiece => {
        const known = { key, planned: tape(mm), now: tape(mm), moved_mm: 0, cut: false, long: null, from_face: null };
        return { ...known, then, ...more } as CutPiece;
    };
    const takes = (key: string, zero_mm: number, per_mm = -1) => ({
        within_mm: 0.05,
        taken: true,
        others: [{ key, zero_mm, per_mm }],
    });
    const lengths = (pieces: CutPiece[]): number[] => pieces.map((one) => Math.round(one.now.mm * 1000) / 1000);
    const run = () => [
        piece('a', 300, takes('c', 500)),
        piece('b', 200, takes('d', 400)),
        piece('c', 500, takes('a', 300), { long: tape(502) }),
        piece('d', 400, { within_mm: 0.05, taken: false, others: [] }),
    ];

    it('are added up by the form that was sent: nothing moves where it came out as it was laid out', () => {
        expect(addedUp(run(), {})).toMatchObject({ isHere: false, isOpen: false });
        expect(lengths(addedUp(run(), { a: 300.04 }).pieces)).toEqual([300.04, 200, 500, 400]);
        const longer = addedUp(run(), { a: 303.175 });
        expect(lengths(longer.pieces)).toEqual([303.175, 200, 496.825, 400]);
        expect(longer).toMatchObject({ isHere: true, isOpen: false });
        expect(longer.pieces[2]).toMatchObject({ now: { inch: '19 9/16' }, long: { inch: '19 5/8' } });
        expect(longer.pieces[2]?.moved_mm).toBeCloseTo(-3.175);
    });

    it('add up together where none takes up what the other left', () => {
        const both = addedUp(run(), { a: 303, b: 198 });
        expect(lengths(both.pieces)).toEqual([303, 198, 497, 402]);
        const [a, b, c, d] = run();
        const toOne = [a, { ...b, then: takes('c', 500) }, c, d] as CutPiece[];
        expect(lengths(addedUp(toOne, { a: 303, b: 202 }).pieces), 'both leave theirs to one').toEqual([
            303, 202, 495, 400,
        ]);
        expect(addedUp(run(), { a: 303, c: 500 }), 'the second one was to take it up').toMatchObject({ isOpen: true });
    });

    it('are not known where nothing takes one up, where it is many, and where one is taken back', () => {
        expect(addedUp(run(), { d: 401 }).isOpen).toBe(true);
        expect(addedUp(run(), { d: 400 }).isOpen).toBe(false);
        expect(addedUp([piece('a', 300, null)], { a: 300 }).isOpen).toBe(true);
        expect(addedUp([piece('a', 300, null, { cut: true })], {}).isOpen).toBe(true);
    });

    it('give what an earlier piece left to one to another', () => {
        const [a, b, c, d] = run();
        const moved = [a, b, { ...c, now: tape(495), then: takes('d', 405) }, d] as CutPiece[];
        expect(lengths(addedUp(moved, { c: 500 }).pieces)).toEqual([300, 200, 500, 405]);
    });
});
