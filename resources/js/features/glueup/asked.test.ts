import { describe, expect, it } from 'vitest';
import { jointMark } from '../../shared/marks';
import { asked, usual, withZone } from './asked';
import { causeInWords, dayInWords } from './words';

const said = usual(new Date(2026, 10, 25, 17, 3));

describe('what is asked of a day', () => {
    it('begins at eight of this day with one, where nobody says else', () => {
        expect(said).toEqual({ people: 1, start: '2026-11-25T08:00', from: '', until: '' });
        expect(asked(said)).toEqual({ people: 1, start: withZone('2026-11-25T08:00') });
    });

    it('names the zone that the device has on that day', () => {
        expect(Date.parse(withZone('2026-07-01T09:40'))).toBe(new Date(2026, 6, 1, 9, 40).getTime());
        expect(withZone('2026-07-01T09:40')).toMatch(/^2026-07-01T09:40:00[+-]\d{2}:\d{2}$/);
    });

    it('takes when the line is closed on the day on which it begins', () => {
        expect(asked({ ...said, from: '09:00', until: '10:15' })).toMatchObject({
            closed_to_house: { from: withZone('2026-11-25T09:00'), until: withZone('2026-11-25T10:15') },
        });
    });

    it('asks nothing by half, or of a line that is opened before it is closed', () => {
        for (const half of [
            { ...said, from: '09:00' },
            { ...said, until: '09:00' },
            { ...said, from: '10:00', until: '10:00' },
            { ...said, start: '' },
        ])
            expect(asked(half)).toHaveProperty('problem');
    });
});

const day = {
    steps: [
        {
            joint: '1',
            what: 'join' as const,
            who: [1],
            from: '2026-11-25T08:02:00+01:00',
            until: '2026-11-25T08:05:30+01:00',
            push_by: null,
            hold_until: null,
            may_move: null,
            may_fill: null,
        },
    ],
    waits: [],
    closed_from: '2026-11-25T08:02:00+01:00',
    open_again: '2026-11-25T08:35:00+01:00',
    hands_on_min: 63.5,
    earliest_test: '2026-11-26T00:10:00+01:00',
    critical: [],
    bound: null,
    optimal: true,
};

describe('a day in words', () => {
    it('says when it can be tested, with the date where that is another day', () => {
        expect(dayInWords(day)).toBe(
            'It can be tested from 00:10 on 2026-11-26. Hands on: 1 h 4 min. Nobody flushes from 08:02 to 08:35.',
        );
        expect(dayInWords({ ...day, closed_from: null, earliest_test: null })).toBe('Hands on: 1 h 4 min.');
    });

    it('says what each joint waits for', () => {
        const of = (cause: 'start' | 'set' | 'hands' | 'release'): string =>
            causeInWords({ joint: '1', cause, after: '7' }, day, (joint) => jointMark(12, joint));
        expect(of('set')).toBe('Joint 12.1 at 08:02: joint 12.7 has to set before it is moved.');
        expect(of('hands')).toBe('Joint 12.1 at 08:02: hands are on joint 12.7 until then.');
        expect(of('release')).toContain('closed only then');
        expect(of('start')).toContain('tried dry');
    });
});
