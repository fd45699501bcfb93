import type { LogEntry, RunDay } from '../../api/types';

/** What a clock runs until. */
export interface Running {
    joint: string;
    what: 'move' | 'fill';
    /** milliseconds, by the clock of the server */
    until: number;
}

/** The clocks of the joints that are made, what ends next first; those that are over are gone. */
export function running(made: RunDay['made'], now: number): Running[] {
    return made
        .flatMap(({ joint, may_move, may_fill }): Running[] => [
            ...(may_move === null ? [] : [{ joint, what: 'move' as const, until: Date.parse(may_move) }]),
            // Where both end at once, one clock says both.
            ...(may_fill === null || may_fill === may_move
                ? []
                : [{ joint, what: 'fill' as const, until: Date.parse(may_fill) }]),
        ])
        .filter((clock) => clock.until > now)
        .sort((a, b) => a.until - b.until);
}

/** The last entry of a kind of a joint that was not taken back; by itself the one by which it was made. */
export function entryOf(
    entries: LogEntry[],
    run: string,
    joint: string,
    kind: LogEntry['kind'] = 'joint',
): LogEntry | undefined {
    const back = new Set(entries.filter((one) => one.kind === 'taken-back').map((one) => one.entry));
    return entries.findLast(
        (one) => one.kind === kind && one.run === run && String(one.joint) === joint && !back.has(one.number),
    );
}
