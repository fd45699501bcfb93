import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { reasonOf } from '../../api/client';
import { ownQuery, systemsQuery, takeBackOwn } from '../../api/queries';
import type { OwnEntry } from '../../api/types';
import { dayIn } from '../../shared/locale';
import { AmendmentsList } from './AmendmentsList';
import { BookNumbers } from './BookNumbers';
import { OwnCoupling } from './OwnCoupling';

/** What the crew set for itself: numbers, rows and thresholds, kept apart from the lists and taken back at a tap. */
export function OwnTab() {
    const own = useQuery(ownQuery);
    const page = useQuery(systemsQuery);
    const client = useQueryClient();
    const [problem, setProblem] = useState<{ id: number; text: string } | null>(null);
    const refresh = (): void =>
        void Promise.all(
            ['own', 'catalogue', 'amendments'].map((key) => client.invalidateQueries({ queryKey: [key] })),
        );
    const takeBack = async (id: number): Promise<void> => {
        const result = await takeBackOwn(id);
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
                        problem={problem?.id === entry.id ? problem.text : null}
                        onTakeBack={() => void takeBack(entry.id)}
                    />
                ))}
                <OwnCoupling systems={page.data?.systems ?? []} onKept={refresh} />
                <AmendmentsList />
            </section>
            <BookNumbers rulebooks={page.data?.rulebooks ?? []} onSet={refresh} />
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
