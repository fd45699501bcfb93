import type { RunDrawing, RunReport, StandingEnd } from '../../api/types';
import { chainOf, type Chain, type ChainLink, type ChainNode } from './chain';

export type XY = readonly [number, number];

/**
 * A link as it is drawn: from centre to centre, with where its pipe begins and ends (the stops) and its unit direction.
 */
export interface DrawnLink<R extends RunDrawing = RunReport> extends ChainLink<R> {
    from: XY;
    to: XY;
    u: XY;
    /** px from the upstream centre to the stop, and from the downstream centre back to it */
    takeOut: number;
    takeIn: number;
    hubOut: number;
    hubIn: number;
    kind: 'level' | 'steep';
    /** not drawn to the scale of lengths: a break is to be shown */
    broken: boolean;
    od: number;
    bore: number;
}

export interface DrawnNode<R extends RunDrawing = RunReport> extends ChainNode<R> {
    p: XY;
    uIn: XY;
    uOut: XY;
    takeIn: number;
    takeOut: number;
    hub: number;
    od: number;
    bore: number;
    wall: number;
    /** change of heading in plan, degrees, right positive; 0 where the turn is in the drawing's own plane */
    planTurn: number;
    /** outside of the hubs, px */
    hubOd: number;
    /** mm in plan from the outlet */
    plan: number;
    stubs: Stub[];
}

/** Where another run meets this one, as far as it is drawn: to the lip of the fitting. */
export interface Stub {
    run: string;
    vent: boolean;
    /** unit direction from the centre outward */
    u: XY;
    take: number;
    hub: number;
    od: number;
    bore: number;
    hubOd: number;
}

export interface Section<R extends RunDrawing = RunReport> {
    nodes: DrawnNode<R>[];
    links: DrawnLink<R>[];
    width: number;
    height: number;
    /** px per mm: fittings and bores, straight lengths, falls of level legs */
    v: number;
    h: number;
    falls: number;
    foot: number;
    /** joints where no pipe ends, with the place that they are at */
    extraJoints: { key: string; mark: string; node: number }[];
}

export interface Frame {
    width: number;
    height: number;
    top: number;
    bottom: number;
    left: number;
    right: number;
    /** the shortest visible pipe between two lips, px, so that its tags have room */
    visible: number;
    /** outside diameter of the largest pipe, px: most and least */
    most: number;
    least: number;
}

const WALL = 4.5;
const STEEP_DEG = 12;

/** A hub stands out 1.29 times the pipe, and its wall shows at any size. */
export const hubOutside = (od: number): number => Math.max(od * 1.29, od + 9 * Math.min(1, od / 22));

interface Sized {
    od: number;
    bore: number;
    wall: number;
}

/** Lays the long section out. Lengths and falls come from the evaluation; here they only get places on the screen. */
export function layOutSection<R extends RunDrawing>(run: R, within: Frame): Section<R> {
    const chain = chainOf(run);
    const frame = withStubs(chain, within);
    const largest = Math.max(...Object.values(run.pipes).map((pipe) => pipe.od_mm), 1);
    const room = frame.height - frame.top - frame.bottom;
    const fit = (od: number, falls: number): Measured & { v: number; h: number; falls: number } => {
        const v = od / largest;
        const h = lengthScale(chain, run, frame, v);
        return { v, h, falls, ...measure(chain, run, frame, v, h, falls) };
    };
    const tall = ({ top, bottom }: Measured): number => bottom - top;
    // Fittings as large as there is room for; then, below a size that can still be read, the falls give way first, and
    // the drawing says so.
    const readable = Math.max(frame.least, frame.most * 0.5);
    let best = fit(frame.most, 1);
    for (let od = frame.most - 1; tall(best) > room && od >= readable; od -= 1) best = fit(od, 1);
    for (let falls = 0.9; tall(best) > room && falls > 0.35; falls -= 0.1) best = fit(readable, falls);
    for (let od = readable; tall(best) > room && od >= frame.least; od -= 1) best = fit(od, 0.4);
    for (let falls = 0.3; tall(best) > room && falls > 0.015; falls *= 0.7) best = fit(frame.least, falls);
    return place(chain, run, frame, best);
}

