import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent, type ReactNode } from 'react';
import { reasonOf } from '../../api/client';
import { keepOwn, takeBackOwn } from '../../api/queries';
import { readLength } from '../../api/lengths';
import type { CatalogueEntry, Units } from '../../api/types';
import { calledOf } from './called';
import { PatternArt } from '../../drawing/pattern/PatternArt';
import { SaidText } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';
import { SourceLine } from '../../shared/SourceTap';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';

/** One row of the catalogue: drawn, every number with its source, and a place to enter what was measured instead. */
export function EntryCard({ entry, units }: { entry: CatalogueEntry; units: Units }) {
    const [measuring, setMeasuring] = useState<string | null>(null);
    const [taken, setTaken] = useState<string | null>(null);
    const client = useQueryClient();
    const refresh = (): void =>
        void Promise.all([
            client.invalidateQueries({ queryKey: ['catalogue'] }),
            client.invalidateQueries({ queryKey: ['own'] }),
            client.invalidateQueries({ queryKey: ['jobs'] }),
        ]);

    const takeBack = async (id: number): Promise<void> => {
        const result = await takeBackOwn(id);
        setTaken(result.ok ? null : reasonOf(result));
        if (result.ok) refresh();
    };
    return (
        <aside className="entry" aria-label={calledOf(entry)}>
            <h2>
                {calledOf(entry)} <span className="cap">{entry.maker_name}</span>
            </h2>
            <PatternArt entry={entry} size={230} />
            {entry.turn_deg !== null && <p className="cap pad">{t`turns ${entry.turn_deg}°`}</p>}
            <dl className="numbers">
                {entry.numbers.map((number) => (
                    <NumberRow
                        key={number.field}
                        number={number}
                        onTakeBack={(id) => void takeBack(id)}
                        onMeasure={() => setMeasuring(measuring === number.field ? null : number.field)}
                    >
                        {measuring === number.field && (
                            <MeasuredForm
                                entry={entry}
                                number={number}
                                units={units}
                                onKept={() => {
                                    setMeasuring(null);
                                    refresh();
                                }}
                            />
                        )}
                    </NumberRow>
                ))}
            </dl>
            <Problem text={taken} />
            <p className="entry-source">
                <SourceLine source={entry.source} />
            </p>
            {entry.note && <p className="say pad">{entry.note}</p>}
            {entry.facts.map((fact) => (
                <p key={fact} className="cap pad">
                    {fact}
                </p>
            ))}
            {entry.lies
                .filter((lie) => lie.said !== '' && lie.verdict !== 'yes')
                .slice(0, 2)
                .map((lie) => (
                    <p key={lie.place} className="say hold">
                        <Shape kind={lie.verdict === 'no' ? 'stop' : 'warn'} size={20} />{' '}
                        <span>
                            {lie.place.replace('-', ' to ')}: {lie.said}
                        </span>
                    </p>
                ))}
        </aside>
    );
}

type EntryNumber = CatalogueEntry['numbers'][number];

interface NumberRowProps {
    number: EntryNumber;
    onTakeBack: (id: number) => void;
    onMeasure: () => void;
    children: ReactNode;
}

/** A number of a row, and what stands in its place. */
function NumberRow({ number, onTakeBack, onMeasure, children }: NumberRowProps) {
    const ownId = number.own_id;
    return (
        <div>
            <dt>{number.label}</dt>
            <dd className={number.value === null ? 'doubt' : ''}>
                {number.instead_of !== null && (
                    <s>
                        <SaidText text={number.instead_of} />
                    </s>
                )}{' '}
                <SaidText text={number.said} />
                {number.doubt && <span className="cap line">{number.doubt}</span>}
                {number.value === null && <Shape kind="unknown" size={14} />}
            </dd>
            <dd>
                {ownId !== null ? (
                    <button type="button" className="plain small" onClick={() => onTakeBack(ownId)}>
                        {t`Back to the list`}
                    </button>
                ) : (
                    <button type="button" className="plain small" onClick={onMeasure}>
                        {t`Measured`}
                    </button>
                )}
            </dd>
            {children}
        </div>
    );
}

interface MeasuredProps {
    entry: CatalogueEntry;
    number: EntryNumber;
    units: Units;
    onKept: () => void;
}

/** What was measured in place of a number, and how. */
function MeasuredForm({ entry, number, units, onKept }: MeasuredProps) {
    const [problem, setProblem] = useState<string | null>(null);
    const { field } = number;
    const keep = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const text = formText(form, 'value').trim();
        const length = field.endsWith('_mm') ? await readLength(text, units) : null;
        if (length && !length.ok) {
            setProblem(length.errors.text?.[0] ?? length.message);
            return;
        }
        const value = length ? length.data.mm : Number(text.replace(',', '.'));
        if (!Number.isFinite(value) || text === '') {
            setProblem(t`must be a number`);
            return;
        }
        const result = await keepOwn('number', {
            table: entry.table,
            row: entry.row,
            field,
            value,
            source: formText(form, 'source').trim() || t`measured by us`,
        });
        if (result.ok) onKept();
        else setProblem(reasonOf(result));
    };
    return (
        <form onSubmit={(event) => void keep(event)} className="measure-own">
            <label>
                <span className="cap">{t`${number.label}, as measured`}</span>
                <input
                    name="value"
                    autoFocus
                    autoComplete="off"
                    placeholder={number.field.endsWith('_mm') ? (units === 'inch' ? '2 1/4' : '57') : ''}
                />
            </label>
            <label>
                <span className="cap">{t`how`}</span>
                <input name="source" maxLength={200} placeholder={t`3 of 3, apprentice`} autoComplete="off" />
            </label>
            <Problem text={problem} />
            <button type="submit" className="main-act">
                {t`Use ours`}
            </button>
        </form>
    );
}
