import type { HangingReport } from '../../api/types';
import { boxAround, type Box } from './boxes';
import type { Section, XY } from './geometry';

export type TickOf = Pick<HangingReport['hangers'][number], 'number' | 'tape_mm' | 'kind'>;

/** How long a tick is, and how wide its foot, px. */
export const [TICK, FOOT] = [9, 9];

/** Square to a direction, on the side that is below it; of one that is upright, on its left. */
const below = ([x, y]: XY): XY => (x > 1e-3 || (Math.abs(x) <= 1e-3 && y > 0) ? [-y, x] : [y, -x]);

/**
 * Where a place on the tape stands on the drawing, and which way a tick goes off the pipe there: square to it, down, or
 * to the left of upright.
 */
export function tickAt(section: Section, tapeMm: number): { at: XY; out: XY; od: number } | null {
    let before = 0;
    for (const link of section.links) {
        if (tapeMm <= before + link.length + 0.01) {
            const share = link.length > 0 ? (tapeMm - before) / link.length : 0;
            const at: XY = [
                link.from[0] + (link.to[0] - link.from[0]) * share,
                link.from[1] + (link.to[1] - link.from[1]) * share,
            ];
            return { at, out: below(link.u), od: link.od };
        }
        before += link.length;
    }
    return null;
}

/** The ground that ticks take. */
export function tickBoxes(section: Section, hangers: TickOf[]): Box[] {
    return hangers.flatMap((hanger) => {
        const tick = tickAt(section, hanger.tape_mm);
        if (!tick) return [];
        const off = tick.od / 2 + TICK / 2 + 1;
        return [boxAround(tick.at[0] + tick.out[0] * off, tick.at[1] + tick.out[1] * off, TICK + 3, TICK + 3)];
    });
}
