import { t } from '@lingui/core/macro';
import type { LogEntry, RunDay } from '../../api/types';
import { clockOf } from '../../drawing/day/times';
import type { SiteLog, SiteLogState } from '../../editing';
import { timeLeft } from '../../shared/timeLeft';
import { useNow, Waiting } from '../sitelog';
import { Seen } from './Seen';
import { entryOf, running, type Running } from './running';
import { useAttention } from './useAttention';
import { useMarks } from './marks';

interface Props {
    run: string;
    made: RunDay['made'];
    entries: LogEntry[];
    log: SiteLog;
    state: SiteLogState;
    /** joints that are made with cement: those leave a bead */
    cemented: string[];
    /** opens a joint, to say what is wrong with it */
    onSelect: (joint: string) => void;
}

/** The joints that are made, with their clocks: what ends next is read across the room. */
export function MadeJoints({ run, made, entries, log, state, cemented, onSelect }: Props) {
    const now = useNow(state.ahead ?? 0);
    const clocks = running(made, now);
    const next = clocks[0];
    useAttention(clocks, now);
    const markOf = useMarks();
    return (
        <section className="glue-made" aria-label={t`Made`}>
            <Waiting state={state} log={log} />
            {next && (
                <p className="glue-next" role="timer">
                    <b className="mk">{timeLeft(next.until - now)}</b>
                    <span>{clockInWords(next, made, markOf(next.joint))}</span>
                </p>
            )}
            {made.length > 0 && (
                <ul>
                    {made.map((joint) => (
                        <li key={joint.joint}>
                            <b className="glue-n mk">{markOf(joint.joint)}</b>
                            <span>
                                {t`made ${clockOf(joint.at)}`}
                                <By entry={entryOf(entries, run, joint.joint)} />
                                <span className="cap">{stateOf(joint.joint, clocks, now)}</span>
                            </span>
                            <span className="glue-made-acts">
                                <button type="button" className="plain small" onClick={() => onSelect(joint.joint)}>
                                    {t`Something is wrong`}
                                </button>
                                <TakeBack entry={entryOf(entries, run, joint.joint)} log={log} />
                            </span>
                            <Seen
                                run={run}
                                joint={joint.joint}
                                isCement={cemented.includes(joint.joint)}
                                entries={entries}
                                state={state}
                                log={log}
                            />
                        </li>
                    ))}
                </ul>
            )}
        </section>
    );
}

function By({ entry }: { entry: LogEntry | undefined }) {
    return entry ? <> {t`by ${entry.by}`}</> : null;
}

/** Taps that were none: the entry stays, and another takes it back. */
function TakeBack({ entry, log }: { entry: LogEntry | undefined; log: SiteLog }) {
    if (!entry) return null;
    return (
        <button
            type="button"
            className="plain small"
            onClick={() => log.add([{ kind: 'taken-back', entry: entry.number }])}
        >
            {t`Not made: take it back`}
        </button>
    );
}

function clockInWords(clock: Running, made: RunDay['made'], mark: string): string {
    const both = made.find((one) => one.joint === clock.joint);
    if (clock.what === 'fill') return t`no water through joint ${mark}`;
    return both?.may_fill === both?.may_move
        ? t`joint ${mark}: not moved, no water`
        : t`joint ${mark} must not be moved`;
}

function stateOf(joint: string, clocks: Running[], now: number): string {
    const of = clocks.filter((one) => one.joint === joint);
    const move = of.find((one) => one.what === 'move');
    const fill = of.find((one) => one.what === 'fill');
    if (move) return t`not moved for ${timeLeft(move.until - now)}`;
    return fill ? t`set; no water for ${timeLeft(fill.until - now)}` : t`set, and may carry water`;
}
