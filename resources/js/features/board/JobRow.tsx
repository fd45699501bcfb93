import { Link } from 'react-router';
import type { Finding, Job, RunReport } from '../../api/types';
import { FallLine } from '../../drawing/section/FallLine';
import { Shape } from '../../drawing/Shape';
import { standing, STATIONS } from '../job/stations';

const RANK = { stop: 0, warn: 1, unknown: 2, note: 3 };

/** One job as a ruled row: name, its own fall line, nine cells, the next act in words. */
export function JobRow({ job }: { job: Job }) {
    const { evaluation, document } = job;
    const worst = worstRun(evaluation.runs);
    const run = worst ?? evaluation.runs[0];
    const plan = document.runs.find((one) => one.id === run?.id);
    const number = document.runs.findIndex((one) => one.id === run?.id) + 1;
    const to = run ? `/jobs/${job.id}/runs/${run.id}` : `/jobs/${job.id}`;
    const route = STATIONS[1] as (typeof STATIONS)[number];
    const state = standing(route, run);
    const next = run?.findings[0];
    const kept = new Date(job.kept_at);
    return (
        <article className="job-row">
            <div>
                <h2>
                    <Link to={to}>{job.name}</Link>
                </h2>
                <p>
                    {plan
                        ? `run ${number} of ${document.runs.length}, ${plan.name.charAt(0).toLowerCase()}${plan.name.slice(1)}`
                        : 'no run yet'}
                </p>
                <p className="cap">
                    {evaluation.rulebook.name}, {evaluation.units === 'inch' ? 'inches' : 'millimetres'}
                </p>
            </div>
            <Link to={to} className="mini" tabIndex={-1} aria-hidden="true">
                {run && run.legs.some((leg) => leg.laid) && (
                    <FallLine
                        run={run}
                        units={evaluation.units}
                        ends={{ outlet: '', tieIn: '' }}
                        fill={evaluation.drawn_fill}
                        width={376}
                        height={128}
                        grade="mini"
                    />
                )}
            </Link>
            <div>
                <b className="now">Route</b>
                <div className="nine" aria-hidden="true">
                    {STATIONS.map((station) => (
                        <span key={station.key} className={station.key === 'route' ? 'on' : ''}>
                            <Shape kind={standing(station, run).shape} size={14} />
                        </span>
                    ))}
                </div>
                <p className="state">
                    <Shape kind={state.shape} size={14} /> {state.text}
                </p>
            </div>
            <div>
                <b className="next">{run ? nextWords(next) : 'Say where the first run starts and ends'}</b>
                {next && <p className="say">{next.why}</p>}
            </div>
            <div>
                <span className="cap">first water</span>
                <p className="not-yet">not yet</p>
            </div>
            <div>
                <b>{job.kept_by}</b>
                <p>{kept.toLocaleString([], { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })}</p>
            </div>
        </article>
    );
}

function nextWords(finding: Finding | undefined): string {
    if (!finding || finding.severity === 'note') return 'Print the cut ticket';
    return finding.remedy;
}

/** The run with the heaviest finding, the first of them. */
function worstRun(runs: RunReport[]): RunReport | undefined {
    const rank = (run: RunReport): number => Math.min(...run.findings.map((finding) => RANK[finding.severity]), 4);
    return runs.reduce<RunReport | undefined>((worst, run) => (!worst || rank(run) < rank(worst) ? run : worst), undefined);
}
