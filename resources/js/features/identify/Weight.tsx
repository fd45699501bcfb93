import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Units } from '../../api/types';
import { Problem } from '../../shared/Problem';
import { weightPerLengthRead, weightPerLengthSaid } from '../../shared/quantities';

interface Props {
    kgPerM: number | undefined;
    units: Units;
    onChange: (kgPerM: number | undefined) => void;
}

/** What a loose piece weighs, for its length: lead is heavy, foam core is light. */
export function Weight({ kgPerM, units, onChange }: Props) {
    const held = kgPerM === undefined ? '' : weightPerLengthSaid(kgPerM, units);
    const [typed, setTyped] = useState<string | null>(null);
    const isRead = typed === null || typed.trim() === '' || weightPerLengthRead(typed, units) !== null;
    const change = (text: string): void => {
        setTyped(text);
        const read = weightPerLengthRead(text, units) ?? undefined;
        if (read !== kgPerM) onChange(read);
    };
    return (
        <label className="print-read">
            <span className="cap">{t`Weight of a loose piece, ${units === 'inch' ? t`lb per ft` : t`kg per m`}`}</span>
            <input
                value={typed ?? held}
                inputMode="decimal"
                maxLength={12}
                placeholder={t`empty and dry, if it can be weighed`}
                autoComplete="off"
                aria-invalid={!isRead}
                onChange={(event) => change(event.target.value)}
            />
            {!isRead && <Problem text={t`Give the weight as a number, such as 3.6.`} />}
        </label>
    );
}
