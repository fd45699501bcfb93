import { t } from '@lingui/core/macro';
import type { IdentifyInput, JobEvidence, Units } from '../../api/types';

/** What is known of a pipe so far. Lengths in mm; the reading is across, or round it with a string. */
export interface Evidence {
    way: 'across' | 'round';
    mm: number | null;
    error_mm: number;
    wall_mm?: number;
    kg_per_m?: number;
    magnet?: boolean;
    colour?: NonNullable<IdentifyInput['colour']>;
    print?: string;
    joint_seen?: NonNullable<IdentifyInput['joint_seen']>;
    region: 'us' | 'uk';
}

export const EMPTY = (units: Units): Evidence => ({
    way: 'across',
    mm: null,
    error_mm: ROUGH[units],
    region: units === 'mm' ? 'uk' : 'us',
});

/** How far a reading may be off: told by eye, by a string, by a calliper. */
export const ROUGH = { inch: 3.175, mm: 3 };
export const STRING = { inch: 3.175, mm: 3 };
export const CALLIPER_MM = 0.4;

/** The evidence as the reckoner takes it; null while nothing was measured, not even by eye. */
export function asInput(evidence: Evidence, units: Units): IdentifyInput | null {
    if (evidence.mm === null) return null;
    const { way, mm, error_mm, ...rest } = evidence;
    const reading = way === 'across' ? { od_mm: mm } : { circumference_mm: mm };
    return { ...reading, reading_error_mm: error_mm, ...rest, units };
}

/** The evidence as the log keeps it, and back. */
export function asKept(evidence: Evidence): JobEvidence | undefined {
    const input = asInput(evidence, 'inch');
    if (!input) return undefined;
    const { units: _, overrides: __, ...kept } = input;
    return kept;
}

export function asEvidence(kept: Record<string, unknown> | undefined, units: Units): Evidence {
    const empty = EMPTY(units);
    if (!kept) return empty;
    const { od_mm, circumference_mm, reading_error_mm, ...rest } = kept;
    return {
        ...empty,
        ...rest,
        way: circumference_mm === undefined ? 'across' : 'round',
        mm: Number(od_mm ?? circumference_mm),
        error_mm: Number(reading_error_mm),
    };
}

export const COLOURS = [
    ['white', t`white`],
    ['black', t`black`],
    ['grey', t`gray`],
    ['green', t`green`],
    ['terracotta', t`terracotta`],
    ['brown', t`brown`],
    ['copper', t`copper`],
    ['silver', t`silver`],
    ['chrome', t`chrome`],
    ['cream', t`cream`],
    ['painted', t`painted`],
] as const;

/** What is offered to be seen of a joint, in the words of the trade. */
export const JOINTS = [
    ['bell', t`bell ends`],
    ['band', t`a flat band`],
    ['solvent-socket', t`a cemented socket`],
    ['ring-socket', t`a ring socket`],
    ['thread', t`a thread`],
    ['slip-nut', t`a slip nut`],
    ['solder', t`soldered`],
    ['none', t`none seen`],
] as const;

/** Diameters that people name by eye, in the job's units. */
export const BY_EYE = {
    inch: ['1 1/4', '1 1/2', '1 5/8', '1 7/8', '2 3/8', '3 1/2', '4 1/4', '4 1/2', '5', '6 5/8'],
    mm: ['35', '36', '41', '43', '54', '56', '82', '110', '121', '131', '160'],
};

/** A share of 100 in whole ones; never 100, since a pipe that no table has is always possible. */
export function shareInWords(share: number): string {
    return share < 0.01 ? t`under 1` : String(Math.min(99, Math.round(share * 100)));
}
