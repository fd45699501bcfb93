import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { JobRow } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { Keeper } from './Keeper';

/** A job that cannot be opened stands on the board by its name, with the reason and what can be done. */
export function UnreadableRow({ job, acts }: { job: JobRow; acts: ReactNode }) {
    return (
        <article className="job-row unreadable">
            <div>
                <h2>
                    <Link to={`/jobs/${job.id}`}>{job.name}</Link>
                </h2>
                <p>{t`revision ${job.revision}`}</p>
            </div>
            <div>
                <b className="next">
                    <Shape kind="stop" size={16} /> {t`This job cannot be opened`}
                </b>
                <p className="say">{job.unreadable}</p>
            </div>
            <div>
                <Link className="plain" to={`/jobs/${job.id}`}>
                    {t`What can be done`}
                </Link>
            </div>
            <Keeper job={job} acts={acts} />
        </article>
    );
}
