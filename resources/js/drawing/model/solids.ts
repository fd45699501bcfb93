import type { CrossingReport, Evaluation, Point, RunReport } from '../../api/types';
import { offsetsOf } from '../house/scene';

/** What a model is made of: lengths of pipe, fittings round their bend, and what runs go through. */
export interface Tube {
    /** what it belongs to: a run, and the key of a piece or a fitting in it */
    run: string;
    key: string;
    /** from the first to the last, round the middle one where there are three */
    points: Point[];
    radiusMm: number;
    kind: 'piece' | 'fitting' | 'vent';
    material: string;
    /** what is written at its middle; empty: nothing */
    letter: string;
}

export interface Slab {
    name: string;
    at: Point;
    /** along the pipe, level; upright things lie across */
    along: Point;
    /** along the pipe, across it, upright, in mm */
    size: [number, number, number];
}

export interface Solids {
    tubes: Tube[];
    slabs: Slab[];
}

const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
const towards = (a: Point, u: Point, d: number): Point => ({ x: a.x + u.x * d, y: a.y + u.y * d, z: a.z + u.z * d });
const NONE: Point = { x: 0, y: 0, z: 0 };

/** A fitting stands so far over its pipe, of the radius. */
const OVER = 1.14;

/** More letters than these are not written. */
const MOST_LETTERS = 30;

/** How thick what is crossed is drawn, and how far it goes to either side, where nobody measured it. */
const THICK_MM = 45;
const WIDE_MM = 700;
const DEEP_MM = 235;

/** Takes an evaluation and the runs that are shown; gives them where they stand, in mm, z up. */
export function solidsOf(evaluation: Evaluation, shown: readonly string[]): Solids {
    const offsets = offsetsOf(evaluation);
    const solids: Solids = { tubes: [], slabs: [] };
    for (const run of evaluation.runs) {
        if (!shown.includes(run.id)) continue;
        const at = offsets.get(run.id) ?? NONE;
        const isVent = evaluation.network.places.find((place) => place.run === run.id)?.use === 'vent';
        solids.tubes.push(...tubesOf(run, at, isVent));
        for (const crossing of evaluation.network.crossings) {
            const slab = crossing.run === run.id ? slabOf(crossing, run, at) : null;
            if (slab) solids.slabs.push(slab);
        }
    }
    // So many letters would hide what they name.
    if (solids.tubes.filter((tube) => tube.letter !== '').length > MOST_LETTERS)
        for (const tube of solids.tubes) tube.letter = '';
    return solids;
}

function tubesOf(run: RunReport, at: Point, isVent: boolean): Tube[] {
    const radiusOf = (size: string): number => (run.pipes[size]?.od_mm ?? 60) / 2;
    const of = { run: run.id, material: run.system.material };
    const pieces = run.pieces.map((piece): Tube => ({
        ...of,
        key: piece.key,
        points: [plus(piece.from, at), plus(piece.to, at)],
        radiusMm: radiusOf(piece.size),
        kind: isVent ? 'vent' : 'piece',
        letter: piece.letter,
    }));
    const fittings = run.fittings.flatMap((fitting): Tube[] => {
        const middle = plus(fitting.at, at);
        const through: Tube = {
            ...of,
            key: fitting.key,
            points: [
                towards(middle, fitting.in, -fitting.into_mm),
                middle,
                towards(middle, fitting.out, fitting.out_of_mm),
            ],
            radiusMm: radiusOf(fitting.size) * OVER,
            kind: 'fitting',
            letter: '',
        };
        if (!fitting.branch) return [through];
        const { size, take_mm, flow } = fitting.branch;
        const branch = {
            ...through,
            points: [towards(middle, flow, -take_mm), middle],
            radiusMm: radiusOf(size) * OVER,
        };
        return [through, branch];
    });
    return [...pieces, ...fittings];
}

/** What is crossed, as a board across the pipe; level where the pipe goes through it upright. */
function slabOf(crossing: CrossingReport, run: RunReport, at: Point): Slab | null {
    const leg = run.legs.find((one) => one.number === crossing.leg);
    if (!leg?.from || !leg.to) return null;
    const length = Math.hypot(leg.to.x - leg.from.x, leg.to.y - leg.from.y, leg.to.z - leg.from.z);
    if (length === 0) return null;
    const way: Point = {
        x: (leg.to.x - leg.from.x) / length,
        y: (leg.to.y - leg.from.y) / length,
        z: (leg.to.z - leg.from.z) / length,
    };
    const middle = plus(towards(leg.from, way, crossing.tape_mm - (leg.tape_mm ?? 0)), at);
    const level = Math.hypot(way.x, way.y);
    const deep = crossing.depth?.mm ?? DEEP_MM;
    if (level < 0.5)
        return { name: crossing.name, at: middle, along: { x: 1, y: 0, z: 0 }, size: [WIDE_MM, WIDE_MM, deep] };
    const down = crossing.from_top ? crossing.from_top.mm - deep / 2 : 0;
    return {
        name: crossing.name,
        at: { ...middle, z: middle.z + down },
        along: { x: way.x / level, y: way.y / level, z: 0 },
        size: [THICK_MM, WIDE_MM, deep],
    };
}
