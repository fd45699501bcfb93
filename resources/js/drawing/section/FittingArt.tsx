import type { RunDrawing, StandingEnd } from '../../api/types';
import { END, keepsHub, swallows, type DrawnLink, type DrawnNode, type XY } from './geometry';
import { along, below, middle } from './labels';

const EDGE = 1.1;
const n = (value: number): number => Math.round(value * 100) / 100;
const line = (a: XY, b: XY): string => `M${n(a[0])} ${n(a[1])}L${n(b[0])} ${n(b[1])}`;

interface Stroke {
    d: string;
    width: number;
}

/**
 * Outline, wall, inner outline and bore, each over all branches of a fitting, so that their union has one clean edge.
 */
function Layers({ bodies, hubs, texture }: { bodies: (Stroke & { bore: number })[]; hubs: Stroke[]; texture: string }) {
    const path = (d: string, width: number, stroke: string, key: string) => (
        <path key={key} d={d} style={{ fill: 'none', stroke, strokeWidth: n(width) }} />
    );
    return (
        <g>
            {bodies.map((b, i) => path(b.d, b.width + 2 * EDGE, 'var(--edge)', `a${i}`))}
            {hubs.map((h, i) => path(h.d, h.width + 2 * EDGE, 'var(--edge)', `b${i}`))}
            {bodies.map((b, i) => path(b.d, b.width, texture, `c${i}`))}
            {hubs.map((h, i) => path(shortened(h.d), h.width, texture, `d${i}`))}
            {bodies.map((b, i) => path(b.d, b.bore + 2 * EDGE, 'var(--edge)', `e${i}`))}
            {bodies.map((b, i) => path(b.d, b.bore, 'var(--lumen)', `f${i}`))}
        </g>
    );
}

/** Hubs are drawn a hair short, so that their outline closes their ends. */
function shortened(d: string): string {
    const numbers = d.match(/-?[\d.]+/g)?.map(Number) ?? [];
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = numbers;
    const length = Math.hypot(x2 - x1, y2 - y1) || 1;
    const u: XY = [(x2 - x1) / length, (y2 - y1) / length];
    return line(along([x1, y1], u, EDGE), along([x2, y2], u, -EDGE));
}

/** The middle line of a fitting: straight where it does not turn in the drawing, else an arc between its two stops. */
function bodyPath(node: DrawnNode<RunDrawing>, offset = 0): string {
    const a = along(along(node.p, node.uIn, -node.takeIn), below(node.uIn), offset);
    const b = along(along(node.p, node.uOut, node.takeOut), below(node.uOut), offset);
    const cross = node.uIn[0] * node.uOut[1] - node.uIn[1] * node.uOut[0];
    const angle = Math.abs(Math.atan2(cross, node.uIn[0] * node.uOut[0] + node.uIn[1] * node.uOut[1]));
    if (angle < 0.02) return line(a, b);
    const leg = Math.min(node.takeIn, node.takeOut);
    const radius = leg / Math.tan(angle / 2) + (cross > 0 ? -offset : offset);
    const from = along(along(node.p, node.uIn, -leg), below(node.uIn), offset);
    const to = along(along(node.p, node.uOut, leg), below(node.uOut), offset);
    const start = node.takeIn > leg + 0.5 ? `${line(a, from)}` : `M${n(from[0])} ${n(from[1])}`;
    if (radius < 0.5)
        return `${start}L${n(node.p[0] + below(node.uIn)[0] * offset)} ${n(node.p[1] + below(node.uOut)[1] * offset)}L${n(b[0])} ${n(b[1])}`;
    const arc = `A${n(radius)} ${n(radius)} 0 0 ${cross > 0 ? 1 : 0} ${n(to[0])} ${n(to[1])}`;
    return `${start}${arc}${node.takeOut > leg + 0.5 ? `L${n(b[0])} ${n(b[1])}` : ''}`;
}

/**
 * A bend or a coupling with its hubs; the hubs open up- and downstream unless a spigot stands in the fitting before. Of
 * hub-and-spigot pipe the spigot of a fitting stands in the hub of what follows.
 */
