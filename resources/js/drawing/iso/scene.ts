import type { Finding, Point, RunReport, Severity } from '../../api/types';
import { boxAround, Ground } from '../section/boxes';
import { chainOf, type Chain } from '../section/chain';
import { fitView, nearness, onView, type View, type XY } from './project';

export interface Solid {
    kind: 'pipe' | 'bend' | 'hub';
    d: string;
    width: number;
    near: number;
    piece: string | null;
}

export interface IsoTag {
    kind: 'piece' | 'joint';
    key: string;
    text: string;
    at: XY;
    w: number;
}

export interface Scene {
    view: View;
    solids: Solid[];
    tags: IsoTag[];
    marks: { severity: Severity; at: XY; foot: XY }[];
    shadow: string;
    grid: string;
    arrows: { at: XY; angle: number }[];
}

const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
const towards = (a: Point, u: Point, d: number): Point => ({ x: a.x + u.x * d, y: a.y + u.y * d, z: a.z + u.z * d });
const size = (a: Point): number => Math.hypot(a.x, a.y, a.z);

/**
 * Builds the isometric of a run: every part as a thick line in its place, sorted from far to near, with its tags beside
 * it.
 */
export function sceneOf(run: RunReport, turns: number, width: number, height: number): Scene {
    const chain = chainOf(run);
    const points = chain.nodes.map((node) => node.at);
    if (points.length === 0) points.push({ x: 0, y: 0, z: 0 });
    const view = fitView(points, turns, width, height, 46);
    const solids = solidsOf(run, chain, view).sort((a, b) => a.near - b.near);
    const ground = new Ground({ x: 2, y: 2, w: width - 4, h: height - 4 });
    chain.links.forEach((link, i) => {
        const [from, to] = [chain.nodes[i], chain.nodes[i + 1]];
        if (from && to)
            ground.takeLine(onView(from.at, view), onView(to.at, view), pipeWidth(run, link.size, view) + 3);
    });
    // The buttons that turn the view stand in the lower right corner.
    ground.take({ x: width - 102, y: height - 54, w: 102, h: 54 });
    ground.take({ x: 4, y: height - 62, w: 78, h: 60 });
    const floor = Math.min(...points.map((point) => point.z)) - 150;
    return {
        view,
        solids,
        tags: tagsOf(chain, view, ground),
        marks: marksOf(chain, run.findings, view, ground),
        shadow: points
            .map(
                (point, i) =>
                    `${i ? 'L' : 'M'}${onView({ ...point, z: floor }, view)
                        .map(round)
                        .join(' ')}`,
            )
            .join(''),
        grid: gridOf(points, floor, view),
        arrows: arrowsOf(chain, view),
    };
}

const round = (n: number): number => Math.round(n * 10) / 10;

/**
 * Silhouette of a pipe: its diameter stands out √1.5 times along the axes of an isometric; never thinner than can be
 * seen.
 */
function pipeWidth(run: RunReport, pipeSize: string, view: View): number {
    return Math.max(6, (run.pipes[pipeSize]?.od_mm ?? 60) * view.scale * Math.sqrt(1.5));
}

function solidsOf(run: RunReport, chain: Chain, view: View): Solid[] {
    const solids: Solid[] = [];
    const line = (a: Point, b: Point): string =>
        `M${onView(a, view).map(round).join(' ')}L${onView(b, view).map(round).join(' ')}`;
    chain.links.forEach((link, i) => {
        const [a, b] = [chain.nodes[i]?.at, chain.nodes[i + 1]?.at];
        if (!a || !b || !link.piece) return;
        const { from, to } = link.piece;
        solids.push({
            kind: 'pipe',
            d: line(from, to),
            width: pipeWidth(run, link.size, view),
            near: (nearness(from, view.turns) + nearness(to, view.turns)) / 2,
            piece: link.piece.key,
        });
    });
    for (const node of chain.nodes) {
        const fitting = node.fitting;
        if (!fitting) continue;
        const w = pipeWidth(run, node.size, view);
        const depth = Math.max(run.pipes[node.size]?.socket_depth_mm ?? 20, 4 / view.scale);
        const stopIn = towards(node.at, fitting.in, -fitting.into_mm);
        const stopOut = towards(node.at, fitting.out, fitting.out_of_mm);
        const near = nearness(node.at, view.turns) + 0.1;
        const [p, c, q] = [stopIn, node.at, stopOut].map((point) => onView(point, view).map(round).join(' '));
        solids.push({ kind: 'bend', d: `M${p}Q${c} ${q}`, width: w, near, piece: null });
        if (!fitting.stands)
            solids.push({
                kind: 'hub',
                d: line(towards(stopIn, fitting.in, -depth), stopIn),
                width: w + 4.6,
                near: near + 1,
                piece: null,
            });
        solids.push({
            kind: 'hub',
            d: line(stopOut, towards(stopOut, fitting.out, depth)),
            width: w + 4.6,
            near: near + 1,
            piece: null,
        });
    }
    return solids;
}

