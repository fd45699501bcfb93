import { t } from '@lingui/core/macro';
import type { TestMethod, Units } from '../../api/types';
import { lengthInWords, smallInWords } from '../../shared/lengths';
import { litresInWords, pressureInWords, PSI_KPA, US_GALLON_L } from '../../shared/quantities';

type Read = Pick<TestMethod, 'kind' | 'unit'>;

/** The unit in which a gauge is read in a job. */
export function unitOf({ unit }: Read, units: Units): string {
    if (units === 'mm') return unit;
    if (unit === 'kPa') return 'psi';
    return unit === 'l' ? 'gal' : unit.replace('mm', 'in');
}

/** A number as a gauge or a rule says it: `38`, `1.5`, `1/8`, `1 1/8`; null where it is none. */
export function numberOf(text: string): number | null {
    const match = /^(\d+(?:[.,]\d+)?)?(?:(?:^| )(\d+)\/(\d+))?$/.exec(text.trim());
    if (!match || text.trim() === '' || match[3] === '0') return null;
    const [, whole, over, under] = match;
    return Number((whole ?? '0').replace(',', '.')) + (over && under ? Number(over) / Number(under) : 0);
}

/** What was read, in the unit of the log; a level is said by how far it fell. Null: no number. */
export function valueOf(text: string, method: Read, units: Units): number | null {
    const number = numberOf(text);
    if (number === null) return null;
    const factor = units === 'mm' ? 1 : method.unit === 'kPa' ? PSI_KPA : method.unit === 'l' ? US_GALLON_L : 25.4;
    return (method.kind === 'water' && number !== 0 ? -1 : 1) * number * factor;
}

/** A reading or a loss in words. */
export function saidValue(value: number, method: Read, units: Units): string {
    if (method.unit === 'kPa') return pressureInWords(value, units);
    if (method.unit === 'l') return litresInWords(value, units);
    if (method.kind !== 'water') return t`${lengthInWords(value, units)} of water`;
    return value === 0 ? t`at its mark` : t`${smallInWords(Math.abs(value), units)} below its mark`;
}

/** What is asked for, as a field is called. */
export function askedFor(method: Read, units: Units): string {
    const unit = unitOf(method, units);
    if (method.kind === 'water') return t`The level has fallen by (${unit})`;
    return method.unit === 'l' ? t`Topped up so far (${unit})` : t`The gauge shows (${unit})`;
}
