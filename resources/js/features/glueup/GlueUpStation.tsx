import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { dayQuery } from '../../api/queries';
import type { RunDay, RunReport } from '../../api/types';
import { DayLine } from '../../drawing/day/DayLine';
import { clockOf, clockToTheSecond, minutesBetween, minutesInWords } from '../../drawing/day/times';
import type { JobEditor, SiteLog, SiteLogState } from '../../editing';
import { NotYet } from '../../shared/NotYet';
import { FindingLines } from '../../shared/FindingLines';
import { Shape } from '../../shared/Shape';
import { RestsOn } from '../../shared/SourceTap';
import { useSize } from '../../shared/useSize';
import { useSiteLog } from '../sitelog';
import { asked, usual, type Said } from './asked';
import { Calendar } from './Calendar';
import { DayForm } from './DayForm';
import { JointsWithoutDay } from './JointsWithoutDay';
import { JointToMake } from './JointToMake';
import { MadeJoints } from './MadeJoints';
import { FigureOfRun, useMarks } from './marks';
import { OneJoint } from './OneJoint';
import { doneNow, isCemented, madeNow, wrongNow } from './troubles';
import { Singles } from './Singles';
import { Weather } from './Weather';
import { WrongJoints } from './WrongJoints';
import { causeInWords, dayInWords, waitInWords } from './words';

type Day = NonNullable<RunDay['day']>;
type Joint = RunReport['joints'][number];

/** The day in which a run is joined: its order, its clocks, and what decides when it can be tested. */
export function GlueUpStation({ run, editor, base }: { run: RunReport; editor: JobEditor; base: string }) {
    const [said, setSaid] = useState<Said>(() => usual(new Date()));
    const [selected, setSelected] = useState<string | null>(null);
    const { log, state, entries } = useSiteLog(editor.job.id);
    const question = asked(said);
    const isAsked = !('problem' in question);
    const query = useQuery({
        ...dayQuery(editor.ofJob, run.id, isAsked ? question : { people: 1, start: '' }, state.length),
        enabled: isAsked,
    });
    const answer = query.data;
    if (run.legs.length === 0)
        return <NotYet text={t`No leg yet: nothing to join.`} station="route" act={t`Call out a leg`} />;
    return (
        <FigureOfRun.Provider value={run.figure}>
            <main className="station glue">
                {answer && (
                    <MadeJoints
                        run={run.id}
                        made={answer.made}
                        entries={entries}
                        log={log}
                        state={state}
                        cemented={cementedOf(run)}
                        onSelect={setSelected}
                    />
                )}
                {answer && (
                    <WrongJoints
                        run={run}
                        answer={answer}
                        editor={editor}
                        log={log}
                        waiting={touchedOf(state, run.id)}
                    />
                )}
                <section className="glue-day" aria-label={t`The day`}>
                    {answer?.day ? (
                        <DayPicture day={answer.day} selected={selected} onSelect={setSelected} />
                    ) : (
                        <p className="none">
                            {query.error?.message ?? whyNot(answer, run.joints.length) ?? t`One moment.`}
                        </p>
                    )}
                </section>
                <section className="glue-said" aria-label={t`What the day rests on`}>
                    <DayForm
                        said={said}
                        onSaid={setSaid}
                        problem={isAsked ? null : question.problem}
                        isBegun={(answer?.made.length ?? 0) > 0}
                    />
                    <Weather editor={editor} />
                    {answer && <Open answer={answer} joints={run.joints.length} base={base} />}
                    {answer && <FindingLines findings={answer.findings} />}
                    {answer?.day && <Waits day={answer.day} isAlone={said.people === 1} />}
                    {answer?.day && <Critical day={answer.day} />}
                    {answer?.day && isAsked && <Calendar of={editor.ofJob} run={run.id} asked={question} />}
                    {answer && answer.sources.length > 0 && <RestsOn sources={answer.sources} />}
                </section>
                <section className="glue-steps" aria-label={t`Joint by joint`}>
                    {selected !== null && (
                        <OneJoint
                            key={selected}
                            run={run}
                            joint={selected}
                            hands={(answer?.hands ?? []).filter((one) => one.joint === selected)}
                            editor={editor}
                            onBack={() => setSelected(null)}
                            onMade={
                                isMade(answer, state, run.id, selected)
                                    ? null
                                    : () => {
                                          log.add([madeNow(run, selected, editor)]);
                                          setSelected(null);
                                      }
                            }
                            onWrong={(what, then) => {
                                log.add(wrongNow(run, selected, editor, what, then, madeOf(answer)));
                                setSelected(null);
                            }}
                        />
                    )}
                    {answer && <JointsLeft {...{ run, answer, editor, log, state, selected }} onSelect={setSelected} />}
                    {answer && <Singles {...{ singles: answer.singles, entries, editor, log, state }} />}
                </section>
            </main>
        </FigureOfRun.Provider>
    );
}

