import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { eachInWords, readPrice } from './prices';

interface Props {
    /** what one of it costs, where that is kept */
    each: number | null;
    label: string;
    onPrice: (each: number | null) => void;
    /** how it is written; left out: as money */
    words?: (each: number) => string;
}

/** What one of something costs, taken as soon as the field is left; what is no price stays, and is said. */
export function PriceField({ each, label, onPrice, words = eachInWords }: Props) {
    const shown = (value: number | null): string => (value === null ? '' : words(value));
    const [text, setText] = useState(shown(each));
    const [wrong, setWrong] = useState(false);
    const [last, setLast] = useState(each);
    // What is kept now, whoever kept it, goes before what was typed.
    if (each !== last) {
        setLast(each);
        setText(shown(each));
        setWrong(false);
    }
    const take = (): void => {
        const read = readPrice(text);
        setWrong(read === undefined);
        if (read !== undefined && read !== each) onPrice(read);
    };
    return (
        <>
            <input
                className="price-field"
                inputMode="decimal"
                aria-label={label}
                aria-invalid={wrong}
                value={text}
                onChange={(event) => setText(event.target.value)}
                onBlur={take}
                onKeyDown={(event) => event.key === 'Enter' && take()}
            />
            {wrong && (
                <span className="problem" role="alert">
                    {t`no price`}
                </span>
            )}
        </>
    );
}
