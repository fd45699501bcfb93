import { t } from '@lingui/core/macro';
import type { Evaluation, PipeReport, Point, RunReport } from '../../api/types';

/** A stretch of one leg on the way of the water, in mm: how far it leads in plan and where it lies in height. */
export interface WayStretch {
    run: string;
    name: string;
    leg: number;
    size: string;
    role: PipeReport['role'];
    plan: number;
    drop: number;
    upright: boolean;
    fall: { inch: string; metric: string } | null;
}

export interface Way {
    stretches: WayStretch[];
    /** what comes in along the way, before which stretch */
    joins: { before: number; run: string; name: string }[];
    plan: number;
    drop: number;
    /** why it is not known further */
    open: string | null;
}

const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y + a.z * b.z;

/**
 * The way that water takes from the head of a run to where nothing leads on: the run, then from the place where it
 * enters it the next one, and so on.
 */
export function wayOf(evaluation: Evaluation, from: string): Way {
    const way: Way = { stretches: [], joins: [], plan: 0, drop: 0, open: null };
    const seen = new Set<string>();
    let id: string | null = from;
    let start: Point | null = null;
    while (id !== null && !seen.has(id)) {
        seen.add(id);
        const run: RunReport | undefined = evaluation.runs.find((one) => one.id === id);
        const place = evaluation.network.places.find((one) => one.run === id);
        if (!run || !place) break;
        if (seen.size > 1) way.joins.push({ before: way.stretches.length, run: run.id, name: place.name });
        addRun(way, evaluation, run, place.name, start === null ? null : minus(start, place.at));
        start = plus(run.end, place.at);
        const into = place.rises ? null : place.into;
        if (into !== null && seen.has(into)) way.open = t`It leads round in a loop.`;
        id = into;
    }
    for (const stretch of way.stretches) {
        way.plan += stretch.plan;
        way.drop += stretch.drop;
    }
    return way;
}

/** A run from the point on it that is nearest to where the way comes in, or all of it. */
function addRun(way: Way, evaluation: Evaluation, run: RunReport, name: string, at: Point | null): void {
    const entry = at === null ? null : nearest(run, at);
    const pipes = evaluation.network.pipes.filter((pipe) => pipe.run === run.id);
    for (const leg of run.legs) {
        if (!leg.from || !leg.to || leg.tape_mm === null) continue;
        if (entry && leg.number < entry.leg) continue;
        const share = entry?.leg === leg.number ? 1 - entry.along : 1;
        const [dx, dy, dz] = [
            (leg.to.x - leg.from.x) * share,
            (leg.to.y - leg.from.y) * share,
            (leg.to.z - leg.from.z) * share,
        ];
        const length = Math.hypot(dx, dy, dz);
        if (length < 0.5) continue;
        const middle =
            leg.tape_mm + Math.hypot(leg.to.x - leg.from.x, leg.to.y - leg.from.y, leg.to.z - leg.from.z) - length / 2;
        way.stretches.push({
            run: run.id,
            name,
            leg: leg.number,
            size: leg.size,
            role: pipes.find((pipe) => middle >= pipe.from_mm && middle <= pipe.to_mm)?.role ?? 'dead',
            plan: Math.hypot(dx, dy),
            drop: -dz,
            upright: leg.upright,
            fall: leg.fall,
        });
    }
}

/** The leg that a point lies on or next to, and how far along it, from 0 to 1. */
function nearest(run: RunReport, at: Point): { leg: number; along: number } | null {
    let best: { leg: number; along: number; off: number } | null = null;
    for (const leg of run.legs) {
        if (!leg.from || !leg.to) continue;
        const u = minus(leg.to, leg.from);
        const along = Math.max(0, Math.min(1, dot(minus(at, leg.from), u) / Math.max(1e-9, dot(u, u))));
        const foot = { x: leg.from.x + u.x * along, y: leg.from.y + u.y * along, z: leg.from.z + u.z * along };
        const off = Math.hypot(...Object.values(minus(at, foot)));
        if (!best || off < best.off - 1) best = { leg: leg.number, along, off };
    }
    return best;
}