export function FittingArt({ node, run, texture }: { node: DrawnNode<RunDrawing>; run: RunDrawing; texture: string }) {
    if (!node.fitting || node.kind === 'outlet' || node.kind === 'tie-in') return null;
    const hub = node.hubOd;
    const hubs: Stroke[] = [];
    const { hubs: side } = run.system;
    if (side === null ? !node.fitting.stands : side === 'start') {
        const stop = along(node.p, node.uIn, -node.takeIn);
        hubs.push({ d: line(along(stop, node.uIn, -node.hub), stop), width: hub });
    }
    const stop = along(node.p, node.uOut, node.takeOut);
    if (side !== 'start') hubs.push({ d: line(stop, along(stop, node.uOut, node.hub)), width: hub });
    if (node.kind === 'coupling') {
        const whole = line(
            along(along(node.p, node.uIn, -node.takeIn), node.uIn, -node.hub),
            along(stop, node.uOut, node.hub),
        );
        return (
            <Layers
                bodies={[{ d: bodyPath(node), width: node.od, bore: node.bore }]}
                hubs={[{ d: whole, width: hub }]}
                texture={texture}
            />
        );
    }
    const stubs = node.stubs.map((stub) => ({
        d: line(node.p, along(node.p, stub.u, stub.take + stub.hub)),
        width: stub.od,
        bore: stub.bore,
    }));
    const stubHubs = node.stubs.map((stub) => ({
        d: line(along(node.p, stub.u, stub.take), along(node.p, stub.u, stub.take + stub.hub)),
        width: stub.hubOd,
    }));
    return (
        <Layers
            bodies={[{ d: bodyPath(node), width: node.od, bore: node.bore }, ...stubs]}
            hubs={[...hubs, ...stubHubs]}
            texture={texture}
        />
    );
}

/**
 * What the run starts from or ends in: a socket of a standing part, or a standing pipe with what joins it, broken off.
 */
export function EndArt({
    node,
    link,
    at,
    textures,
    run,
    scale,
}: {
    node: DrawnNode<RunDrawing>;
    /** what begins or ends there */
    link: DrawnLink<RunDrawing> | undefined;
    at: 'outlet' | 'tie-in';
    textures: (material: string) => string;
    run: RunDrawing;
    scale: number;
}) {
    const u = at === 'outlet' ? node.uOut : node.uIn;
    const sign = at === 'outlet' ? -1 : 1;
    const far = along(node.p, u, sign * END);
    const take = at === 'outlet' ? node.takeOut : node.takeIn;
    const stop = along(node.p, u, -sign * take);
    const texture = textures(run.system.material);
    const standing = at === 'outlet' ? run.ends.outlet : node.kind === 'tie-in' ? run.ends.tie_in : null;
    if (standing)
        return (
            <StandingArt
                node={node}
                standing={standing}
                u={u}
                sign={sign}
                far={far}
                textures={textures}
                scale={scale}
            />
        );
    const hub: Stroke[] = [];
    // Where the run's own piece has a hub there, that is drawn with it.
    const isOurs = keepsHub(run, link, node, at === 'outlet' ? 'start' : 'end');
    if (node.kind !== 'open' && !isOurs)
        hub.push({ d: line(stop, along(stop, u, -sign * node.hub)), width: node.hubOd });
    if (node.fitting?.pattern === 'coupling')
        hub.push({ d: line(node.p, along(node.p, u, sign * node.hub)), width: node.hubOd });
    return (
        <g>
            <Layers bodies={[{ d: line(stop, far), width: node.od, bore: node.bore }]} hubs={hub} texture={texture} />
            <BreakMark at={far} u={u} width={node.od} gap={8} />
            {node.fitting?.pattern === 'trap-adapter' && (
                <path
                    d={line(along(node.p, u, sign * 4), along(node.p, u, sign * 16))}
                    style={{ stroke: 'var(--edge)', strokeWidth: node.od * 1.4, fill: 'none' }}
                />
            )}
            {node.fitting?.pattern === 'trap-adapter' && (
                <path
                    d={line(along(node.p, u, sign * 5.2), along(node.p, u, sign * 14.8))}
                    style={{ stroke: textures('steel'), strokeWidth: node.od * 1.4 - 2.4, fill: 'none' }}
                />
            )}
        </g>
    );
}

