import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Link } from 'react-router';
import type { JobRun } from '../../api/types';
import { Shape } from '../../shared/Shape';

/**
 * The address names a run that is not in this job: it was removed, or the link is an old one. The others are named;
 * none is shown in its place.
 */
export function RunGone({ job, runs, station }: { job: string; runs: JobRun[]; station: string }) {
    return (
        <main className="run-gone" role="alert">
            <h1>
                <Shape kind="stop" size={20} /> {t`There is no such run in this job`}
            </h1>
            <p className="say">
                <Trans>
                    It was removed, or the link is an old one. Undo brings back a run that was just removed.{' '}
                    {runs.length > 0 ? t`These runs are here:` : t`This job has no run yet.`}
                </Trans>
            </p>
            <ul>
                {runs.map((run, i) => (
                    <li key={run.id}>
                        <Link to={`/jobs/${job}/runs/${run.id}/${station}`}>
                            {i + 1}. {run.name}
                        </Link>
                    </li>
                ))}
            </ul>
            <Link className="plain" to={`/jobs/${job}`}>
                {t`Open the job`}
            </Link>
        </main>
    );
}
