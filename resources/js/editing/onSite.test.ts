import { describe, expect, it } from 'vitest';
import type { LogEntry } from '../api/types';
import type { CutPiece } from './cutting';
import { inPlaceOf, levelled, measured, onSite, printed, ticked, unticked } from './onSite';
import type { Happened, Pending } from './waiting';

const entries = (...events: Happened[]): LogEntry[] =>
    events.map(({ kind, ...said }, n) => ({ number: n + 1, kind, said }) as unknown as LogEntry);
const waiting = (...events: Happened[]): Pending[] =>
    events.map((event, n) => ({ ...event, key: `key-${n}`, at: 0, by: 'me' }));
const tee = { od_mm: 48.4, reading_error_mm: 0.8 };

describe('what stands of a piece', () => {
    it('is what was said last, here or elsewhere, whether it has arrived or not', () => {
        const arrived = entries(ticked('a', 'l1.1', 500), ticked('a', 'l2.1', 70), ticked('a', 'l1.1', 503));
        expect(onSite(arrived, []).cut).toEqual({ a: { 'l1.1': 503, 'l2.1': 70 } });
        expect(onSite(arrived, waiting(unticked('a', 'l1.1'), ticked('b', 'l1.1', 9))).cut).toEqual({
            a: { 'l2.1': 70 },
            b: { 'l1.1': 9 },
        });
    });
    it('is what was said before where an entry is taken back', () => {
        const arrived = entries(ticked('a', 'l1.1', 500), ticked('a', 'l1.1', 503), { kind: 'taken-back', entry: 2 });
        expect(onSite(arrived, []).cut).toEqual({ a: { 'l1.1': 500 } });
    });
});

it('what stands of a pipe is all that was read of it, until nothing does', () => {
    const arrived = entries(measured('tee', tee), measured('tee', { ...tee, magnet: true }));
    expect(onSite(arrived, []).measured).toEqual({ tee: { ...tee, magnet: true } });
    expect(onSite(arrived, waiting(measured('tee', undefined))).measured).toEqual({});
});

it('is of another version with every entry that the server has, and with no other', () => {
    const arrived = entries(ticked('a', 'l1.1', 500), { kind: 'note', note: 'Rain.' });
    expect(onSite(arrived, waiting(ticked('a', 'l2.1', 9))).version).toBe(1);
    expect(onSite([...arrived, { ...arrived[0], number: 3 } as LogEntry], []).version).toBe(3);
});

it('speaks of runs that are gone too, so that a new run takes none of their ids', () => {
    const arrived = entries(
        ticked('a', 'l1.1', 500),
        { kind: 'joint', run: 'b', joint: 1 },
        { kind: 'note', note: 'x' },
    );
    expect(onSite(arrived, waiting(unticked('c', 'l1.1'), ticked('a', 'l2.1', 4))).runs).toEqual(['a', 'b', 'c']);
});

describe('what is said', () => {
    it('names the entry in whose place it stands', () => {
        const arrived = entries(
            ticked('a', 'l1.1', 500),
            levelled('a', { leg: 'l1', at_mm: 300 }, 101),
            measured('tee', tee),
        );
        expect(inPlaceOf(unticked('a', 'l1.1'), arrived)).toEqual({ kind: 'cut', run: 'a', piece: 'l1.1', entry: 1 });
        expect(inPlaceOf(ticked('b', 'l1.1', 9), arrived)).not.toHaveProperty('entry');
        expect(inPlaceOf(levelled('a', { leg: 'l1', at_mm: 300.2 }, null), arrived).entry).toBe(2);
        expect(inPlaceOf(levelled('a', { leg: 'l1', at_mm: 900 }, 88), arrived)).not.toHaveProperty('entry');
        expect(inPlaceOf(measured('tee', undefined), arrived)).toEqual({ kind: 'measured', standing: 'tee', entry: 3 });
        expect(inPlaceOf({ kind: 'note', note: 'Rain.' }, arrived)).toEqual({ kind: 'note', note: 'Rain.' });
    });
    it('of a ticket is each of its pieces, as long as it is on the paper', () => {
        const piece = { key: 'l1.1', letter: 'A', now: { mm: 412.5 } } as unknown as CutPiece;
        expect(printed('a', '2026-11-25', [piece])).toEqual({
            kind: 'printed',
            run: 'a',
            on: '2026-11-25',
            pieces: { 'l1.1': 412.5 },
            letters: { 'l1.1': 'A' },
        });
    });
});
