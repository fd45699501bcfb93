import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { reasonOf } from '../../api/client';
import { keepOwn, takeBackOwn } from '../../api/queries';
import { readLength } from '../../api/lengths';
import type { CatalogueEntry, Units } from '../../api/types';
import { PatternArt } from '../../drawing/pattern/PatternArt';
import { SaidText } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';
import { SourceLine } from '../../shared/SourceTap';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';

/** One row of the catalogue: drawn, every number with its source, and a place to enter what was measured instead. */
export function EntryCard({ entry, units }: { entry: CatalogueEntry; units: Units }) {
    const [measuring, setMeasuring] = useState<string | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
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
    const keep = async (event: FormEvent<HTMLFormElement>, field: string): Promise<void> => {
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
            setProblem('must be a number');
            return;
        }
        const result = await keepOwn('number', {
            table: entry.table,
            row: entry.row,
            field,
            value,
            source: formText(form, 'source').trim() || 'measured by us',
        });
        if (result.ok) {
            setMeasuring(null);
            setProblem(null);
            refresh();
        } else setProblem(reasonOf(result));
    };
    return (
        <aside className="entry" aria-label={`${entry.name} ${entry.size}`}>
            <h2>
                {entry.name}{' '}
                <span className="cap">
                    {entry.maker_name}
                    {entry.size && `, ${entry.size}`}
                </span>
            </h2>
            <PatternArt entry={entry} size={230} />
            {entry.turn_deg !== null && <p className="cap pad">turns {entry.turn_deg}°</p>}
            <dl className="numbers">
                {entry.numbers.map((number) => (
                    <div key={number.field}>
                        <dt>{number.label}</dt>
                        <dd className={number.value === null ? 'doubt' : ''}>
                            {number.instead_of !== null && (
                                <s>
                                    <SaidText text={number.instead_of} />
                                </s>
                            )}{' '}
                            <SaidText text={number.said} />
                            {number.value === null && <Shape kind="unknown" size={14} />}
                        </dd>
                        <dd>
                            {number.own_id !== null ? (
                                <button
                                    type="button"
                                    className="plain small"
                                    onClick={() => void takeBack(number.own_id ?? 0)}
                                >
                                    Back to the list
                                </button>
                            ) : (
                                <button
                                    type="button"
                                    className="plain small"
                                    onClick={() => setMeasuring(measuring === number.field ? null : number.field)}
                                >
                                    Measured
                                </button>
                            )}
                        </dd>
                        {measuring === number.field && (
                            <form onSubmit={(event) => void keep(event, number.field)} className="measure-own">
                                <label>
                                    <span className="cap">{number.label}, as measured</span>
                                    <input
                                        name="value"
                                        autoFocus
                                        autoComplete="off"
                                        placeholder={
                                            number.field.endsWith('_mm') ? (units === 'inch' ? '2 1/4' : '57') : ''
                                        }
                                    />
                                </label>
                                <label>
                                    <span className="cap">how</span>
                                    <input
                                        name="source"
                                        maxLength={200}
                                        placeholder="3 of 3, apprentice"
                                        autoComplete="off"
                                    />
                                </label>
                                <Problem text={problem} />
                                <button type="submit" className="main-act">
                                    Use ours
                                </button>
                            </form>
                        )}
                    </div>
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
