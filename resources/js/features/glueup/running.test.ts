import { expect, it } from 'vitest';
import type { LogEntry } from '../../api/types';
import { timeLeft } from '../../shared/timeLeft';
import { entryOf, running } from './running';

const at = (minutes: number): string => new Date(minutes * 60_000).toISOString();

it('sorts the clocks by what ends next, and lets go of those that are over', () => {
    const made = [
        { joint: '1', at: at(0), may_move: at(30), may_fill: at(90) },
        { joint: '2', at: at(5), may_move: at(35), may_fill: at(35) },
        { joint: '3', at: at(6), may_move: null, may_fill: null },
    ];
    const said = (minutes: number): string[] =>
        running(made, minutes * 60_000).map((clock) => `${clock.joint} ${clock.what}`);
    expect(said(10)).toEqual(['1 move', '2 move', '1 fill']);
    expect(said(30)).toEqual(['2 move', '1 fill']);
    expect(said(90)).toEqual([]);
});

it('shows what is left to the second that is begun', () => {
    expect([0, 1, 999, 1_000, 61_000, 3_600_000, 5_407_000].map(timeLeft)).toEqual([
        '0:00',
        '0:01',
        '0:01',
        '0:01',
        '1:01',
        '1:00:00',
        '1:30:07',
    ]);
});

it('finds the entry of a joint, the last that was not taken back', () => {
    const one = (number: number, other: Partial<LogEntry> = {}): LogEntry =>
        ({ number, kind: 'joint', run: 'r', joint: 2, entry: null, ...other }) as LogEntry;
    expect(entryOf([one(1), one(2)], 'r', '2')?.number).toBe(2);
    expect(entryOf([one(1), one(2), one(3, { kind: 'taken-back', entry: 2 })], 'r', '2')?.number).toBe(1);
    expect(entryOf([one(1, { run: 'other' }), one(2, { kind: 'dry-fit' })], 'r', '2')).toBeUndefined();
});
