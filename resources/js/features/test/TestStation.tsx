import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { testQuery } from '../../api/queries';
import type { LogEntry, RunReport, Testing } from '../../api/types';
import type { JobEditor } from '../../editing';
import { NotYet } from '../../shared/NotYet';
import { FindingLines } from '../../shared/FindingLines';
import { flowRead, flowSaid } from '../../shared/quantities';
import { Shape } from '../../shared/Shape';
import { RestsOn } from '../../shared/SourceTap';
import { useSiteLog, Waiting } from '../sitelog';
import { Filling } from './Filling';
import { TestRuns } from './TestRuns';
import { Walk } from './Walk';
import { stateInWords } from './words';

interface Props {
    run: RunReport;
    editor: JobEditor;
    /** id of the job */
    job: string;
}

/** How the pipes that a run belongs to are tested: filled, read, looked at. */
export function TestStation({ run, editor, job }: Props) {
    const { log, state, entries, isKnown } = useSiteLog(editor.job.id);
    const [chosen, setChosen] = useState<Testing['stage'] | null>(null);
    // Where nobody chose one, it is the stage of the last test.
    const stage = chosen ?? lastStage(entries) ?? 'rough-in';
    const [hose, setHose] = useState<number | null>(null);
    const { units } = editor.evaluation;
    const query = useQuery({ ...testQuery(editor.ofJob, run.id, stage, hose, state.length), enabled: isKnown });
    const answer = query.data;
    if (run.legs.length === 0)
        return (
            <NotYet text={t`No leg yet: what is not laid out is not tested.`} station="route" act={t`Call out a leg`} />
        );
    const system = answer?.system;
    return (
        <main className="station test">
            <section className="test-made" aria-label={t`The log`}>
                <Waiting state={state} log={log} />
            </section>
            <header className="test-head">
                <Stages stage={stage} stages={answer?.stages ?? []} onStage={setChosen} />
                {answer && <Hose key={units} flow={answer.hose_l_per_min} units={units} onFlow={setHose} />}
            </header>
            {query.isError && (
                <p className="none" role="alert">
                    {query.error.message}
                </p>
            )}
            {answer && system && (
                <>
                    <section className="test-sum" aria-label={t`How far it is`}>
                        <h2>
                            <Shape kind={stateInWords(system.state).shape} size={22} /> {system.name}:{' '}
                            {stateInWords(system.state).text}
                        </h2>
                        <FindingLines findings={system.findings} />
                        <Others others={answer.others} job={job} />
                    </section>
                    <TestRuns
                        system={system}
                        stage={stage}
                        book={answer.book}
                        units={units}
                        log={log}
                        pending={state.pending}
                        ahead={state.ahead ?? 0}
                    />
                    <Filling system={system} units={units} />
                    <Walk
                        system={system}
                        stage={stage}
                        log={log}
                        pending={state.pending}
                        open={run.id}
                        singles={answer.singles}
                    />
                    <footer className="test-foot">
                        <RestsOn sources={[...system.sources, ...system.methods.flatMap((one) => one.sources)]} />
                        <p className="cap">{t`The inspector and the local code decide what is shown, and to whom.`}</p>
                    </footer>
                </>
            )}
            {!answer && !query.isError && <p className="none">{t`One moment.`}</p>}
        </main>
    );
}

const lastStage = (entries: LogEntry[]): Testing['stage'] | undefined =>
    entries.findLast((entry) => entry.kind === 'test-begun')?.said.stage as Testing['stage'] | undefined;

interface StagesProps {
    stage: Testing['stage'];
    stages: Testing['stages'];
    onStage: (stage: Testing['stage']) => void;
}

function Stages({ stage, stages, onStage }: StagesProps) {
    return (
        <fieldset className="test-stages">
            <legend className="cap">{t`Stage`}</legend>
            {stages.map((one) => (
                <label key={one.key} title={one.say}>
                    <input type="radio" name="stage" checked={one.key === stage} onChange={() => onStage(one.key)} />
                    <span>{one.name}</span>
                </label>
            ))}
        </fieldset>
    );
}

interface HoseProps {
    flow: number;
    units: 'inch' | 'mm';
    onFlow: (lPerMin: number) => void;
}

/** What the hose gives: how long filling takes goes by it. */
function Hose({ flow, units, onFlow }: HoseProps) {
    const [text, setText] = useState(() => flowSaid(flow, units));
    const isRead = flowRead(text, units) !== null;
    return (
        <label className="choice test-hose">
            <span className="cap">{t`The hose gives (${units === 'inch' ? t`gallons` : t`liters`} a minute)`}</span>
            <input
                inputMode="decimal"
                value={text}
                aria-invalid={!isRead}
                onChange={(event) => {
                    setText(event.target.value);
                    const read = flowRead(event.target.value, units);
                    if (read !== null) onFlow(read);
                }}
            />
            {!isRead && (
                <span className="problem" role="alert">
                    <Trans>
                        A number, such as {units === 'inch' ? '3' : '12'}: fill a bucket and look at the clock.
                    </Trans>
                </span>
            )}
        </label>
    );
}

/** The other pipes of the job, with how far they are. */
function Others({ others, job }: { others: Testing['others']; job: string }) {
    if (others.length === 0) return null;
    return (
        <details className="test-others">
            <summary>{t`Other pipes of this job: ${others.length}`}</summary>
            <ul>
                {others.map((one) => (
                    <li key={one.id}>
                        <Link to={`/jobs/${job}/runs/${one.id}/test`}>{one.name}</Link>{' '}
                        <span className="cap">
                            <Shape kind={stateInWords(one.state).shape} size={14} /> {stateInWords(one.state).text}
                        </span>
                    </li>
                ))}
            </ul>
        </details>
    );
}
