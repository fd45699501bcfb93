import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { reasonOf } from '../../api/client';
import { keepOwn, ownQuery, systemsQuery, takeBackOwn } from '../../api/queries';
import type { CataloguePage, OwnEntry } from '../../api/types';
import { formText } from '../../shared/formText';
import { SourceTap } from '../../shared/SourceTap';
import { OwnCoupling } from './OwnCoupling';
import { useChoices } from '../../shared/useChoices';

/** What the crew set for itself: numbers, rows and thresholds, kept apart from the lists and taken back at a tap. */
export function OwnTab() {
    const own = useQuery(ownQuery);
    const page = useQuery(systemsQuery);
    const client = useQueryClient();
    const books = useChoices().rulebooks;
    const [book, setBook] = useState(books[0]?.key ?? '');
    const [problem, setProblem] = useState<{ id: string; text: string } | null>(null);
    const refresh = (): void =>
        void Promise.all([
            client.invalidateQueries({ queryKey: ['own'] }),
            client.invalidateQueries({ queryKey: ['catalogue'] }),
        ]);
    const rulebook = page.data?.rulebooks.find((one) => one.id === book);

    const takeBack = async (place: string, id: number): Promise<void> => {
        const result = await takeBackOwn(id);
        setProblem(result.ok ? null : { id: place, text: reasonOf(result) });
        if (result.ok) refresh();
    };
    const set = async (event: FormEvent<HTMLFormElement>, id: string): Promise<void> => {
        event.preventDefault();
        const text = formText(new FormData(event.currentTarget), 'value').trim().replace(',', '.');
        const value = Number(text);
        if (text === '' || !Number.isFinite(value)) {
            setProblem({ id, text: 'must be a number' });
            return;
        }
        const result = await keepOwn('threshold', { rulebook: book, threshold: id, value, source: 'our inspector' });
        setProblem(result.ok ? null : { id, text: reasonOf(result) });
        if (result.ok) refresh();
    };
    return (
        <div className="own-tab">
            <section aria-label="What we set">
                <h2>Measured, added and set by us</h2>
                <p className="say">Kept apart from the lists. A job carries with it, in its file, only what it uses.</p>
                {own.data?.length === 0 && <p className="say">Nothing yet.</p>}
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
            <section aria-label="Rulebooks">
                <h2>Rulebooks</h2>
                <label className="choice">
                    <span className="cap">Book</span>
                    <select value={book} onChange={(event) => setBook(event.target.value)}>
                        {page.data?.rulebooks.map((one) => (
                            <option key={one.id} value={one.id}>
                                {one.name}
                            </option>
                        ))}
                    </select>
                </label>
                {rulebook?.thresholds.map((threshold) => (
                    <ThresholdForm
                        key={`${book} ${threshold.id} ${threshold.value}`}
                        threshold={threshold}
                        problem={problem?.id === threshold.id ? problem.text : null}
                        onSet={(event) => void set(event, threshold.id)}
                        onTakeBack={(id) => void takeBack(threshold.id, id)}
                    />
                ))}
            </section>
        </div>
    );
}

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
                    {entry.by}, {new Date(entry.at).toLocaleDateString()}
                </p>
                {entry.unusable !== null && (
                    <p className="problem">
                        Left out, it cannot be used now: {entry.unusable}. Take it back, or set it anew.
                    </p>
                )}
                {problem !== null && <p className="problem">{problem}</p>}
            </div>
            <button type="button" className="plain small" onClick={onTakeBack}>
                Take it back
            </button>
        </div>
    );
}

interface ThresholdProps {
    threshold: CataloguePage['rulebooks'][number]['thresholds'][number];
    problem: string | null;
    onSet: (event: FormEvent<HTMLFormElement>) => void;
    onTakeBack: (id: number) => void;
}

/** A threshold of a book, which the crew may set for itself. */
function ThresholdForm({ threshold, problem, onSet, onTakeBack }: ThresholdProps) {
    const ownId = threshold.own_id;
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
                <span className="cap">
                    {threshold.unit === 'yes_no' ? '1 yes, 0 no' : threshold.unit.replaceAll('_', ' ')}
                </span>
                <input
                    name="value"
                    defaultValue={threshold.value === null ? '' : Number(threshold.value.toFixed(3))}
                    inputMode="decimal"
                    autoComplete="off"
                />
            </label>
            {ownId !== null ? (
                <button type="button" className="plain small" onClick={() => onTakeBack(ownId)}>
                    Back to the book
                </button>
            ) : (
                <button type="submit" className="plain small">
                    Set ours
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
