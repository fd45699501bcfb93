import { t } from '@lingui/core/macro';
import type { Units } from '../api/types';

/** A length as it is typed into a field: inches to the sixteenth, or millimetres to the tenth. */
export function saidLength(mm: number, units: Units): string {
    if (units === 'mm') return String(Math.round(mm * 10) / 10);
    const marks = Math.round((mm / 25.4) * 16);
    const [whole, over] = [Math.trunc(marks / 16), Math.abs(marks % 16)];
    if (over === 0) return String(whole);
    const under = over % 8 === 0 ? 2 : over % 4 === 0 ? 4 : over % 2 === 0 ? 8 : 16;
    return `${whole === 0 ? '' : `${whole} `}${over / (16 / under)}/${under}`;
}

/** A length in a sentence: `22 1/16 in`, `560 mm`. */
export function lengthInWords(mm: number, units: Units): string {
    return units === 'inch' ? `${saidLength(mm, units)} in` : `${Math.round(mm)} mm`;
}

/** A long length in a sentence, to the inch or the centimetre: `10 ft 8 in`, `3.25 m`. */
export function runInWords(mm: number, units: Units): string {
    if (units === 'mm') return `${(mm / 1000).toFixed(2)} m`;
    const inches = Math.round(mm / 25.4);
    const [feet, over] = [Math.trunc(inches / 12), Math.abs(inches % 12)];
    return feet === 0 ? `${inches} in` : `${feet} ft${over === 0 ? '' : ` ${over} in`}`;
}

/**
 * A small length in a sentence: in millimetres with a tenth; of an inch, what is under half a sixteenth nobody reads on
 * a tape.
 */
export function smallInWords(mm: number, units: Units): string {
    if (units === 'inch') return Math.abs(mm) < 0.8 ? 'under 1/32 in' : lengthInWords(mm, units);
    if (Math.abs(mm) < 0.05) return 'under 0.1 mm';
    return Math.abs(mm) < 10 ? `${mm.toFixed(1)} mm` : lengthInWords(mm, units);
}

/** How far off a length may be, up to the next mark of a tape where it is over by a quarter of one: `1/16 in`. */
export function withinInWords(mm: number, units: Units): string {
    const step = units === 'inch' ? 25.4 / 16 : 1;
    return lengthInWords(Math.max(1, Math.ceil(mm / step - 0.25)) * step, units);
}

/** A fall in its units: `1/4 in per ft` where a sixteenth says it, else `0.148 in per ft`; `20.8 mm per m`. */
export function fallInWords(mmPerM: number, units: Units): string {
    if (units === 'mm') return t`${mmPerM.toFixed(1)} mm per m`;
    const inches = (mmPerM * 12) / 1000;
    const isRound = Math.abs(inches * 16 - Math.round(inches * 16)) < 0.01 * inches * 16;
    return t`${isRound ? saidLength(inches * 25.4, units) : inches.toFixed(3)} in per ft`;
}
