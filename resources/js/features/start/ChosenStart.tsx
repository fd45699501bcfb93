import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { startsQuery } from '../../api/queries';
import type { Start } from '../../api/types';

/** The task that the address names; says so where there is none. */
export function ChosenStart({ children }: { children: (start: Start) => ReactNode }) {
    const { start: id = '' } = useParams();
    const starts = useQuery(startsQuery);
    if (starts.isPending) return <p className="waiting">{t`Fetching it.`}</p>;
    const start = starts.data?.starts.find((one) => one.id === id);
    return start ? (
        children(start)
    ) : (
        <p className="waiting" role="alert">
            {starts.error?.message ?? t`There is no such start.`} <Link to="/start">{t`All of them`}</Link>
        </p>
    );
}