/** How far the thing at an end of the run is drawn beyond it, px. */
export const END = 26;

/** Where the run begins or ends upright, what stands beyond it needs room above or below. */
function withStubs(chain: Chain<RunDrawing>, frame: Frame): Frame {
    const steep = (link: ChainLink<RunDrawing> | undefined): boolean =>
        link !== undefined && Math.abs(link.drop) > link.plan * 0.4;
    const stub = END + 8;
    return {
        ...frame,
        top: Math.max(frame.top, steep(chain.links[0]) ? stub : 0),
        bottom: Math.max(frame.bottom, steep(chain.links.at(-1)) ? stub : 0),
    };
}

/** Room for the name at the end of a stub, px. */
export const STUB_NAME = 16;

/**
 * The branches of a fitting: on a level run they stand up from it and lean with the flow, on an upright one they come
 * in from the right, where there is room for their names. Of a double pattern
 * the second lies opposite. In a turn the stub goes straight on up the leg after.
 */
function stubsOf(node: ChainNode<RunDrawing>, out: XY, run: RunDrawing, v: number): Stub[] {
    const branch = node.fitting?.branch;
    if (!branch) return [];
    const turn = ((branch.turn ? 0 : (node.fitting?.turn_deg ?? 90)) * Math.PI) / 180;
    const flow: XY = branch.reversed ? [-out[0], -out[1]] : out;
    const up: XY = Math.abs(out[1]) < 0.7 ? [out[1], -out[0]] : [Math.abs(out[1]), 0];
    return branch.taps.map((tap, i) => {
        const side = i === 0 ? 1 : -1;
        const u: XY = [
            -Math.cos(turn) * flow[0] + Math.sin(turn) * up[0] * side,
            -Math.cos(turn) * flow[1] + Math.sin(turn) * up[1] * side,
        ];
        const length = Math.hypot(u[0], u[1]) || 1;
        const size = sized(run, branch.size, v);
        const own = hubOutside(sized(run, node.size, v).od) / 2;
        return {
            run: tap.run,
            vent: tap.vent,
            u: [u[0] / length, u[1] / length],
            // However small the drawing, a branch stands out of the hubs of its own fitting.
            take: Math.max(v * branch.take_mm, own / Math.max(0.5, Math.sin(turn)) + 2),
            hub: Math.max(7, v * (run.pipes[branch.size]?.socket_depth_mm ?? 20)),
            ...size,
            hubOd: hubOutside(size.od),
        };
    });
}

interface Measured {
    points: XY[];
    top: number;
    bottom: number;
    right: number;
}

/** The greatest scale of lengths, up to that of the fittings, at which the run is no wider than the frame. */
function lengthScale(chain: Chain<RunDrawing>, run: RunDrawing, frame: Frame, v: number): number {
    const wide = frame.width - frame.left - frame.right;
    let [low, high] = [v * 0.002, v];
    if (measure(chain, run, frame, v, high, 1).right <= wide) return high;
    for (let i = 0; i < 24; i++) {
        const middle = (low + high) / 2;
        if (measure(chain, run, frame, v, middle, 1).right <= wide) low = middle;
        else high = middle;
    }
    return low;
}

function measure(
    chain: Chain<RunDrawing>,
    run: RunDrawing,
    frame: Frame,
    v: number,
    h: number,
    falls: number,
): Measured {
    const points: XY[] = [[0, 0]];
    let [x, y, top, bottom] = [0, 0, 0, 0];
    chain.links.forEach((link, i) => {
        const drawn = draw(link, chain.nodes[i], chain.nodes[i + 1], run, frame, v, h, falls);
        x += drawn.dx;
        y += drawn.dy;
        points.push([x, y]);
        const half = hubOutside(sized(run, link.size, v).od) / 2;
        top = Math.min(top, y - half);
        bottom = Math.max(bottom, y + half);
        const node = chain.nodes[i + 1];
        if (node?.fitting?.branch) {
            const length = Math.hypot(drawn.dx, drawn.dy) || 1;
            for (const stub of stubsOf(node, [drawn.dx / length, drawn.dy / length], run, v)) {
                const tip = y + stub.u[1] * (stub.take + stub.hub + STUB_NAME);
                top = Math.min(top, tip - stub.hubOd / 2);
                bottom = Math.max(bottom, tip + stub.hubOd / 2);
            }
        }
    });
    const half = sized(run, run.legs[0]?.size ?? '', v).od * 0.7;
    return { points, top: Math.min(top, -half), bottom: Math.max(bottom, half), right: x };
}

