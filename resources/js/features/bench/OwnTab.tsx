import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { reasonOf } from '../../api/client';
import { keepOwn, ownQuery, systemsQuery, takeBackOwn } from '../../api/queries';
import type { CataloguePage, OwnEntry, Units } from '../../api/types';
import { formText } from '../../shared/formText';
import { SourceTap } from '../../shared/SourceTap';
import { dayIn } from '../../shared/locale';
import { useChoices } from '../../shared/useChoices';
import { keptValue, shownIn, shownValue } from './bookUnits';
import { OwnCoupling } from './OwnCoupling';

/** What the crew set for itself: numbers, rows and thresholds, kept apart from the lists and taken back at a tap. */
export function OwnTab() {
    const own = useQuery(ownQuery);
    const page = useQuery(systemsQuery);
    const client = useQueryClient();
    const books = useChoices().rulebooks;
    const [book, setBook] = useState(books[0]?.key ?? '');
    const [search, setSearch] = useState('');
    const [problem, setProblem] = useState<{ id: string; text: string } | null>(null);
    const refresh = (): void =>
        void Promise.all([
            client.invalidateQueries({ queryKey: ['own'] }),
            client.invalidateQueries({ queryKey: ['catalogue'] }),
        ]);
    const rulebook = page.data?.rulebooks.find((one) => one.id === book);
    const units = rulebook?.units ?? 'inch';

    const takeBack = async (place: string, id: number): Promise<void> => {
        const result = await takeBackOwn(id);
        setProblem(result.ok ? null : { id: place, text: reasonOf(result) });
        if (result.ok) refresh();
    };
    const set = async (event: FormEvent<HTMLFormElement>, { id, unit, value: before }: Threshold): Promise<void> => {
        event.preventDefault();
        const text = formText(new FormData(event.currentTarget), 'value').trim().replace(',', '.');
        const value = keptValue(text, shownIn(unit, units), before);
        if (text === '' || !Number.isFinite(value)) {
            setProblem({ id, text: t`must be a number` });
            return;
        }
        const result = await keepOwn('threshold', { rulebook: book, threshold: id, value, source: t`our inspector` });
        setProblem(result.ok ? null : { id, text: reasonOf(result) });
        if (result.ok) refresh();
    };
    return (
        <div className="own-tab">
            <section aria-label={t`What we set`}>
                <h2>{t`Our own numbers`}</h2>
                <p className="say">
                    {t`Kept apart from the lists. A job carries with it, in its file, only what it uses.`}
                </p>
                {own.data?.length === 0 && <p className="say">{t`Nothing yet.`}</p>}
                {own.data?.map((entry) => (
                    <OwnRow
                        key={entry.id}
                        entry={entry}
                        problem={problem?.id === `own ${entry.id}` ? problem.text : null}
                        onTakeBack={() => void takeBack(`own ${entry.id}`, entry.id)}
                    />
                ))}
                <OwnCoupling systems={page.data?.systems ?? []} onKept={refresh} />
            </section>
            <section aria-label={t`Rulebooks`}>
                <h2>{t`Rulebooks`}</h2>
                <label className="choice">
                    <span className="cap">{t`Book`}</span>
                    <select value={book} onChange={(event) => setBook(event.target.value)}>
                        {page.data?.rulebooks.map((one) => (
                            <option key={one.id} value={one.id}>
                                {one.name}
                            </option>
                        ))}
                    </select>
                </label>
                <label className="choice">
                    <span className="cap">{t`Find a number`}</span>
                    <input type="search" value={search} onChange={(event) => setSearch(event.target.value)} />
                </label>
                {groupsOf(rulebook?.thresholds ?? [], search).map(([group, thresholds]) => (
                    <details key={`${group} ${search.trim() === ''}`} open={search.trim() !== ''}>
                        <summary>
                            {group} <span className="cap">{thresholds.length}</span>
                            {thresholds.some((one) => one.own_id !== null) && <span className="tagp">✓</span>}
                        </summary>
                        {thresholds.map((threshold) => (
                            <ThresholdForm
                                key={`${book} ${threshold.id} ${threshold.value}`}
                                threshold={threshold}
                                problem={problem?.id === threshold.id ? problem.text : null}
                                units={units}
                                onSet={(event) => void set(event, threshold)}
                                onTakeBack={(id) => void takeBack(threshold.id, id)}
                            />
                        ))}
                    </details>
                ))}
            </section>
        </div>
    );
}

type Threshold = CataloguePage['rulebooks'][number]['thresholds'][number];