/** Whether a joint is made, or was said to be just now. */
const isMade = (answer: RunDay | undefined, state: SiteLogState, run: string, joint: string): boolean =>
    waitingOf(state, run).includes(joint) || madeOf(answer).includes(joint);

const madeOf = (answer: RunDay | undefined): string[] => (answer?.made ?? []).map((one) => one.joint);

interface LeftProps {
    run: RunReport;
    answer: RunDay;
    editor: JobEditor;
    log: SiteLog;
    state: SiteLogState;
    selected: string | null;
    onSelect: (joint: string) => void;
}

/** The joints that are still to be made: by the day, or by themselves where there is none. */
function JointsLeft({ run, answer, editor, log, state, selected, onSelect }: LeftProps) {
    const waiting = waitingOf(state, run.id);
    const done = (kind: 'dry-fit' | 'joint', joints: string[]): void => log.add(doneNow(run, kind, joints, editor));
    const { day } = answer;
    if (day) return <Joints {...{ day, joints: run.joints, selected, onSelect, waiting }} onDone={done} />;
    return (
        <JointsWithoutDay
            {...{ selected, onSelect, waiting }}
            joints={run.joints.filter((joint) => !madeOf(answer).includes(String(joint.number)))}
            onMade={(joint) => done('joint', [joint])}
        />
    );
}

/** Joints of which anything was tapped, and the server does not know of it yet. */
const touchedOf = (state: SiteLogState, run: string): string[] =>
    state.pending.filter((one) => one.run === run).map((one) => String(one.joint));

/** Joints that are made with cement. */
const cementedOf = (run: RunReport): string[] =>
    run.joints.filter((joint) => isCemented(joint)).map((joint) => String(joint.number));

/** Joints of a run that were tapped, and the server does not know of yet. */
const waitingOf = (state: SiteLogState, run: string): string[] =>
    state.pending.filter((one) => one.kind === 'joint' && one.run === run).map((one) => String(one.joint));

/** Why there is no day. */
function whyNot(answer: RunDay | undefined, joints: number): string | null {
    if (!answer) return null;
    if (answer.made.length > 0 && answer.made.length === joints) return t`All joints of this run are made.`;
    if (answer.unsettled.length > 0) return t`The day cannot be planned while a joint has no method.`;
    if (!answer.goes) return t`This run does not go together as it is, or that is not known.`;
    return t`The day cannot be planned: see what stands beside it.`;
}

/** What has to be settled elsewhere first. */
function Open({ answer, joints, base }: { answer: RunDay; joints: number; base: string }) {
    const markOf = useMarks();
    if (answer.day || answer.made.length === joints) return null;
    if (answer.unsettled.length > 0)
        return (
            <p>
                <Shape kind="unknown" size={17} /> {answer.unsettled.length === 1 ? t`Joint` : t`Joints`}{' '}
                {answer.unsettled.map((joint) => markOf(String(joint))).join(', ')}:{' '}
                <Link to={`${base}/joints`}>{t`choose how it is joined`}</Link>.
            </p>
        );
    if (answer.goes) return null;
    return (
        <p>
            <Shape kind="stop" size={17} />{' '}
            <Trans>
                <Link to={`${base}/make-up`}>{t`Make-up`}</Link> says what holds it, and what frees it.
            </Trans>
        </p>
    );
}

function DayPicture({
    day,
    selected,
    onSelect,
}: {
    day: Day;
    selected: string | null;
    onSelect: (joint: string) => void;
}) {
    const [ref, { width }] = useSize<HTMLDivElement>();
    const markOf = useMarks();
    return (
        <div ref={ref}>
            <p className="glue-sum">{dayInWords(day)}</p>
            {width > 0 && <DayLine {...{ day, width, selected, onSelect }} markOf={markOf} />}
            <Key day={day} />
        </div>
    );
}