interface Stretch {
    dx: number;
    dy: number;
    takeOut: number;
    takeIn: number;
    hubOut: number;
    hubIn: number;
    kind: 'level' | 'steep';
    broken: boolean;
}

function draw(
    link: ChainLink<RunDrawing>,
    from: ChainNode<RunDrawing> | undefined,
    to: ChainNode<RunDrawing> | undefined,
    run: RunDrawing,
    frame: Frame,
    v: number,
    h: number,
    falls: number,
): Stretch {
    const depth = v * (run.pipes[link.size]?.socket_depth_mm ?? 0);
    const takeOut = v * ((from?.fitting?.out_of_mm ?? 0) + (from?.bushingOut?.out_of_mm ?? 0));
    const takeIn = v * ((to?.fitting?.into_mm ?? 0) + (to?.bushingIn?.into_mm ?? 0));
    // A piece with a hub goes into nothing at that end.
    const hubOut = from?.kind === 'kink' || keepsHub(run, link, from, 'start') ? 0 : depth;
    const hubIn = to?.kind === 'kink' || to?.kind === 'open' || keepsHub(run, link, to, 'end') ? 0 : depth;
    const dip = (Math.atan2(link.drop, Math.max(link.plan, 1e-6)) * 180) / Math.PI;
    const kind = Math.abs(dip) > STEEP_DEG ? 'steep' : 'level';
    // A pair's short piece has its letter beside it, not on a rail of its own length.
    const visible = link.piece ? (link.piece.between || kind === 'steep' ? frame.visible * 0.5 : frame.visible) : 0;
    const least = takeOut + takeIn + (link.piece ? hubOut + hubIn + visible : 0);
    if (kind === 'level') {
        const dx = Math.max(h * link.plan, least);
        return {
            dx,
            dy: v * falls * link.drop,
            takeOut,
            takeIn,
            hubOut,
            hubIn,
            kind,
            broken: dx > h * link.plan * 1.02 + 1,
        };
    }
    const length = least + (link.piece && !link.piece.between ? Math.min(12, h * link.length * 0.1) : 0);
    const rad = Math.atan2(link.drop, link.plan);
    const broken = link.piece !== null && !link.piece.between && length < v * link.length * 0.98;
    return { dx: length * Math.cos(rad), dy: length * Math.sin(rad), takeOut, takeIn, hubOut, hubIn, kind, broken };
}

const SWALLOWS = ['hub', 'bell', 'solvent-socket', 'ring-socket', 'female-thread', 'slip-nut'];

/** Whether what stands at an end of a run takes the end of a pipe into it. */
export const swallows = (standing: StandingEnd): boolean => SWALLOWS.includes(standing.kind);

/** Whether a piece has its hub where it begins or where it ends, and what stands there is in it. */
export function keepsHub(
    run: RunDrawing,
    link: ChainLink<RunDrawing> | undefined,
    node: ChainNode<RunDrawing> | undefined,
    at: 'start' | 'end',
): boolean {
    if (run.system.hubs !== at || !node || !link?.piece) return false;
    // On the board it is not said of every piece.
    if ('hub' in link.piece) return link.piece.hub === at;
    if (node.kind !== 'outlet' && node.kind !== 'tie-in') return true;
    const standing = node.kind === 'outlet' ? run.ends.outlet : run.ends.tie_in;
    return standing !== null && !standing.sleeve && !swallows(standing);
}

