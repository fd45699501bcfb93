import { t } from '@lingui/core/macro';
import { useState, type FormEvent } from 'react';
import { keepOwn } from '../../api/queries';
import { readLength } from '../../api/lengths';
import type { SystemSummary } from '../../api/types';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';

const MEASURED = ['low_a_mm', 'high_a_mm', 'low_b_mm', 'high_b_mm', 'stop_mm', 'length_mm'];

/** A coupling that the lists do not have: what its print says of each side, entered once, offered from then on. */
export function OwnCoupling({ systems, onKept }: { systems: SystemSummary[]; onKept: () => void }) {
    const [open, setOpen] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const [sides, setSides] = useState<[string, string]>(['pvcu-underground', 'clay-en295']);

    const keep = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const lengths = await readMeasured(form);
        if (typeof lengths === 'string') {
            setProblem(lengths);
            return;
        }
        const result = await keepOwn('row', couplingOf(form, sides, lengths));
        if (result.ok) {
            setOpen(false);
            setProblem(null);
            onKept();
        } else
            setProblem(Object.entries(result.errors).map(([at, texts]) => `${at}: ${texts[0]}`)[0] ?? result.message);
    };
    if (!open)
        return (
            <button type="button" className="plain" onClick={() => setOpen(true)}>
                {t`Add a coupling of ours`}
            </button>
        );
    return (
        <form className="own-coupling" onSubmit={(event) => void keep(event)}>
            <input
                name="name"
                required
                maxLength={60}
                placeholder={t`what is printed on it`}
                aria-label={t`Name`}
                autoComplete="off"
            />
            <select name="method" aria-label={t`What it is`}>
                <option value="flexible-unshielded">{t`rubber sleeve, no shield`}</option>
                <option value="shielded-transition">{t`shielded coupling`}</option>
                <option value="no-hub-shielded">{t`band for iron`}</option>
                <option value="universal-compression">{t`compression coupling`}</option>
            </select>
            <Side
                legend={t`One side takes`}
                letter="a"
                systems={systems}
                chosen={sides[0]}
                onChosen={(key) => setSides([key, sides[1]])}
            />
            <Side
                legend={t`The other takes`}
                letter="b"
                systems={systems}
                chosen={sides[1]}
                onChosen={(key) => setSides([sides[0], key])}
            />
            <input
                name="stop_mm"
                required
                placeholder={t`stop between the ends, mm`}
                aria-label={t`stop, mm`}
                autoComplete="off"
            />
            <input name="length_mm" placeholder={t`length, mm`} aria-label={t`length, mm`} autoComplete="off" />
            <Problem text={problem} />
            <div className="acts">
                <button type="button" className="plain" onClick={() => setOpen(false)}>
                    {t`Cancel`}
                </button>
                <button type="submit" className="main-act">
                    {t`Add it`}
                </button>
            </div>
        </form>
    );
}

interface SideProps {
    legend: string;
    letter: 'a' | 'b';
    systems: SystemSummary[];
    chosen: string;
    onChosen: (key: string) => void;
}

/** The pipe that one side is made for. */
function Side({ legend, letter, systems, chosen, onChosen }: SideProps) {
    return (
        <fieldset>
            <legend>{legend}</legend>
            <select aria-label={t`Pipe`} value={chosen} onChange={(event) => onChosen(event.target.value)}>
                {systems.map((one) => (
                    <option key={one.key} value={one.key}>
                        {one.name}
                    </option>
                ))}
            </select>
            <select aria-label={t`Size`} name={`size_${letter}`}>
                {systems
                    .find((one) => one.key === chosen)
                    ?.sizes.map((size) => (
                        <option key={size}>{size}</option>
                    ))}
            </select>
            <input
                name={`low_${letter}_mm`}
                placeholder={t`from, mm as printed`}
                autoComplete="off"
                aria-label={t`from, mm`}
            />
            <input
                name={`high_${letter}_mm`}
                placeholder={t`to, mm as printed`}
                autoComplete="off"
                aria-label={t`to, mm`}
            />
        </fieldset>
    );
}

/** The lengths that are entered, in mm; a text: which cannot be read, and why. */
async function readMeasured(form: FormData): Promise<Record<string, number> | string> {
    const lengths: Record<string, number> = {};
    for (const key of MEASURED) {
        const text = formText(form, key).trim();
        if (text === '') continue;
        const read = await readLength(text, 'mm');
        if (!read.ok) return `${key.replace('_mm', '').replaceAll('_', ' ')}: ${read.errors.text?.[0] ?? read.message}`;
        lengths[key] = read.data.mm;
    }
    return lengths;
}

/** A row of the table of couplings. */
function couplingOf(form: FormData, sides: [string, string], lengths: Record<string, number>) {
    const name = formText(form, 'name').trim();
    const method = formText(form, 'method');
    const slug = name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .slice(0, 50);
    return {
        table: 'couplings',
        group: 'rows',
        row: {
            id: `own/${slug}`,
            method,
            size: formText(form, 'size_a'),
            name,
            maker_name: t`as printed on it`,
            sides: [
                [{ system: sides[0], size: formText(form, 'size_a') }],
                [{ system: sides[1], size: formText(form, 'size_b') }],
            ],
            ...lengths,
            bands: 2,
            grounds: method === 'flexible-unshielded' ? ['buried'] : ['above', 'buried'],
            price_class: 2,
            source: t`print of the part in hand`,
        },
    };
}