/** What the bars of the picture say. */
function Key({ day }: { day: Day }) {
    const kinds = [
        ['day-dry', t`tried dry`],
        ['day-hands', t`hands on it`],
        ['day-set', t`must not be moved`],
        ['day-cure', t`no water yet`],
        ...(day.closed_from === null ? [] : [['day-open', t`the line is open: nobody flushes`]]),
    ];
    return (
        <p className="cap glue-key">
            {kinds.map(([kind, text]) => (
                <span key={kind}>
                    <i className={kind} /> {text}
                </span>
            ))}
        </p>
    );
}

/** When there is time for something else. */
function Waits({ day, isAlone }: { day: Day; isAlone: boolean }) {
    return (
        <>
            {day.waits.map((wait) => (
                <p key={`${wait.who} ${wait.from}`}>{waitInWords(wait, isAlone)}</p>
            ))}
        </>
    );
}

/** What decides when it can be tested, the first first. */
function Critical({ day }: { day: Day }) {
    const markOf = useMarks();
    if (day.critical.length === 0) return null;
    return (
        <details className="glue-critical">
            <summary>{t`What decides when it can be tested`}</summary>
            <ol>
                {day.critical.map((link) => (
                    <li key={link.joint}>{causeInWords(link, day, markOf)}</li>
                ))}
            </ol>
            {!day.optimal && day.bound !== null && day.earliest_test !== null && (
                <p className="cap">
                    <Trans>Not all orders were gone through: at best it could be tested at {clockOf(day.bound)}.</Trans>
                </p>
            )}
        </details>
    );
}

interface JointsProps {
    day: Day;
    joints: Joint[];
    selected: string | null;
    onSelect: (joint: string) => void;
    onDone: (kind: 'dry-fit' | 'joint', joints: string[]) => void;
    /** joints that were tapped, and the server does not know of yet */
    waiting: string[];
}

/** Each joint with its clocks, in the order in which it is made. */
function Joints({ day, joints, selected, onSelect, onDone, waiting }: JointsProps) {
    const dry = day.steps.filter((step) => step.what === 'dry-fit');
    const last = dry.at(-1);
    return (
        <ol>
            {dry[0] && last && (
                <li className="glue-dry">
                    <Trans>
                        <b>{t`${clockOf(dry[0].from)} to ${clockOf(last.until)}`}</b> Try everything dry, and mark depth
                        and angle on pipe and fitting.
                    </Trans>{' '}
                    <button
                        type="button"
                        className="plain"
                        onClick={() =>
                            onDone(
                                'dry-fit',
                                dry.map((step) => step.joint),
                            )
                        }
                    >
                        {t`All tried and marked`}
                    </button>
                </li>
            )}
            {day.steps
                .filter((step) => step.what === 'join')
                .map((step) => {
                    const joint = joints.find((one) => String(one.number) === step.joint);
                    return (
                        <JointToMake
                            key={step.joint}
                            joint={step.joint}
                            isOn={step.joint === selected}
                            isWaiting={waiting.includes(step.joint)}
                            onSelect={() => onSelect(step.joint)}
                            onMade={() => onDone('joint', [step.joint])}
                        >
                            <span>
                                <b>{t`${clockOf(step.from)} to ${clockOf(step.until)}`}</b>
                                {joint && `, ${joint.name}`}
                                <span className="cap">
                                    {joint?.method_name}
                                    {step.who.length === 2 && t`, two people`}
                                </span>
                            </span>
                            <Clocks step={step} />
                        </JointToMake>
                    );
                })}
        </ol>
    );
}

/** When a joint must be home, may be moved, and may carry water. */
function Clocks({ step }: { step: Day['steps'][number] }) {
    const waits = (until: string | null): string | null =>
        until === null || minutesBetween(step.until, until) <= 0
            ? null
            : `${clockOf(until)} (${minutesInWords(minutesBetween(step.until, until))})`;
    const [moved, filled] = [waits(step.may_move), waits(step.may_fill)];
    return (
        <span className="glue-clocks cap">
            {step.push_by !== null && <span>{t`home by ${clockToTheSecond(step.push_by)}`}</span>}
            {step.hold_until !== null && <span>{t`held until ${clockToTheSecond(step.hold_until)}`}</span>}
            <span>{moved === null ? t`may be moved at once` : t`not moved before ${moved}`}</span>
            <span>{filled === null ? t`water at once` : t`no water before ${filled}`}</span>
        </span>
    );
}