function sized(run: RunDrawing, size: string, v: number): Sized {
    const pipe = run.pipes[size] ?? { od_mm: 48, bore_mm: 41 };
    const bore = pipe.bore_mm * v;
    const wall = Math.max(WALL * Math.min(1, (pipe.od_mm * v) / 22), ((pipe.od_mm - pipe.bore_mm) / 2) * v);
    return { bore, wall, od: bore + 2 * wall };
}

function place<R extends RunDrawing>(
    chain: Chain<R>,
    run: R,
    frame: Frame,
    fit: Measured & { v: number; h: number; falls: number },
): Section<R> {
    const tall = fit.bottom - fit.top;
    const height = Math.max(frame.height, tall + frame.top + frame.bottom);
    const spare = height - frame.top - frame.bottom - tall;
    const oy = frame.top - fit.top + spare * 0.35;
    const width = Math.max(frame.width, fit.right + frame.left + frame.right);
    const points = fit.points.map(([x, y]): XY => [frame.left + x, oy + y]);
    const links = chain.links.map((link, i): DrawnLink<R> => {
        const from = points[i] ?? [0, 0];
        const to = points[i + 1] ?? from;
        const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
        const stretch = draw(link, chain.nodes[i], chain.nodes[i + 1], run, frame, fit.v, fit.h, fit.falls);
        return {
            ...link,
            ...stretch,
            ...sized(run, link.size, fit.v),
            from,
            to,
            u: [(to[0] - from[0]) / length, (to[1] - from[1]) / length],
        };
    });
    let plan = 0;
    const nodes = chain.nodes.map((node, i): DrawnNode<R> => {
        const before = links[i - 1];
        const after = links[i];
        if (before) plan += before.plan;
        const size = sized(run, node.size, fit.v);
        return {
            ...node,
            ...size,
            p: points[i] ?? [0, 0],
            uIn: before?.u ?? after?.u ?? [1, 0],
            uOut: after?.u ?? before?.u ?? [1, 0],
            takeIn: before?.takeIn ?? 0,
            takeOut: after?.takeOut ?? 0,
            hub: fit.v * (run.pipes[node.size]?.socket_depth_mm ?? 0),
            hubOd: hubOutside(size.od),
            planTurn: node.fitting ? planTurn(node) : 0,
            plan,
            stubs: stubsOf(node, after?.u ?? before?.u ?? [1, 0], run, fit.v),
        };
    });
    return {
        nodes,
        links,
        width,
        height,
        v: fit.v,
        h: fit.h,
        falls: fit.falls,
        foot: height - 18,
        extraJoints: extraJoints(chain, run),
    };
}

function extraJoints(chain: Chain<RunDrawing>, run: RunDrawing): Section['extraJoints'] {
    const drawn = new Set(chain.links.flatMap((link) => link.joints.map((joint) => joint?.key)));
    const nodeOf = (fitting: string | null): number =>
        chain.nodes.findIndex((node) =>
            [node.fitting?.key, node.bushingIn?.key, node.bushingOut?.key].includes(fitting ?? ''),
        );
    return run.joints
        .filter((joint) => !drawn.has(joint.key))
        .map((joint) => {
            const node = nodeOf(joint.fitting);
            const end = joint.key === 'outlet' ? 0 : chain.nodes.length - 1;
            return { key: joint.key, mark: joint.mark, node: node >= 0 ? node : end };
        });
}

/** How far a bend turns in plan, where both its legs are level enough to have a heading there. */
function planTurn(node: ChainNode<RunDrawing>): number {
    const fitting = node.fitting;
    if (!fitting) return 0;
    const { in: a, out: b } = fitting;
    if (Math.hypot(a.x, a.y) < 0.3 || Math.hypot(b.x, b.y) < 0.3) return 0;
    const deg = ((Math.atan2(b.x, b.y) - Math.atan2(a.x, a.y)) * 180) / Math.PI;
    const turn = ((((deg + 180) % 360) + 360) % 360) - 180;
    return Math.abs(turn) < 3 ? 0 : turn;
}
