import { expect, it } from 'vitest';
import { clockToTheSecond, later, minutesBetween, minutesInWords, tickEvery } from './times';

it('says a time as it stands where the job is, and seconds where there are some', () => {
    expect(clockToTheSecond('2026-11-25T09:40:00+01:00')).toBe('09:40');
    expect(clockToTheSecond('2026-11-25T09:40:12-05:00')).toBe('09:40:12');
});

it('goes on in the same zone, over midnight too', () => {
    expect(later('2026-11-25T23:50:00-05:00', 20)).toBe('2026-11-26T00:10:00-05:00');
    expect(later('2026-11-25T23:50:00+05:30', 20)).toBe('2026-11-26T00:10:00+05:30');
    expect(later('2026-11-25T08:00:00Z', 90)).toBe('2026-11-25T09:30:00Z');
    expect(minutesBetween('2026-11-25T23:50:00-05:00', '2026-11-26T00:10:00-05:00')).toBe(20);
});

it('says how long in hours and minutes', () => {
    expect([0, 35, 60, 100, 1500].map(minutesInWords)).toEqual(['0 min', '35 min', '1 h', '1 h 40 min', '25 h']);
});

it('marks no more hours than can be read', () => {
    for (const minutes of [3, 40, 125, 600, 3000, 9000]) expect(minutes / tickEvery(minutes)).toBeLessThanOrEqual(9);
    expect(tickEvery(125)).toBe(15);
});
