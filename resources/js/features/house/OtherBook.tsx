import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { otherBookQuery } from '../../api/queries';
import type { BookDifference } from '../../api/types';
import type { JobEditor } from '../../editing';
import { Shape } from '../../shared/Shape';
import { SourceTap } from '../../shared/SourceTap';
import { bookOf, useBooks } from '../../shared/useBooks';

const CHANGES: [BookDifference['change'], string][] = [
    ['new', t`Only there`],
    ['other', t`Otherwise there`],
    ['gone', t`Only here`],
];

/** The job judged under another book at a tap: what would be said otherwise, finding by finding. Nothing is changed. */
export function OtherBook({ editor, onOpen }: { editor: JobEditor; onOpen: (run: string) => void }) {
    const books = useBooks(editor.document).filter((one) => one.key !== bookOf(editor.document));
    const [book, setBook] = useState('');
    const other = books.find((one) => one.key === book);
    const query = useQuery({
        ...otherBookQuery(editor.ofJob, other?.rulebook ?? '', other?.amendments),
        enabled: other !== undefined,
    });
    const rows = query.data?.rows ?? [];
    return (
        <section className="other-book" aria-label={t`Under another book`}>
            <label className="choice">
                <span className="cap">{t`What another book would say`}</span>
                <select value={book} onChange={(event) => setBook(event.target.value)}>
                    <option value="">{t`choose a book`}</option>
                    {books.map((one) => (
                        <option key={one.key} value={one.key}>
                            {one.name}
                        </option>
                    ))}
                </select>
            </label>
            {query.isError && book !== '' && (
                <p className="problem" role="alert">
                    {query.error.message}
                </p>
            )}
            {book !== '' && query.data && rows.length === 0 && (
                <p className="none">
                    <Shape kind="done" size={16} /> {t`It says the same of all of it.`}
                </p>
            )}
            {CHANGES.map(([change, title]) => {
                const of = book === '' ? [] : rows.filter((row) => row.change === change);
                return of.length === 0 ? null : (
                    <div key={change}>
                        <h3>
                            {title} <span className="cap">{of.length}</span>
                        </h3>
                        <ul>
                            {of.map((row, i) => (
                                <Difference key={`${row.run} ${i}`} row={row} onOpen={onOpen} />
                            ))}
                        </ul>
                    </div>
                );
            })}
        </section>
    );
}

function Difference({ row, onOpen }: { row: BookDifference; onOpen: (run: string) => void }) {
    const told = row.there ?? row.here;
    if (!told) return null;
    return (
        <li>
            <Shape kind={told.severity} size={16} />{' '}
            <button type="button" className="as-text" onClick={() => onOpen(row.run)}>
                {row.run_name}
            </button>
            <p>
                <b>{told.title}.</b> {told.why}{' '}
                {told.source && <SourceTap source={told.source}>{told.source.source}</SourceTap>}
            </p>
            {row.change === 'other' && row.here && <p className="cap">{t`Here: ${row.here.title}. ${row.here.why}`}</p>}
        </li>
    );
}
