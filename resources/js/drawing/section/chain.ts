import type { Point, RunDrawing, RunReport } from '../../api/types';

/**
 * A place where something stands on the run: its ends, its fittings, pipe that goes into pipe, and legs that meet
 * without a fitting.
 */
export interface ChainNode<R extends RunDrawing = RunReport> {
    key: string;
    kind: 'outlet' | 'bend' | 'branch' | 'coupling' | 'hub' | 'kink' | 'tie-in' | 'open';
    at: Point;
    fitting: R['fittings'][number] | null;
    bushingIn: R['fittings'][number] | null;
    bushingOut: R['fittings'][number] | null;
    size: string;
}

/** What lies between two places: at most one piece of pipe, in one direction. */
export interface ChainLink<R extends RunDrawing = RunReport> {
    leg: R['legs'][number];
    piece: R['pieces'][number] | null;
    /** centre to centre, mm */
    length: number;
    /** mm in plan, and mm down */
    plan: number;
    drop: number;
    size: string;
    /** joints at the upstream and at the downstream end of the piece */
    joints: [R['joints'][number] | null, R['joints'][number] | null];
}

export interface Chain<R extends RunDrawing = RunReport> {
    nodes: ChainNode<R>[];
    links: ChainLink<R>[];
}

/** Pieces and fittings along each leg, in the order of flow; what stands in its turns is left to the turns. */
function alongLegs(run: RunDrawing): Map<string, string[]> {
    const along = new Map<string, string[]>();
    for (const key of run.sequence) {
        const [leg = '', ...rest] = key.split('.');
        const place = rest.join('.');
        if (place === '' || ['a', 'b', 'p', 'bi', 'bo'].includes(place)) continue;
        along.set(leg, [...(along.get(leg) ?? []), key]);
    }
    return along;
}

/** A place with nothing but, it may be, one fitting. */
function nodeAt<R extends RunDrawing>(
    kind: ChainNode['kind'],
    key: string,
    at: Point,
    size: string,
    fitting: R['fittings'][number] | null = null,
): ChainNode<R> {
    return { key, kind, at, fitting, bushingIn: null, bushingOut: null, size };
}

/** Puts the evaluated parts of a run in a row: node, link, node, link … node. */
export function chainOf<R extends RunDrawing>(run: R): Chain<R> {
    type Leg = R['legs'][number];
    type Piece = R['pieces'][number];
    type Fitting = R['fittings'][number];
    type Joint = R['joints'][number];
    const nodes: ChainNode<R>[] = [];
    const links: ChainLink<R>[] = [];
    const fittings = new Map<string, Fitting>(run.fittings.map((fitting) => [fitting.key, fitting]));
    const pieces = new Map<string, Piece>(run.pieces.map((piece) => [piece.key, piece]));
    const joints = new Map<string, Joint>(run.joints.map((joint) => [joint.key, joint]));
    const laid: Leg[] = run.legs.filter((leg) => leg.laid && leg.from && leg.to);
    const along = alongLegs(run);
    let waiting: Piece | null = null;

    const add = (node: ChainNode<R>, leg: Leg): void => {
        const before = nodes.at(-1);
        if (before) {
            const piece: Piece | null = waiting;
            const [dx, dy, dz] = [node.at.x - before.at.x, node.at.y - before.at.y, node.at.z - before.at.z];
            links.push({
                leg,
                piece,
                length: Math.hypot(dx, dy, dz),
                plan: Math.hypot(dx, dy),
                drop: -dz,
                size: piece?.size ?? leg.size,
                joints: piece
                    ? [joints.get(piece.joint_from) ?? null, joints.get(piece.joint_to) ?? null]
                    : [null, null],
            });
        }
        waiting = null;
        nodes.push(node);
    };
    laid.forEach((leg, i) => {
        const from = leg.from as Point;
        const bends = [fittings.get(`${leg.id}.a`), fittings.get(`${leg.id}.b`)].filter((f) => f !== undefined);
        if (i === 0) {
            add(nodeAt('outlet', 'outlet', from, leg.size, fittings.get('outlet') ?? null), leg);
        } else if (bends.length === 0) {
            add(nodeAt('kink', `${leg.id}.kink`, from, leg.size), laid[i - 1] ?? leg);
        }
        bends.forEach((bend, b) => {
            const turn = nodeAt<R>(
                bend.pattern === 'coupling' ? 'coupling' : 'bend',
                bend.key,
                bend.at,
                bend.size,
                bend,
            );
            if (b === 0) turn.bushingIn = fittings.get(`${leg.id}.bi`) ?? null;
            if (b === bends.length - 1) turn.bushingOut = fittings.get(`${leg.id}.bo`) ?? null;
            add(turn, b === 0 ? (laid[i - 1] ?? leg) : leg);
            if (b === 0 && bends.length === 2) waiting = pieces.get(`${leg.id}.p`) ?? null;
        });
        for (const key of along.get(leg.id) ?? []) {
            const piece = pieces.get(key);
            const fitting = fittings.get(key);
            if (piece) {
                // On the board it is not said where: the two are drawn as one.
                if (waiting && 'from' in piece)
                    add(nodeAt('hub', piece.joint_from, piece.from as Point, piece.size), leg);
                waiting = piece;
            } else if (fitting)
                add(
                    nodeAt(fitting.branch ? 'branch' : 'coupling', fitting.key, fitting.at, fitting.size, fitting),
                    leg,
                );
        }
        if (i === laid.length - 1) {
            const whole = run.totals.whole;
            add(
                nodeAt(
                    whole ? 'tie-in' : 'open',
                    whole ? 'tie-in' : 'open',
                    leg.to as Point,
                    leg.size,
                    whole ? (fittings.get('tie-in') ?? null) : null,
                ),
                leg,
            );
        }
    });
    return { nodes, links };
}
