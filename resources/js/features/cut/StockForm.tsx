import { useState, type FormEvent } from 'react';
import type { JobCutting, Units } from '../../api/types';
import { formLength } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import { lengthInWords } from '../../shared/lengths';
import type { StockRow } from './cutting';

interface Props {
    id: string;
    rows: NonNullable<JobCutting['stock']>;
    units: Units;
    onChange: (rows: StockRow[]) => void;
}

/** What there is of one pipe: sticks that can be bought, and offcuts that lie in the van. */
export function StockForm({ id, rows, units, onChange }: Props) {
    const [problem, setProblem] = useState('');
    const [turn, setTurn] = useState(0);
    const kept: StockRow[] = rows.map(({ length_mm, price, available }) => ({
        length_mm,
        ...(price === undefined ? {} : { price }),
        ...(available === undefined ? {} : { available }),
    }));
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        setProblem('');
        const form = new FormData(event.currentTarget);
        try {
            const length = (await formLength(form, 'length', units, true)) ?? 0;
            const [price, count] = [formText(form, 'price').trim(), formText(form, 'count').trim()];
            if (!(length >= 1)) throw new Error('A stick has a length.');
            if (count !== '' && !/^\d+$/.test(count)) throw new Error('How many there are is a whole number.');
            if (price !== '' && !(Number(price) >= 0)) throw new Error('The price is a number.');
            onChange([
                ...kept,
                {
                    length_mm: length,
                    ...(price === '' ? {} : { price: Number(price) }),
                    ...(count === '' ? {} : { available: Number(count) }),
                },
            ]);
            setTurn(turn + 1);
        } catch (error) {
            setProblem(error instanceof Error ? error.message : 'That did not work. Try again.');
        }
    };
    return (
        <details className="cut-stock">
            <summary>{rows.length === 0 ? 'Sticks as they are sold' : `${rows.length} entered`}</summary>
            <ul>
                {kept.map((row, n) => (
                    <li key={n}>
                        {lengthInWords(row.length_mm, units)}
                        {row.available !== undefined && `, ${row.available} of them`}
                        {row.price !== undefined && `, ${row.price.toFixed(2)} each`}{' '}
                        <button type="button" className="plain small" onClick={() => onChange(kept.filter((_, i) => i !== n))}>
                            Take it out
                        </button>
                    </li>
                ))}
            </ul>
            <form className="mu-form" key={turn} onSubmit={(event) => void submit(event)}>
                <LengthField id={`${id}-length`} name="length" label="A stick or offcut of" units={units} start="" />
                <label className="choice">
                    <span className="cap">How many (left open: any)</span>
                    <input name="count" inputMode="numeric" />
                </label>
                <label className="choice">
                    <span className="cap">Price of one (where it is kept)</span>
                    <input name="price" inputMode="decimal" />
                </label>
                {problem && (
                    <p className="problem" role="alert">
                        {problem}
                    </p>
                )}
                <button type="submit" className="plain whole">
                    Cut from it too
                </button>
            </form>
        </details>
    );
}
