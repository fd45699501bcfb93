import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { jointCardQuery } from '../../api/queries';
import type { LogEntry, RunDay } from '../../api/types';
import { clockOf } from '../../drawing/day/times';
import type { JobEditor, SiteLog, SiteLogState } from '../../editing';
import { Shape } from '../../shared/Shape';
import { StepCard } from '../joints';
import { Seen } from './Seen';
import { SomethingWrong } from './SomethingWrong';
import { TROUBLES } from './troubles';

type Single = RunDay['singles'][number];

interface Props {
    singles: Single[];
    entries: LogEntry[];
    editor: JobEditor;
    log: SiteLog;
    state: SiteLogState;
}

/** The joints outside the runs: each by itself, whenever there is time for it. */
export function Singles({ singles, entries, editor, log, state }: Props) {
    const [selected, setSelected] = useState<string | null>(null);
    if (singles.length === 0) return null;
    const made = singles.filter((one) => one.made !== null).length;
    return (
        <details className="glue-singles" open={made < singles.length}>
            <summary>{t`Joints outside the runs: ${made} of ${singles.length} made`}</summary>
            <ol>
                {singles.map((one) => {
                    const isWaiting = state.pending.some((entry) => entry.run === one.run);
                    return (
                        <li key={one.id}>
                            <button type="button" className="glue-row" onClick={() => setSelected(one.id)}>
                                <Shape kind={shapeOf(one)} size={22} />
                                <span>
                                    <b>{one.name}</b>
                                    <span className="cap">{one.method_name || t`no method yet: Joints`}</span>
                                </span>
                                <span className="cap">{inWords(one)}</span>
                            </button>
                            {one.made === null && one.method !== null && (
                                <button
                                    type="button"
                                    className="glue-joined"
                                    disabled={isWaiting}
                                    onClick={() => log.add([madeSingle(one)])}
                                >
                                    {isWaiting ? t`Kept, not sent yet` : t`${one.name}: made`}
                                </button>
                            )}
                            {one.made !== null && (
                                <Seen
                                    run={one.run}
                                    joint="1"
                                    isCement={one.family === 'cement'}
                                    entries={entries}
                                    state={state}
                                    log={log}
                                />
                            )}
                            {selected === one.id && (
                                <OneSingle
                                    single={one}
                                    editor={editor}
                                    log={log}
                                    isOpen={one.made === null && !isWaiting}
                                    onBack={() => setSelected(null)}
                                />
                            )}
                        </li>
                    );
                })}
            </ol>
        </details>
    );
}

const madeSingle = (one: Single) => ({
    kind: 'joint' as const,
    run: one.run,
    joint: 1,
    ...(one.method === null ? {} : { method: one.method }),
});

const shapeOf = (one: Single): 'stop' | 'done' | 'open' => (one.wrong ? 'stop' : one.made ? 'done' : 'open');

function inWords({ made, wrong }: Single): string {
    if (wrong) return `${TROUBLES[wrong.what].toLowerCase()}: ${wrong.then}`;
    if (!made) return t`to be made`;
    const waits =
        made.may_fill !== null && made.may_fill !== made.at ? t`, no water before ${clockOf(made.may_fill)}` : '';
    return t`made ${clockOf(made.at)}${waits}`;
}

interface OneProps {
    single: Single;
    editor: JobEditor;
    log: SiteLog;
    isOpen: boolean;
    onBack: () => void;
}

/** One of them, step by step, and what to do where it goes wrong. */
function OneSingle({ single, editor, log, isOpen, onBack }: OneProps) {
    const card = useQuery(jointCardQuery(editor.ofJob, { single: single.id }));
    const method = card.data?.methods.find((one) => one.method === single.method);
    if (!card.data || !method) return card.isError ? <p role="alert">{card.error.message}</p> : null;
    const of = { run: single.run, joint: 1 };
    return (
        <div className="glue-single">
            <StepCard
                card={card.data}
                method={method}
                units={editor.evaluation.units}
                onBack={onBack}
                onMade={
                    isOpen
                        ? () => {
                              log.add([madeSingle(single)]);
                              onBack();
                          }
                        : null
                }
            />
            <SomethingWrong
                method={method}
                joint={single.name}
                onSaid={(what, then) => {
                    log.add([
                        { kind: 'trouble', what, ...of },
                        ...(then === 'again' ? [madeSingle(single)] : []),
                        ...(then === 'cut-out' ? [{ kind: 'cut-out' as const, ...of }] : []),
                    ]);
                    onBack();
                }}
            />
        </div>
    );
}
