import { useEffect, useState } from 'react';
import type { LogEntry, RunDay } from '../../api/types';
import { clockOf } from '../../drawing/day/times';
import type { SiteLog, SiteLogState } from '../../editing';
import { Shape } from '../../shared/Shape';
import { entryOf, left, running, type Running } from './running';
import { useAttention } from './useAttention';

interface Props {
    run: string;
    made: RunDay['made'];
    entries: LogEntry[];
    log: SiteLog;
    state: SiteLogState;
}

/** The joints that are made, with their clocks: what ends next is read across the room. */
export function MadeJoints({ run, made, entries, log, state }: Props) {
    const now = useNow(state.ahead ?? 0);
    const clocks = running(made, now);
    const next = clocks[0];
    useAttention(clocks, now);
    return (
        <section className="glue-made" aria-label="Made">
            <Waiting state={state} log={log} />
            {next && (
                <p className="glue-next" role="timer">
                    <b className="mk">{left(next.until - now)}</b>
                    <span>{clockInWords(next, made)}</span>
                </p>
            )}
            {made.length > 0 && (
                <ul>
                    {made.map((joint) => (
                        <li key={joint.joint}>
                            <b className="glue-n mk">{joint.joint}</b>
                            <span>
                                made {clockOf(joint.at)}
                                <By entry={entryOf(entries, run, joint.joint)} />
                                <span className="cap">{stateOf(joint.joint, clocks, now)}</span>
                            </span>
                            <TakeBack entry={entryOf(entries, run, joint.joint)} log={log} />
                        </li>
                    ))}
                </ul>
            )}
        </section>
    );
}

function By({ entry }: { entry: LogEntry | undefined }) {
    return entry ? <> by {entry.by}</> : null;
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
            Not made: take it back
        </button>
    );
}

/** What the server does not have yet, and what it did not take. */
function Waiting({ state, log }: { state: SiteLogState; log: SiteLog }) {
    return (
        <>
            {state.pending.length > 0 && (
                <p role="status">
                    <Shape kind="unknown" size={17} /> {state.pending.length}{' '}
                    {state.pending.length === 1 ? 'entry is' : 'entries are'}{' '}
                    {state.isStored
                        ? 'kept on this device and not sent yet.'
                        : 'not sent yet, and there is no room on this device: leave this page open.'}
                </p>
            )}
            {state.refused.map((one) => (
                <p key={one.key} role="alert">
                    <Shape kind="stop" size={17} /> {one.kind === 'joint' ? `Joint ${one.joint}` : 'An entry'} was not
                    taken: {one.why}{' '}
                    <button type="button" className="plain small" onClick={() => log.forget(one.key)}>
                        I have seen it
                    </button>
                </p>
            ))}
        </>
    );
}

function clockInWords(clock: Running, made: RunDay['made']): string {
    const both = made.find((one) => one.joint === clock.joint);
    if (clock.what === 'fill') return `no water through joint ${clock.joint}`;
    return both?.may_fill === both?.may_move
        ? `joint ${clock.joint}: not moved, no water`
        : `joint ${clock.joint} must not be moved`;
}

function stateOf(joint: string, clocks: Running[], now: number): string {
    const of = clocks.filter((one) => one.joint === joint);
    const move = of.find((one) => one.what === 'move');
    const fill = of.find((one) => one.what === 'fill');
    if (move) return `not moved for ${left(move.until - now)}`;
    return fill ? `set; no water for ${left(fill.until - now)}` : 'set, and may carry water';
}

/** The time by the clock of the server, every second. */
function useNow(ahead: number): number {
    const [now, setNow] = useState(() => Date.now());
    useEffect(() => {
        const timer = setInterval(() => setNow(Date.now()), 1_000);
        return () => clearInterval(timer);
    }, []);
    return now + ahead;
}
