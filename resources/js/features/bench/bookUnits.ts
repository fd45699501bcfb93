import { t } from '@lingui/core/macro';
import type { Units } from '../../api/types';
import { PSI_KPA, US_GALLON_L, US_OUNCE_ML } from '../../shared/quantities';

/** How a number of a book is shown and read in a unit: as it is kept, times a factor, and over. */
interface Shown {
    unit: string;
    times: number;
    over: number;
}

const asKept = (unit: string): Shown => ({ unit, times: 1, over: 0 });

const METRIC: Record<string, Shown> = {
    mm_per_m: asKept(t`mm per m`),
    c: asKept('°C'),
    l_per_s: asKept('l/s'),
    l_per_m: asKept('l/m'),
    m_per_s: asKept('m/s'),
    nominal_mm: asKept(t`mm, nominal`),
    'mm outside': asKept(t`mm outside`),
};

const OF_INCHES: Record<string, Shown> = {
    mm: { unit: 'in', times: 1 / 25.4, over: 0 },
    nominal_mm: { unit: t`in, nominal`, times: 1 / 25.4, over: 0 },
    'mm outside': { unit: t`in outside`, times: 1 / 25.4, over: 0 },
    mm_per_m: { unit: t`in per ft`, times: 12 / 1000, over: 0 },
    c: { unit: '°F', times: 1.8, over: 32 },
    kPa: { unit: 'psi', times: 1 / PSI_KPA, over: 0 },
    l_per_s: { unit: 'gpm', times: 60 / US_GALLON_L, over: 0 },
    m_per_s: { unit: 'ft/s', times: 1 / 0.3048, over: 0 },
    ml: { unit: 'fl oz', times: 1 / US_OUNCE_ML, over: 0 },
};

/** The unit that a number of a book is said in, by the units of the book. */
export function shownIn(unit: string, units: Units): Shown {
    const found = (units === 'inch' ? OF_INCHES[unit] : undefined) ?? METRIC[unit];
    return found ?? asKept(unit.replaceAll('_', ' '));
}

/** As it stands in the field: to the fourth place, without noughts behind it. */
export const shownValue = (value: number, { times, over }: Shown): string =>
    String(Number((value * times + over).toFixed(4)));

/** As it is kept; a number that was not changed is kept as it was. */
export function keptValue(text: string, shown: Shown, before: number | null): number {
    if (before !== null && text === shownValue(before, shown)) return before;
    return (Number(text) - shown.over) / shown.times;
}
