import type { LogEntry, RunDay } from '../../api/types';
import { twoDigits } from '../../shared/twoDigits';

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

/** How long is left, as a clock shows it: `4:07`, `1:30:00`. What is begun counts. */
export function left(ms: number): string {
    const seconds = Math.max(0, Math.ceil(ms / 1_000));
    const [h, m, s] = [Math.floor(seconds / 3_600), Math.floor(seconds / 60) % 60, seconds % 60];
    return h > 0 ? `${h}:${twoDigits(m)}:${twoDigits(s)}` : `${m}:${twoDigits(s)}`;
}

/** The entry by which a joint was made, where it was not taken back. */
export function entryOf(entries: LogEntry[], run: string, joint: string): LogEntry | undefined {
    const back = new Set(entries.filter((one) => one.kind === 'taken-back').map((one) => one.entry));
    return entries.findLast(
        (one) => one.kind === 'joint' && one.run === run && String(one.joint) === joint && !back.has(one.number),
    );
}
