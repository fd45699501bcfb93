import { t } from '@lingui/core/macro';
import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { accountQuery, CallFailed, jobQuery } from '../../api/queries';
import type { Unreadable } from '../../api/types';
import { openTabs } from '../../editing';
import { LeftHere } from '../sitelog';
import { JobScreen } from './JobScreen';
import { partsShown } from '../../shared/partsShown';
import { fetchStation } from './stationParts';
import { UnreadableJob } from './UnreadableJob';

/** Which pages of this browser are open: what a closed one left unsaved is taken up. */
const tabsQuery = queryOptions({ queryKey: ['tabs'], queryFn: openTabs, staleTime: Infinity, gcTime: Infinity });

/** Fetches the job that the address names. */
export function JobPage() {
    const { id = '', run, station = 'route' } = useParams();
    const [search] = useSearchParams();
    const named = run === 'none' ? undefined : run;
    const shown = { run: named, station, view: search.get('view') ?? 'run', document: null, places: [], isWay: false };
    // Without a run in the address the first one is shown, and asked for once it is known which that is.
    const job = useQuery(jobQuery(id, named === undefined ? [] : partsShown(shown)));
    const account = useQuery(accountQuery);
    // The job and what shows it come together.
    const { view } = shown;
    const part = useQuery({
        queryKey: ['station', station, view],
        queryFn: () => fetchStation(station, view),
        staleTime: Infinity,
        networkMode: 'always',
        placeholderData: keepPreviousData,
    });
    const tabs = useQuery(tabsQuery);
    if (job.isPending || !account.data || !tabs.data || (part.isPending && !job.isError))
        return <p className="waiting">{t`Opening the job.`}</p>;
    if (job.isError) {
        if (isUnreadable(job.error))
            return <UnreadableJob unreadable={job.error.body} onBack={() => void job.refetch()} />;
        const status = job.error instanceof CallFailed ? job.error.status : null;
        const [gone, isDeleted] = [status === 404, status === 410];
        return (
            <div className="waiting" role="alert">
                <p>{gone ? t`There is no such job in your crew.` : job.error.message}</p>
                {isDeleted && (
                    <Link className="plain" to="/?shelf=deleted">
                        {t`Deleted jobs`}
                    </Link>
                )}
                {(gone || isDeleted) && account.data && <LeftHere job={id} by={account.data.email} />}
                {!gone && !isDeleted && (
                    <button type="button" className="plain" onClick={() => void job.refetch()}>
                        {t`Try again`}
                    </button>
                )}{' '}
                <Link className="plain" to="/">
                    {t`Back to the jobs`}
                </Link>
            </div>
        );
    }
    return <JobScreen key={job.data.id} start={job.data} by={account.data.email} tabs={tabs.data} />;
}

function isUnreadable(error: Error): error is CallFailed & { body: Unreadable } {
    return error instanceof CallFailed && (error.body as { code?: string } | null)?.code === 'unreadable';
}
