import { describe, expect, it } from 'vitest';
import type { HangingReport, JobDocument } from '../../api/types';
import { added, hangerInWords, hangingOf, moved, stretches, withHanging, type HangerReport, type SpanReport } from './hanging';

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
const span = (from: number, to: number): SpanReport => ({ from_tape_mm: from, to_tape_mm: to }) as unknown as SpanReport;
const job = (hanging?: object[]): JobDocument => ({ runs: [], ...(hanging ? { hanging } : {}) }) as unknown as JobDocument;

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
    it('move along their leg, and not off its upper end', () => {
        expect(moved(two, 2, 12.7)).toEqual([
            { leg: 'l1', at_mm: 300 },
            { leg: 'l2', at_mm: 212.7 },
        ]);
        expect(moved(two, 2, -500)[1]).toEqual({ leg: 'l2', at_mm: 0 });
    });
    it('come in between, on the leg that the middle lies on', () => {
        // Leg 1 ends at 1000: the middle, 750, lies on it; of a span from 900 to 1300 it lies on the next.
        expect(added(two, span(300, 1200)).at(-1)).toEqual({ leg: 'l1', at_mm: 750 });
        const late = [hanger(1, 'l1', 900, 900), hanger(2, 'l2', 300, 1300)];
        expect(added(late, span(900, 1300)).at(-1)).toEqual({ leg: 'l2', at_mm: 100 });
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
