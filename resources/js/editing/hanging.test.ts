import { describe, expect, it } from 'vitest';
import type { HangingReport, JobDocument } from '../api/types';
import {
    added,
    isAt,
    replaced,
    standing,
    faced,
    growthInWords,
    hangerInWords,
    hangingOf,
    moved,
    offInWords,
    stretches,
    withHanging,
    type HangerReport,
    type SpanReport,
} from './hanging';

const hanger = (number: number, leg: string, at: number, tape: number, level = true): HangerReport =>
    ({
        number,
        leg_id: leg,
        at: { mm: at },
        tape_mm: tape,
        kind: 'joist',
        why: 'turn',
        clear: true,
        below_string: level ? { mm: 100 } : null,
    }) as unknown as HangerReport;
const span = (from: number, to: number): SpanReport =>
    ({ from_tape_mm: from, to_tape_mm: to }) as unknown as SpanReport;
const job = (hanging?: object[]): JobDocument =>
    ({ runs: [], ...(hanging ? { hanging } : {}) }) as unknown as JobDocument;

describe('what was decided of a run', () => {
    it('is nothing at first, and stands beside that of others', () => {
        expect(hangingOf(job(), 'a')).toEqual({ run: 'a' });
        const one = withHanging(job([{ run: 'b', swing_c: 5 }]), 'a', { string_mm: 90 });
        expect(one.hanging).toEqual([
            { run: 'b', swing_c: 5 },
            { run: 'a', string_mm: 90 },
        ]);
        expect(withHanging(one, 'a', { swing_c: 20 }).hanging?.[1]).toEqual({ run: 'a', string_mm: 90, swing_c: 20 });
    });
    it('goes when nothing is left of it', () => {
        expect(withHanging(job([{ run: 'a', own: [] }]), 'a', { own: undefined }).hanging).toEqual([]);
    });
});

describe('hangers set by hand', () => {
    const two = [hanger(1, 'l1', 300, 300), hanger(2, 'l2', 200, 1200)];
    it('are those that are reckoned, until one is set', () => {
        expect(standing(job(), 'a', two)).toEqual([
            { leg: 'l1', at_mm: 300 },
            { leg: 'l2', at_mm: 200 },
        ]);
        expect(standing(job([{ run: 'a', own: [{ leg: 'l1', at_mm: 5 }] }]), 'a', two)).toEqual([
            { leg: 'l1', at_mm: 5 },
        ]);
    });
    it('move along their leg, and not off its ends', () => {
        expect(moved({ leg: 'l2', at_mm: 200 }, 12.7, 900)).toEqual({ leg: 'l2', at_mm: 212.7 });
        expect(moved({ leg: 'l2', at_mm: 200 }, -500, 900)).toEqual({ leg: 'l2', at_mm: 0 });
        expect(moved({ leg: 'l2', at_mm: 895 }, 12.7, 900)).toEqual({ leg: 'l2', at_mm: 900 });
    });
    it('are told apart by leg and place', () => {
        expect(isAt({ leg: 'l1', at_mm: 300 }, { leg: 'l1', at_mm: 300.2 })).toBe(true);
        expect(isAt({ leg: 'l1', at_mm: 300 }, { leg: 'l2', at_mm: 300 })).toBe(false);
        expect(isAt({ leg: 'l1', at_mm: 300 }, { leg: 'l1', at_mm: 312.7 })).toBe(false);
    });
    it('pass one another without taking it along', () => {
        const [one, other] = [
            { leg: 'l1', at_mm: 300 },
            { leg: 'l1', at_mm: 400 },
        ];
        expect(replaced([one, one, other], one, { leg: 'l1', at_mm: 312.7 })).toEqual([
            { leg: 'l1', at_mm: 312.7 },
            one,
            other,
        ]);
        expect(replaced([one, one, other], one, null)).toEqual([one, other]);
        expect(replaced([one], other, null)).toEqual([one]);
    });
    it('come in between, on the leg that the middle lies on, and once', () => {
        // Leg 1 ends at 1000: the middle, 750, lies on it; of a span from 900 to 1300 it lies on the next.
        const one = added(standing(job(), 'a', two), two, span(300, 1200));
        expect(one.at(-1)).toEqual({ leg: 'l1', at_mm: 750 });
        expect(added(one, two, span(300, 1200))).toHaveLength(3);
        const late = [hanger(1, 'l1', 900, 900), hanger(2, 'l2', 300, 1300)];
        expect(added([], late, span(900, 1300)).at(-1)).toEqual({ leg: 'l2', at_mm: 100 });
    });
});

