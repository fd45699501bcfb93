import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { SiteTest, TestedSystem, Testing, TestMethod, Units } from '../../api/types';
import type { Pending, SiteLog } from '../../editing';
import { Shape, type ShapeKind } from '../../shared/Shape';
import { localClock } from '../../shared/localClock';
import { RunningTest } from './RunningTest';
import { testInWords, wantedInWords } from './words';

interface Props {
    system: TestedSystem;
    stage: Testing['stage'];
    book: string;
    units: Units;
    log: SiteLog;
    pending: Pending[];
    ahead: number;
}

const RUNNING: SiteTest['state'][] = ['begun', 'holding', 'read-now'];

/** The test that runs, those that the book has, and those that were. */
export function TestRuns({ system, stage, book, units, log, pending, ahead }: Props) {
    const [last, ...before] = system.tests;
    const running = last && RUNNING.includes(last.state) ? last : undefined;
    const method = system.methods.find((one) => one.kind === running?.what);
    const waits = pending.some((one) => one.kind === 'test-begun' && one.system === system.id);
    return (
        <section className="test-runs" aria-label={t`The test`}>
            {running && method ? (
                <RunningTest
                    key={running.key}
                    test={running}
                    method={method}
                    units={units}
                    system={system.id}
                    stage={stage}
                    log={log}
                    pending={pending}
                    ahead={ahead}
                />
            ) : (
                <>
                    <h2>{t`Test, ${book}`}</h2>
                    {last && <Past test={last} methods={system.methods} units={units} />}
                    <ul>
                        {system.methods.map((one) => (
                            <Method
                                key={one.kind}
                                method={one}
                                units={units}
                                isWaiting={waits}
                                onBegin={() =>
                                    log.add([{ kind: 'test-begun', system: system.id, stage, what: one.kind }])
                                }
                            />
                        ))}
                    </ul>
                </>
            )}
            {before.length > 0 && (
                <details>
                    <summary>{t`Tests before: ${before.length}`}</summary>
                    {before.map((one) => (
                        <Past key={one.key} test={one} methods={system.methods} units={units} />
                    ))}
                </details>
            )}
        </section>
    );
}

interface MethodProps {
    method: TestMethod;
    units: Units;
    isWaiting: boolean;
    onBegin: () => void;
}

function Method({ method, units, isWaiting, onBegin }: MethodProps) {
    return (
        <li>
            <div>
                <b>{method.name}</b>
                <p className="say">
                    {method.say}{' '}
                    {method.minutes === null && method.kind !== 'peppermint' ? '' : wantedInWords(method, units)}
                </p>
                {method.refused ? (
                    <p className="ci-finding">
                        <Shape kind="stop" size={18} /> <b>{method.refused.title}.</b> {method.refused.why}{' '}
                        {method.refused.remedy}
                    </p>
                ) : (
                    <p className="caution">
                        <Shape kind="warn" size={20} /> {method.caution}
                    </p>
                )}
            </div>
            {!method.refused && (
                <button type="button" className="glue-joined" disabled={isWaiting} onClick={onBegin}>
                    {isWaiting ? t`Kept, not sent yet` : t`Begin: ${method.name.toLowerCase()}`}
                </button>
            )}
        </li>
    );
}

const PAST: Partial<Record<SiteTest['state'], ShapeKind>> = { passed: 'done', failed: 'stop', unsteady: 'unknown' };

/** A test that is over. */
function Past({ test, methods, units }: { test: SiteTest; methods: TestMethod[]; units: Units }) {
    const method = methods.find((one) => one.kind === test.what);
    if (!method) return null;
    const shape = PAST[test.state] ?? 'open';
    return (
        <p className="test-past">
            <Shape kind={shape} size={18} />{' '}
            <Trans>
                <b>{method.name}</b>, begun {localClock(test.begun_at)} by {test.by}. {testInWords(test, method, units)}
            </Trans>
        </p>
    );
}
