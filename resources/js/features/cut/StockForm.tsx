import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Units } from '../../api/types';
import { formLength } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useFormAct } from '../../shared/useFormAct';
import { LengthField } from '../../shared/LengthField';
import { lengthInWords } from '../../shared/lengths';
import { eachInWords, readPrice } from '../lists';
import type { StockRow } from '../../editing';

interface Props {
    id: string;
    rows: StockRow[];
    units: Units;
    onChange: (edit: (rows: StockRow[]) => StockRow[]) => void;
}

/** What there is of one pipe: sticks that can be bought, and offcuts that lie in the van. */
export function StockForm({ id, rows, units, onChange }: Props) {
    const [turn, setTurn] = useState(0);
    const { problem, onSubmit } = useFormAct(async (form) => {
        const length = (await formLength(form, 'length', units, true)) ?? 0;
        const [price, count] = [readPrice(formText(form, 'price')), formText(form, 'count').trim()];
        if (!(length >= 1)) throw new Error(t`A stick has a length.`);
        if (count !== '' && !/^\d+$/.test(count)) throw new Error(t`How many there are is a whole number.`);
        if (price === undefined) throw new Error(t`The price is a number.`);
        const row = {
            length_mm: length,
            ...(price === null ? {} : { price }),
            ...(count === '' ? {} : { available: Number(count) }),
        };
        onChange((kept) => [...kept, row]);
        setTurn(turn + 1);
    });
    return (
        <details className="cut-stock">
            <summary>{rows.length === 0 ? t`Sticks as they are sold` : t`${rows.length} entered`}</summary>
            <ul>
                {rows.map((row, n) => (
                    <li key={n}>
                        {lengthInWords(row.length_mm, units)}
                        {row.available !== undefined && t`, ${row.available} of them`}
                        {row.price !== undefined && t`, ${eachInWords(row.price)} each`}{' '}
                        <button
                            type="button"
                            className="plain small"
                            onClick={() => onChange((kept) => kept.filter((_, i) => i !== n))}
                        >
                            {t`Take it out`}
                        </button>
                    </li>
                ))}
            </ul>
            <form className="mu-form" key={turn} onSubmit={onSubmit}>
                <LengthField id={`${id}-length`} name="length" label={t`A stick or offcut of`} units={units} start="" />
                <label className="choice">
                    <span className="cap">{t`How many (left open: any)`}</span>
                    <input name="count" inputMode="numeric" />
                </label>
                <label className="choice">
                    <span className="cap">{t`Price of one (where it is kept)`}</span>
                    <input name="price" inputMode="decimal" />
                </label>
                <Problem text={problem} />
                <button type="submit" className="plain whole">
                    {t`Cut from it too`}
                </button>
            </form>
        </details>
    );
}
