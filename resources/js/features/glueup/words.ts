import { t } from '@lingui/core/macro';
import type { RunDay } from '../../api/types';
import { clockOf, minutesBetween, minutesInWords } from '../../drawing/day/times';

type Day = NonNullable<RunDay['day']>;

const dayOfTime = (time: string): string => time.slice(0, 10);

/** A time of day; with its date where it is another day than the beginning. */
const timeInWords = (time: string, begin: string): string =>
    dayOfTime(time) === dayOfTime(begin) ? clockOf(time) : t`${clockOf(time)} on ${dayOfTime(time)}`;

/** What the day comes to, in a sentence or three. */
export function dayInWords(day: Day): string {
    const begin = day.steps[0]?.from ?? '';
    return [
        day.earliest_test !== null && t`It can be tested from ${timeInWords(day.earliest_test, begin)}.`,
        t`Hands on: ${minutesInWords(day.hands_on_min)}.`,
        day.closed_from !== null &&
            day.open_again !== null &&
            t`Nobody flushes from ${timeInWords(day.closed_from, begin)} to ${timeInWords(day.open_again, begin)}.`,
    ]
        .filter(Boolean)
        .join(' ');
}

/** When somebody has nothing to join, in words. */
export function waitInWords(wait: Day['waits'][number], isAlone: boolean): string {
    const who = isAlone ? t`Nothing to join` : t`Nothing to join for person ${wait.who}`;
    const long = minutesInWords(minutesBetween(wait.from, wait.until));
    return t`${who} from ${clockOf(wait.from)} to ${clockOf(wait.until)}, ${long}: time to cut, hang or clear up.`;
}

/** Why a joint of the critical chain is made when it is. */
export function causeInWords(link: Day['critical'][number], day: Day, markOf: (joint: string) => string): string {
    const step = day.steps.find((one) => one.what === 'join' && one.joint === link.joint);
    const at = step ? t` at ${clockOf(step.from)}` : '';
    switch (link.cause) {
        case 'set':
            return t`Joint ${markOf(link.joint)}${at}: joint ${markOf(link.after ?? '')} has to set before it is moved.`;
        case 'hands':
            return t`Joint ${markOf(link.joint)}${at}: hands are on joint ${markOf(link.after ?? '')} until then.`;
        case 'release':
            return t`Joint ${markOf(link.joint)}${at}: the line is closed only then.`;
        default:
            return t`Joint ${markOf(link.joint)}${at}: the first, once everything was tried dry.`;
    }
}

/** Who holds what while a joint is made: `Person 1 keeps the tee still and brings piece B home.` */
export const handsInWords = ({ who, does }: RunDay['hands'][number], isOfTwo: boolean): string =>
    `${isOfTwo || who > 1 ? t`Person ${who}` : t`One person`} ${does}.`;
