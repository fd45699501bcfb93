import { t } from '@lingui/core/macro';
import type { JointMethod } from '../../api/types';

/** Minutes as people plan by them: `30 min`, `1 h 30 min`, `3 days`. */
export function minutesInWords(minutes: number): string {
    const whole = Math.ceil(minutes - 1e-9);
    if (whole >= 2880 && whole % 1440 === 0) return t`${whole / 1440} days`;
    if (whole < 60) return `${whole} min`;
    const rest = whole % 60;
    return `${Math.floor(whole / 60)} h${rest === 0 ? '' : ` ${rest} min`}`;
}

/** When water may first run through it. */
export function waterInWords(method: Pick<JointMethod, 'times'>): string {
    const { first_water: when, cure_min: cure } = method.times;
    if (when === 'at-once') return t`at once`;
    if (when === 'when-packed') return t`when packed`;
    return cure === null ? t`no table says` : t`after ${minutesInWords(cure)}`;
}
