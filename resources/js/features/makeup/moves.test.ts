import { describe, expect, it } from 'vitest';
import type { JobDocument, JobMove } from '../../api/types';
import { askedOf } from './EndsForm';
import { freeMoveId, given, movesOf, ownNumbers, withMove, withoutMove } from './moves';

const move = (id: string, run: string, name = id): JobMove => ({
    id,
    kind: 'cut-in',
    run,
    name,
    values: { centre_mm: 700 },
});
const job = (...moves: JobMove[]): JobDocument => ({ runs: [], moves }) as unknown as JobDocument;

describe('kept moves', () => {
    it('are those of the run', () => {
        expect(movesOf(job(move('m1', 'a'), move('m2', 'b')), 'b').map((one) => one.id)).toEqual(['m2']);
        expect(movesOf({ runs: [] } as unknown as JobDocument, 'b')).toEqual([]);
    });
    it('get an id that is free', () => {
        expect(freeMoveId({ runs: [] } as unknown as JobDocument)).toBe('m1');
        expect(freeMoveId(job(move('m2', 'a')))).toBe('m3');
        expect(freeMoveId(job(move('m2', 'a'), move('m1', 'a')))).toBe('m3');
    });
    it('are put in place of themselves, or last, and taken out', () => {
        const two = job(move('m1', 'a'), move('m2', 'a'));
        expect(withMove(two, move('m1', 'a', 'again')).moves?.map((one) => one.name)).toEqual(['again', 'm2']);
        expect(withMove(two, move('m3', 'a')).moves?.map((one) => one.id)).toEqual(['m1', 'm2', 'm3']);
        expect(withoutMove(two, 'm1').moves?.map((one) => one.id)).toEqual(['m2']);
        expect(two.moves).toHaveLength(2);
    });
    it('hold what was given and nothing else', () => {
        expect(given<{ a?: number; b?: number; c?: string; d?: boolean }>({ a: 0, b: null, c: '', d: false })).toEqual({
            a: 0,
            d: false,
        });
    });
});

describe('what is asked', () => {
    it('by two legs', () =>
        expect(askedOf('r', { values: { from_leg: 'l1', to_leg: 'l3', max_bends: 2 } })).toEqual({
            run: 'r',
            from_leg: 'l1',
            max_bends: 2,
            to: { leg: 'l3' },
        }));
    it('by what was measured, with what stands in the way', () => {
        const box = {
            what: 'joist',
            along_from_mm: 1,
            along_to_mm: 2,
            over_from_mm: 3,
            over_to_mm: 4,
            up_from_mm: 5,
            up_to_mm: 6,
        };
        const values = { along_mm: 9, down_mm: 8, turn_deg: 30, fall_mm_per_m: 20, clearance_mm: 0 };
        expect(askedOf('r', { values, obstacles: [box] })).toEqual({
            run: 'r',
            clearance_mm: 0,
            obstacles: [box],
            to: { along_mm: 9, over_mm: 0, down_mm: 8, turn_deg: 30, fall_mm_per_m: 20 },
        });
    });
    it('straight down takes no fall', () =>
        expect(askedOf('r', { values: { along_mm: 9, plumb: true, fall_mm_per_m: 20 } }).to).not.toHaveProperty(
            'fall_mm_per_m',
        ));
});

it('a single reckoner takes the numbers of the job, and those of the moment last', () => {
    const own = { table: 't', row: 'r', field: 'run_in_mm', value: 5 };
    const document = { overrides: { catalogue: [own], rulebook: [], rows: [] } } as unknown as JobDocument;
    expect(ownNumbers(document, [{ ...own, value: 7 }]).overrides.catalogue?.map((one) => one.value)).toEqual([5, 7]);
    expect(ownNumbers({} as unknown as JobDocument)).toEqual({ overrides: { catalogue: [], rulebook: [], rows: [] } });
});
