import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { JobRow as Row } from '../../api/types';
import { MiniFallLine } from '../../drawing/section/MiniFallLine';
import { Shape } from '../../shared/Shape';
import { timeIn } from '../../shared/locale';
import { standingOnBoard, stationOf, STATIONS } from '../../shared/stations';
import { Keeper } from './Keeper';
import { UnreadableRow } from './UnreadableRow';

/**
 * One job as a ruled row: name, its own fall line, nine cells, the next act in words. All of it as it was when the job
 * was saved.
 */
export function JobRow({ job, acts }: { job: Row; acts: ReactNode }) {
    const { summary } = job;
    const to = placeOf(job);
    if (job.unreadable !== null) return <UnreadableRow job={job} acts={acts} />;
    return (
        <article className="job-row">
            <div>
                <h2>{job.gone_on === null ? <Link to={to}>{job.name}</Link> : job.name}</h2>
                {summary && (
                    <p>
                        {summary.run
                            ? t`run ${summary.run.number} of ${summary.runs}, ${lowered(summary.run.name)}`
                            : t`no run yet`}
                    </p>
                )}
                {job.project !== '' && <p className="cap">{t`of ${job.project}`}</p>}
                {summary && (
                    <p className="cap">
                        {summary.rulebook}, {summary.units === 'inch' ? t`inches` : t`millimeters`}
                    </p>
                )}
            </div>
            <MiniOf job={job} to={to} />
            <AtStation job={job} />
            <div>
                <b className="next">{nextWords(job)}</b>
                {summary?.run?.next && summary.station !== 'done' && <p className="say">{summary.run.next.why}</p>}
            </div>
            <Done job={job} />
            <Keeper job={job} acts={acts} />
        </article>
    );
}

const lowered = (name: string): string => `${name.charAt(0).toLowerCase()}${name.slice(1)}`;

/** The address of a job, with the run and the station that the next act is for. */
function placeOf({ id, summary }: Row): string {
    if (!summary) return `/jobs/${id}`;
    const station = stationOf(summary).key;
    const run = summary.run?.id ?? (station === 'route' ? null : 'none');
    const base = run === null ? `/jobs/${id}` : `/jobs/${id}/runs/${run}`;
    return station === 'route' ? base : `${base}/${station}`;
}

function MiniOf({ job: { summary, gone_on }, to }: { job: Row; to: string }) {
    const drawing = summary?.run?.drawing && (
        <MiniFallLine run={summary.run.drawing} fill={summary.drawn_fill} width={376} height={128} />
    );
    if (gone_on !== null) return <div className="mini">{drawing}</div>;
    return (
        <Link to={to} className="mini" tabIndex={-1} aria-hidden="true">
            {drawing}
        </Link>
    );
}

/** The station that has the next thing to do, among the nine. */
function AtStation({ job: { summary } }: { job: Row }) {
    if (!summary) return <div />;
    const at = stationOf(summary);
    const state = standingOnBoard(at, summary);
    return (
        <div>
            <b className="now">{at.name}</b>
            <div className="nine" aria-hidden="true">
                {STATIONS.map((station) => (
                    <span key={station.key} className={station.key === at.key ? 'on' : ''}>
                        <Shape kind={standingOnBoard(station, summary).shape} size={14} />
                    </span>
                ))}
            </div>
            {state.text !== '' && (
                <p className="state">
                    <Shape kind={state.shape} size={14} /> {state.text}
                </p>
            )}
        </div>
    );
}

/** How much of the job is built. */
function Done({ job: { summary } }: { job: Row }) {
    const done = summary?.done;
    if (!done || done.joints === 0) return <div />;
    return (
        <div className="done-of">
            <p>
                <Trans>
                    <b>{done.pieces_cut}</b> of {done.pieces} cut
                </Trans>
            </p>
            <p>
                <Trans>
                    <b>{done.joints_made}</b> of {done.joints} joined
                </Trans>
            </p>
            {done.signed ? <p>{t`signed`}</p> : done.test_begun && <p>{t`test begun`}</p>}
        </div>
    );
}

const NEXT: Record<string, string> = {
    'make-up': t`Look at what was measured`,
    joints: t`Choose how each joint is made`,
    cut: t`Print the cut ticket`,
    'glue-up': t`Plan the day, and join`,
    test: t`Fill it, and look`,
    record: t`Sign the record`,
    done: t`Signed. Archive it when you are done with it`,
};

function nextWords({ summary, gone_on }: Row): string {
    if (gone_on !== null) return t`Gone for good on ${timeIn(gone_on, { day: 'numeric', month: 'long' })}`;
    if (!summary) return t`Open it to see where it stands`;
    const { next } = summary.run ?? { next: null };
    if (next && next.severity !== 'note' && summary.station !== 'done') return next.remedy;
    if (!summary.run && summary.station === 'route') return t`Say where the first run starts and ends`;
    return NEXT[summary.station] ?? t`Call out the first leg`;
}