/** A standing pipe in its own material and size, with the sleeve over the joint or the hub round the end of the run. */
function StandingArt({
    node,
    standing,
    u,
    sign,
    far,
    textures,
    scale,
}: {
    node: DrawnNode<RunDrawing>;
    standing: StandingEnd;
    u: XY;
    sign: number;
    far: XY;
    textures: (material: string) => string;
    scale: number;
}) {
    const od = Math.max(8, standing.od_mm * scale);
    const bore = Math.max(4, Math.min(od - 4, standing.bore_mm * scale));
    const texture = textures(standing.material);
    const takes = swallows(standing);
    const depth = Math.min(END - 6, Math.max(7, standing.depth_mm * scale));
    const wide = Math.max(node.hubOd, od) + (standing.kind === 'hub' || standing.kind === 'bell' ? 5 : 2);
    const half = Math.max(node.od, od) * 0.5 + 9;
    return (
        <g>
            <Layers
                bodies={[{ d: line(along(node.p, u, sign * (takes ? depth : 1)), far), width: od, bore }]}
                hubs={takes ? [{ d: line(node.p, along(node.p, u, sign * depth)), width: wide }] : []}
                texture={texture}
            />
            {standing.sleeve && (
                <g style={{ fill: 'none' }}>
                    <path
                        d={line(along(node.p, u, -half), along(node.p, u, half))}
                        style={{ stroke: 'var(--edge)', strokeWidth: n(wide + 4) }}
                    />
                    <path
                        d={line(along(node.p, u, -half + EDGE), along(node.p, u, half - EDGE))}
                        style={{ stroke: textures('rubber'), strokeWidth: n(wide + 1.8) }}
                    />
                    {[-0.55, 0.55].map((place) => (
                        <path
                            key={place}
                            d={line(along(node.p, u, half * place - 2.4), along(node.p, u, half * place + 2.4))}
                            style={{ stroke: textures('steel'), strokeWidth: n(wide + 4) }}
                        />
                    ))}
                    <path
                        d={line(along(node.p, u, -half - 1), along(node.p, u, half + 1))}
                        style={{ stroke: 'var(--lumen)', strokeWidth: n(Math.min(bore, node.bore)) }}
                    />
                </g>
            )}
            <BreakMark at={far} u={u} width={od} gap={8} />
        </g>
    );
}

/** A piece of pipe from stop to stop, its square cut faces visible. */
export function PipeArt({
    link,
    texture,
    selected,
}: {
    link: DrawnLink<RunDrawing>;
    texture: string;
    selected: boolean;
}) {
    const a = along(link.from, link.u, link.takeOut + 0.5);
    const b = along(link.to, link.u, -(link.takeIn + 0.5));
    const edge = selected ? 2.4 : EDGE;
    return (
        <g style={{ fill: 'none' }}>
            <path
                d={line(along(a, link.u, -edge), along(b, link.u, edge))}
                style={{ stroke: 'var(--edge)', strokeWidth: n(link.od + 2 * edge) }}
            />
            <path d={line(a, b)} style={{ stroke: texture, strokeWidth: n(link.od) }} />
            <path
                d={line(along(a, link.u, -edge), along(b, link.u, edge))}
                style={{ stroke: 'var(--edge)', strokeWidth: n(link.bore + 2 * EDGE) }}
            />
            <path
                d={line(along(a, link.u, -edge - 0.4), along(b, link.u, edge + 0.4))}
                style={{ stroke: 'var(--lumen)', strokeWidth: n(link.bore) }}
            />
        </g>
    );
}

/** The hub that a piece of hub-and-spigot pipe keeps, over the spigot that stands in it. */
export function PieceHubArt({
    link,
    ends,
    run,
    texture,
}: {
    link: DrawnLink<RunDrawing>;
    /** what it begins and what it ends at */
    ends: [DrawnNode<RunDrawing> | undefined, DrawnNode<RunDrawing> | undefined];
    run: RunDrawing;
    texture: string;
}) {
    const hubs: Stroke[] = [];
    const [from, to] = ends;
    if (from && keepsHub(run, link, from, 'start')) {
        const bottom = along(link.from, link.u, link.takeOut);
        hubs.push({ d: line(bottom, along(bottom, link.u, -from.hub)), width: from.hubOd });
    }
    if (to && keepsHub(run, link, to, 'end')) {
        const bottom = along(link.to, link.u, -link.takeIn);
        hubs.push({ d: line(bottom, along(bottom, link.u, to.hub)), width: to.hubOd });
    }
    const stroke = (d: string, width: number, colour: string, key: string) => (
        <path key={key} d={d} style={{ fill: 'none', stroke: colour, strokeWidth: n(width) }} />
    );
    return (
        <g>
            {hubs.map((hub, i) => stroke(hub.d, hub.width + 2 * EDGE, 'var(--edge)', `a${i}`))}
            {hubs.map((hub, i) => stroke(shortened(hub.d), hub.width, texture, `b${i}`))}
            {hubs.map((hub, i) => stroke(hub.d, link.bore + 2 * EDGE, 'var(--edge)', `c${i}`))}
            {hubs.map((hub, i) => stroke(hub.d, link.bore, 'var(--lumen)', `d${i}`))}
        </g>
    );
}

