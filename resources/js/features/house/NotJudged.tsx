import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { coverageQuery } from '../../api/queries';
import type { Evaluation } from '../../api/types';
import { Shape } from '../../shared/Shape';

/** What of the job's book is not judged here: nothing is said of it, so that it has to be read. */
export function NotJudged({ book }: { book: Evaluation['rulebook'] }) {
    const [isOpen, setOpen] = useState(false);
    const query = useQuery({ ...coverageQuery(book.id), enabled: isOpen });
    const rows = (query.data?.rows ?? []).filter((row) => row.state !== 'judged');
    return (
        <details className="other-book not-judged" onToggle={(event) => setOpen(event.currentTarget.open)}>
            <summary>{t`What is not judged of ${book.name}`}</summary>
            {query.isError && (
                <p className="problem" role="alert">
                    {query.error.message}
                </p>
            )}
            {rows.length > 0 && <p className="cap">{t`Nothing is said of it here: read the clause.`}</p>}
            <ul>
                {rows.map((row) => (
                    <li key={`${row.clause} ${row.what}`}>
                        <Shape kind="unknown" size={15} /> {row.what} <span className="cap">{row.clause}</span>
                    </li>
                ))}
            </ul>
        </details>
    );
}
