import { t } from '@lingui/core/macro';
import type { FittingReport, Tape } from '../api/types';

/** How a bend is rolled, in words; nothing for what has no roll. */
export function rolledInWords(fitting: Pick<FittingReport, 'roll_deg'>): string {
    const { roll_deg: roll } = fitting;
    if (roll === null) return '';
    const deg = Math.round(Math.abs(roll));
    if (deg === 0) return t`turns the same way`;
    if (deg === 180) return t`turned right over, 180°`;
    return t`rolled ${deg}° ${roll > 0 ? t`clockwise` : t`anticlockwise`}`;
}

/** A length without its sign: which way it goes is said in words. */
export function unsigned(tape: Tape): Tape {
    return {
        mm: Math.abs(tape.mm),
        inch: tape.inch.replace('-', ''),
        feet: tape.feet.replace('-', ''),
        metric: tape.metric.replace('-', ''),
    };
}