it('one string serves the level hangers until the pipe goes up or down', () => {
    const report = {
        hangers: [
            hanger(1, 'l1', 300, 300),
            hanger(2, 'l1', 900, 900),
            hanger(3, 'l2', 0, 1500, false),
            hanger(4, 'l3', 10, 2000),
            hanger(5, 'l3', 600, 2600),
        ],
        spans: [span(300, 900), span(2000, 2600)],
    } as unknown as HangingReport;
    expect(stretches(report).map((group) => group.map((one) => one.number))).toEqual([
        [1, 2],
        [4, 5],
    ]);
});

it('says what it hangs from and why it is there', () =>
    expect(hangerInWords(hanger(1, 'l1', 0, 0))).toBe('from the joist, beside the turn'));

describe('what is read at a hanger', () => {
    it.each([
        [0.2, 'as it has to'],
        [3.2, '1/8 in too low'],
        [-6.4, '1/4 in too high'],
    ])('hangs %d mm off', (off, said) => expect(offInWords(off, 'inch')).toBe(said));
});

it('places on a leg are measured from one face, or from none', () => {
    const wall = faced({ run: 'a' }, 'l1', 'the wall', 250);
    expect(wall).toEqual([{ leg: 'l1', name: 'the wall', before_mm: 250 }]);
    expect(faced({ run: 'a', faces: wall }, 'l1', 'the beam', -30)).toEqual([
        { leg: 'l1', name: 'the beam', before_mm: -30 },
    ]);
    expect(faced({ run: 'a', faces: wall }, 'l2', 'the beam', 0)).toHaveLength(2);
    expect(faced({ run: 'a', faces: wall }, 'l1', '', 0)).toBeUndefined();
});

describe('where it grows to', () => {
    const words = (mm: number): string => `${mm} mm`;
    const end = (more: object) =>
        growthInWords(
            {
                way: 'down',
                move: { mm: 4 },
                into: 'turn',
                leg: 2,
                free: { mm: 305 },
                hanger: 5,
                newton: 245,
                ...more,
            } as never,
            words,
            'mm',
        );
    it.each([
        [{}, '4 mm downstream, and bends leg 2; hanger 5, 305 mm from the turn, is pushed aside with about 25 kg'],
        [{ newton: null }, '4 mm downstream, and bends leg 2; hanger 5, 305 mm from the turn, is pushed aside'],
        [{ free: { mm: 0 }, newton: null }, '4 mm downstream, and bends leg 2; hanger 5, at the turn, is pushed aside'],
        [{ hanger: null }, '4 mm downstream, and bends leg 2'],
        [
            { newton: 5 },
            '4 mm downstream, and bends leg 2; hanger 5, 305 mm from the turn, is pushed aside with less than 1 kg',
        ],
        [{ into: 'outlet', way: 'up' }, '4 mm upstream, at the outlet'],
        [{ into: 'allowance' }, '4 mm downstream, into what lets it grow'],
        [{ into: 'joints' }, 'each seal takes up what its own piece grows'],
    ])('%j', (more, said) => expect(end(more)).toBe(said));
});

it('a hanger says what it holds and whether it is braced', () => {
    const one = { ...hanger(1, 'l1', 300, 300), hold: 'fast', braced: true } as HangerReport;
    expect(hangerInWords(one)).toBe('from the joist, beside the turn; holds it fast; braced against sway');
    expect(hangerInWords({ ...one, hold: 'slides', braced: false, kind: 'clamp', why: 'floor' })).toBe(
        'clamped, standing on the floor, where it goes through the floor',
    );
});
