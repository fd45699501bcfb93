import { t } from '@lingui/core/macro';
import { dayIn } from './locale';
import { twoDigits } from './twoDigits';

const dayOf = (at: Date): string => `${at.getFullYear()}-${twoDigits(at.getMonth() + 1)}-${twoDigits(at.getDate())}`;

/** A time as a clock in this place shows it: `09:40`; with the date, as the country writes it, on another day. */
export function localClock(time: string, today = new Date()): string {
    const at = new Date(time);
    const clock = `${twoDigits(at.getHours())}:${twoDigits(at.getMinutes())}`;
    return dayOf(at) === dayOf(today) ? clock : t`${clock} on ${dayIn(time)}`;
}