/** Numbers of a book that have something in their title or their note, by what they are about. */
function groupsOf(thresholds: Threshold[], search: string): [string, Threshold[]][] {
    const sought = search.trim().toLowerCase();
    const groups = new Map<string, Threshold[]>();
    for (const one of thresholds) {
        if (!`${one.title} ${one.note}`.toLowerCase().includes(sought)) continue;
        const about = one.id.split(/[.-]/)[0] ?? '';
        const name = ABOUT[about] ?? `${about.charAt(0).toUpperCase()}${about.slice(1)}`;
        groups.set(name, [...(groups.get(name) ?? []), one]);
    }
    return [...groups];
}

/** What numbers are about, by the first word of their id. */
const ABOUT: Record<string, string> = {
    fall: t`Fall`,
    turn: t`Which bend may turn how`,
    load: t`What fixtures bring`,
    trap: t`Traps and their arms`,
    arm: t`Traps and their arms`,
    wet: t`Wet vents`,
    vent: t`Vents`,
    joint: t`Joints`,
    support: t`Supports`,
    test: t`Tests`,
    joist: t`Joists`,
    stud: t`Studs`,
    valve: t`Air admittance valves`,
    common: t`Common vents`,
    flow: t`Flow`,
    cleanout: t`Cleanouts`,
};

interface OwnRowProps {
    entry: OwnEntry;
    problem: string | null;
    onTakeBack: () => void;
}

function OwnRow({ entry, problem, onTakeBack }: OwnRowProps) {
    return (
        <div className="own-row">
            <span className="tagp">✓</span>
            <div>
                <b>{inWords(entry)}</b>
                <p className="cap">
                    {entry.by}, {dayIn(entry.at)}
                </p>
                {entry.unusable !== null && (
                    <p className="problem">
                        <Trans>Left out, it cannot be used now: {entry.unusable}. Take it back, or set it anew.</Trans>
                    </p>
                )}
                {problem !== null && <p className="problem">{problem}</p>}
            </div>
            <button type="button" className="plain small" onClick={onTakeBack}>
                {t`Take it back`}
            </button>
        </div>
    );
}

interface ThresholdProps {
    threshold: Threshold;
    units: Units;
    problem: string | null;
    onSet: (event: FormEvent<HTMLFormElement>) => void;
    onTakeBack: (id: number) => void;
}

/** A threshold of a book, which the crew may set for itself. */
function ThresholdForm({ threshold, units, problem, onSet, onTakeBack }: ThresholdProps) {
    const ownId = threshold.own_id;
    const shown = shownIn(threshold.unit, units);
    return (
        <form className="threshold" onSubmit={onSet}>
            <div>
                <b>{threshold.title}</b>
                <p className="cap">
                    {threshold.note} <SourceTap source={threshold.source}>{threshold.source.source}</SourceTap>
                </p>
                {problem !== null && <p className="problem">{problem}</p>}
            </div>
            <label>
                <span className="cap">{threshold.unit === 'yes_no' ? t`yes or no` : shown.unit}</span>
                {threshold.unit === 'yes_no' ? (
                    <select name="value" defaultValue={threshold.value === null ? '' : String(threshold.value)}>
                        {threshold.value === null && <option value="">{t`not known`}</option>}
                        <option value="1">{t`Yes`}</option>
                        <option value="0">{t`No`}</option>
                    </select>
                ) : (
                    <input
                        name="value"
                        defaultValue={threshold.value === null ? '' : shownValue(threshold.value, shown)}
                        inputMode="decimal"
                        autoComplete="off"
                    />
                )}
            </label>
            {ownId !== null ? (
                <button type="button" className="plain small" onClick={() => onTakeBack(ownId)}>
                    {t`Back to the book`}
                </button>
            ) : (
                <button type="submit" className="plain small">
                    {t`Set ours`}
                </button>
            )}
        </form>
    );
}

function inWords({ kind, entry }: OwnEntry): string {
    const text = (key: string): string => {
        const value = (entry as Record<string, unknown>)[key];
        return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
    };
    if (kind === 'number')
        return `${text('table')}, ${text('row')}, ${text('field').replaceAll('_', ' ')}: ${Number(text('value')).toFixed(2)}`;
    if (kind === 'threshold') return `${text('rulebook')}, ${text('threshold')}: ${text('value')}`;
    const { row } = entry as { row?: { id?: string; name?: string } };
    return `${row?.name ?? ''} (${row?.id ?? ''})`;
}