function tagsOf(chain: Chain, view: View, ground: Ground): IsoTag[] {
    const tags: IsoTag[] = [];
    chain.links.forEach((link) => {
        if (!link.piece) return;
        const tag = near(
            ground,
            onView(middleOf(link.piece.from, link.piece.to), view),
            'piece',
            link.piece.key,
            link.piece.letter,
            400,
        );
        if (tag) tags.push(tag);
    });
    for (const link of chain.links) {
        for (const [end, joint] of link.joints.entries()) {
            if (!joint || !link.piece || tags.some((tag) => tag.key === joint.key)) continue;
            // Numbers stand where there is room: the fall line has them all.
            const tag = near(
                ground,
                onView(end === 0 ? link.piece.from : link.piece.to, view),
                'joint',
                joint.key,
                joint.mark,
                34,
            );
            if (tag) tags.push(tag);
        }
    }
    return tags;
}

const middleOf = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: (a.z + b.z) / 2 });

function near(ground: Ground, spot: XY, kind: IsoTag['kind'], key: string, text: string, far: number): IsoTag | null {
    const w = Math.max(20, 8 + text.length * 8.5);
    for (let r = 18; r <= far; r += 6) {
        for (const a of [90, 270, 60, 120, 240, 300, 0, 180, 30, 150, 210, 330]) {
            const at: XY = [spot[0] + r * Math.cos((a * Math.PI) / 180), spot[1] + r * Math.sin((a * Math.PI) / 180)];
            const box = boxAround(at[0], at[1], w + 2, 22);
            if (ground.isFree(box)) {
                ground.take(box);
                return { kind, key, text, at, w };
            }
        }
    }
    return null;
}

/** Stops and warnings stand in the view as their shapes. */
function marksOf(chain: Chain, findings: Finding[], view: View, ground: Ground): Scene['marks'] {
    const marks: Scene['marks'] = [];
    for (const finding of findings) {
        if (finding.where.tape_mm === null || (finding.severity !== 'stop' && finding.severity !== 'warn')) continue;
        const foot = onView(pointAt(chain, finding.where.tape_mm), view);
        for (let r = 30; r < 120; r += 8) {
            const at = [-60, -120, -90, -30, -150]
                .map((a): XY => [
                    foot[0] + r * Math.cos((a * Math.PI) / 180),
                    foot[1] + r * Math.sin((a * Math.PI) / 180),
                ])
                .find(([x, y]) => ground.isFree(boxAround(x, y, 22, 22)));
            if (at) {
                ground.take(boxAround(at[0], at[1], 22, 22));
                marks.push({ severity: finding.severity, at, foot });
                break;
            }
        }
    }
    return marks;
}

function pointAt(chain: Chain, tape: number): Point {
    let run = 0;
    for (const [i, link] of chain.links.entries()) {
        const [a, b] = [chain.nodes[i]?.at, chain.nodes[i + 1]?.at];
        if (a && b && tape <= run + link.length + 0.5) {
            const t = link.length > 0 ? Math.max(0, Math.min(1, (tape - run) / link.length)) : 0;
            return towards(a, minus(b, a), t);
        }
        run += link.length;
    }
    return chain.nodes.at(-1)?.at ?? { x: 0, y: 0, z: 0 };
}

function gridOf(points: Point[], z: number, view: View): string {
    const xs = points.map((point) => point.x);
    const ys = points.map((point) => point.y);
    const span = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), 1000);
    const step = span / 6;
    const [x0, x1, y0, y1] = [
        Math.min(...xs) - step,
        Math.max(...xs) + step,
        Math.min(...ys) - step,
        Math.max(...ys) + step,
    ];
    let d = '';
    const add = (a: Point, b: Point): void => {
        d += `M${onView(a, view).map(round).join(' ')}L${onView(b, view).map(round).join(' ')}`;
    };
    for (let x = x0; x <= x1 + 1; x += step) add({ x, y: y0, z }, { x, y: y1, z });
    for (let y = y0; y <= y1 + 1; y += step) add({ x: x0, y, z }, { x: x1, y, z });
    return d;
}

function arrowsOf(chain: Chain, view: View): Scene['arrows'] {
    return chain.links.flatMap((link) => {
        if (!link.piece || size(minus(link.piece.to, link.piece.from)) * view.scale < 40) return [];
        const [a, b] = [onView(link.piece.from, view), onView(link.piece.to, view)];
        return [
            {
                at: [a[0] + (b[0] - a[0]) * 0.7, a[1] + (b[1] - a[1]) * 0.7] as XY,
                angle: (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI,
            },
        ];
    });
}
