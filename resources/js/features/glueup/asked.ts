import { t } from '@lingui/core/macro';
import type { DayAsked } from '../../api/queries';
import { dayOf } from '../../editing';
import { zoneOf } from '../../api/zone';

/** What is said of a day: how many work, when it begins, and when the house can do without its line. */
export interface Said {
    people: 1 | 2;
    /** as a field for a day and a time holds it: `2026-11-25T08:00` */
    start: string;
    /** times of that day, `09:00`; empty: it does not matter when */
    from: string;
    until: string;
}

/** A day of work begins at eight where nobody says else. */
export const usual = (today: Date): Said => ({ people: 1, start: `${dayOf(today)}T08:00`, from: '', until: '' });

/** A day and a time of this device, with the zone that it has then: `2026-11-25T08:00:00+01:00`. */
export function withZone(local: string): string {
    return `${local}:00${zoneOf(new Date(local))}`;
}

/** What is asked of the server; what is wrong with what was said where it cannot be asked. */
export function asked(said: Said): DayAsked | { problem: string } {
    if (Number.isNaN(Date.parse(said.start))) return { problem: t`Say on which day and at what time it begins.` };
    const day = said.start.slice(0, 10);
    const one = { people: said.people, start: withZone(said.start) };
    if (said.from === '' && said.until === '') return one;
    if (said.from === '' || said.until === '') return { problem: t`Say from when and until when the line is closed.` };
    if (said.until <= said.from) return { problem: t`The line is opened later than it is closed, on the same day.` };
    return {
        ...one,
        closed_to_house: { from: withZone(`${day}T${said.from}`), until: withZone(`${day}T${said.until}`) },
    };
}