/** Where the marker goes round the pipe: at the lip of every hub that it enters. */
export function WitnessArt({ link }: { link: DrawnLink<RunDrawing> }) {
    const wall = (link.od - link.bore) / 2;
    const side = below(link.u);
    const spots: XY[] = [];
    if (link.hubOut > 0) spots.push(along(link.from, link.u, link.takeOut + link.hubOut + 1.5));
    if (link.hubIn > 0) spots.push(along(link.to, link.u, -(link.takeIn + link.hubIn + 1.5)));
    return (
        <g>
            {spots.map((p, i) => (
                <path
                    key={i}
                    d={[1, -1]
                        .map((s) =>
                            line(along(p, side, s * (link.od / 2 + 0.5)), along(p, side, s * (link.od / 2 - wall))),
                        )
                        .join('')}
                    style={{ stroke: 'var(--mark)', strokeWidth: 2.6 }}
                />
            ))}
        </g>
    );
}

/** Water at the assumed depth: a ribbon in the invert of level pipe, a film down the wall of upright pipe. */
export function WaterArt({
    link,
    node,
    fill,
}: {
    link?: DrawnLink<RunDrawing>;
    node?: DrawnNode<RunDrawing>;
    fill: number;
}) {
    if (link) {
        if (link.u[1] < -0.02) return null;
        const depth = Math.abs(link.u[1]) > 0.7 ? Math.max(2.2, link.bore * 0.1) : Math.max(2.5, link.bore * fill);
        const side = below(link.u);
        const off = (d: number): string =>
            line(
                along(along(link.from, link.u, link.takeOut), side, d),
                along(along(link.to, link.u, -link.takeIn), side, d),
            );
        return (
            <g style={{ fill: 'none' }}>
                <path
                    d={off(link.bore / 2 - depth / 2)}
                    style={{ stroke: 'var(--water-fill)', strokeWidth: n(depth) }}
                />
                {depth > 4 && (
                    <path d={off(link.bore / 2 - depth)} style={{ stroke: 'var(--water)', strokeWidth: 1.2 }} />
                )}
            </g>
        );
    }
    if (!node || node.kind === 'outlet' || node.kind === 'tie-in' || node.uIn[1] < -0.02 || node.uOut[1] < -0.02)
        return null;
    const steep = Math.max(Math.abs(node.uIn[1]), Math.abs(node.uOut[1])) > 0.7;
    const depth = steep ? Math.max(2.5, node.bore * 0.2) : Math.max(2.5, node.bore * fill);
    return (
        <g style={{ fill: 'none' }}>
            <path
                d={bodyPath(node, node.bore / 2 - depth / 2)}
                style={{ stroke: 'var(--water-fill)', strokeWidth: n(depth) }}
            />
            {!steep && depth > 4 && (
                <path d={bodyPath(node, node.bore / 2 - depth)} style={{ stroke: 'var(--water)', strokeWidth: 1.2 }} />
            )}
        </g>
    );
}

/** Two S-lines and a gap: what lies between is drawn short. */
export function BreakMark({ at, u, width, gap }: { at: XY; u: XY; width: number; gap: number }) {
    const h = width / 2 + 4;
    const k = 4.5;
    const g = gap / 2;
    const angle = (Math.atan2(u[1], u[0]) * 180) / Math.PI;
    const s = (x: number): string =>
        `M${x} ${-h}C${x + k} ${-h / 2} ${x + k} ${-h * 0.35} ${x} 0S${x - k} ${h * 0.6} ${x} ${h}`;
    return (
        <g transform={`translate(${n(at[0])} ${n(at[1])}) rotate(${n(angle)})`}>
            <path
                d={`${s(-g)}L${g} ${h}C${g - k} ${h * 0.6} ${g - k} ${h * 0.35} ${g} 0S${g + k} ${-h * 0.6} ${g} ${-h}Z`}
                style={{ fill: 'var(--paper)' }}
            />
            <path d={s(-g) + s(g)} style={{ fill: 'none', stroke: 'var(--edge)', strokeWidth: 1.2 }} />
        </g>
    );
}

export function FlowHead({ link }: { link: DrawnLink<RunDrawing> }) {
    const [x, y] = middle(link);
    const angle = (Math.atan2(link.u[1], link.u[0]) * 180) / Math.PI;
    return (
        <path
            d="M-5 -4.4L5 0L-5 4.4Z"
            transform={`translate(${n(x)} ${n(y)}) rotate(${n(angle)})`}
            style={{ fill: 'var(--water)' }}
        />
    );
}
