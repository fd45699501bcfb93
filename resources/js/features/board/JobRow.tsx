import { Link } from 'react-router';
import type { JobRow as Row } from '../../api/types';
import { MiniFallLine } from '../../drawing/section/MiniFallLine';
import { Shape } from '../../shared/Shape';
import { standingOf, STATIONS, type Station } from '../../shared/stations';
import { Keeper } from './Keeper';
import { UnreadableRow } from './UnreadableRow';

const ROUTE = STATIONS[1] as Station;

/**
 * One job as a ruled row: name, its own fall line, nine cells, the next act in words. All of it as it was when the job
 * was kept.
 */
export function JobRow({ job }: { job: Row }) {
    const { summary } = job;
    const run = summary?.run ?? null;
    const to = run ? `/jobs/${job.id}/runs/${run.id}` : `/jobs/${job.id}`;
    const state = standingOf(ROUTE, run?.counts);
    if (job.unreadable !== null) return <UnreadableRow job={job} />;
    return (
        <article className="job-row">
            <div>
                <h2>
                    <Link to={to}>{job.name}</Link>
                </h2>
                {summary && (
                    <p>
                        {run
                            ? `run ${run.number} of ${summary.runs}, ${run.name.charAt(0).toLowerCase()}${run.name.slice(1)}`
                            : 'no run yet'}
                    </p>
                )}
                {summary && (
                    <p className="cap">
                        {summary.rulebook}, {summary.units === 'inch' ? 'inches' : 'millimetres'}
                    </p>
                )}
            </div>
            <Link to={to} className="mini" tabIndex={-1} aria-hidden="true">
                {run?.drawing && (
                    <MiniFallLine run={run.drawing} fill={summary?.drawn_fill ?? 0} width={376} height={128} />
                )}
            </Link>
            <div>
                <b className="now">Route</b>
                <div className="nine" aria-hidden="true">
                    {STATIONS.map((station) => (
                        <span key={station.key} className={station.key === 'route' ? 'on' : ''}>
                            <Shape kind={standingOf(station, run?.counts).shape} size={14} />
                        </span>
                    ))}
                </div>
                {summary && (
                    <p className="state">
                        <Shape kind={state.shape} size={14} /> {state.text}
                    </p>
                )}
            </div>
            <div>
                <b className="next">{nextWords(job)}</b>
                {run?.next && <p className="say">{run.next.why}</p>}
            </div>
            <div>
                <span className="cap">first water</span>
                <p className="not-yet">not yet</p>
            </div>
            <Keeper job={job} />
        </article>
    );
}

function nextWords({ summary }: Row): string {
    if (!summary) return 'Open it to see where it stands';
    if (!summary.run) return 'Say where the first run starts and ends';
    const { next } = summary.run;
    return !next || next.severity === 'note' ? 'Print the cut ticket' : next.remedy;
}
