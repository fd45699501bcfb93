import type { Evaluation, Point, RunReport } from '../../api/types';
import { fitView, nearness, onView, type View, type XY } from '../iso/project';
import { boxAround, Ground, textWidth } from '../section/boxes';
import { chainOf, type Chain } from '../section/chain';

export type Role = 'drain' | 'wet-vent' | 'dry-vent' | 'dead';

export interface HouseLine {
    run: string;
    d: string;
    width: number;
    role: Role;
    near: number;
    fitting: boolean;
    piece: string | null;
}

export interface HouseLabel {
    run: string;
    text: string;
    at: XY;
    lead: XY | null;
    anchor: 'start' | 'middle' | 'end';
}

export interface HouseScene {
    lines: HouseLine[];
    labels: HouseLabel[];
    letters: { run: string; text: string; at: XY }[];
    arrows: { at: XY; angle: number }[];
    marks: { run: string; at: XY; severity: 'stop' | 'warn' }[];
}

const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
const towards = (a: Point, u: Point, d: number): Point => ({ x: a.x + u.x * d, y: a.y + u.y * d, z: a.z + u.z * d });
const n = (value: number): string => value.toFixed(1);

/** Frames that do not meet stand side by side; within one frame every run stands where it joins the others. */
export function offsetsOf(evaluation: Evaluation): Map<string, Point> {
    const offsets = new Map<string, Point>();
    const frames = new Map<string, { min: Point; max: Point }>();
    const reports = new Map(evaluation.runs.map((run) => [run.id, run]));
    for (const place of evaluation.network.places) {
        const run = reports.get(place.run);
        for (const leg of run?.legs ?? []) {
            for (const point of [leg.from, leg.to]) {
                if (!point) continue;
                const p = plus(point, place.at);
                const frame = frames.get(place.frame);
                frames.set(place.frame, {
                    min: frame
                        ? {
                              x: Math.min(frame.min.x, p.x),
                              y: Math.min(frame.min.y, p.y),
                              z: Math.min(frame.min.z, p.z),
                          }
                        : p,
                    max: frame
                        ? {
                              x: Math.max(frame.max.x, p.x),
                              y: Math.max(frame.max.y, p.y),
                              z: Math.max(frame.max.z, p.z),
                          }
                        : p,
                });
            }
        }
    }
    let east = 0;
    const moved = new Map<string, Point>();
    for (const [id, { min, max }] of frames) {
        moved.set(id, { x: east - min.x, y: -min.y, z: -max.z });
        east += max.x - min.x + 1200;
    }
    for (const place of evaluation.network.places)
        offsets.set(place.run, plus(place.at, moved.get(place.frame) ?? { x: 0, y: 0, z: 0 }));
    return offsets;
}

/** What a place on a run's tape is. */
function roleAt(evaluation: Evaluation, run: string, tape: number): Role {
    const pipe = evaluation.network.pipes.find(
        (one) => one.run === run && tape >= one.from_mm - 0.5 && tape <= one.to_mm + 0.5,
    );
    return pipe?.role ?? 'dead';
}

/**
 * The whole house at 30°: drains solid, wet vents striped, dry vents open and dashed, so that it reads in black and
 * white.
 */
export function houseScene(
    evaluation: Evaluation,
    frame: string | null,
    turns: number,
    width: number,
    height: number,
): HouseScene {
    const offsets = offsetsOf(evaluation);
    const shown = new Set(
        evaluation.network.places.filter((place) => frame === null || place.frame === frame).map((place) => place.run),
    );
    const runs = evaluation.runs.filter((run) => shown.has(run.id));
    const chains = runs.map((run) => ({ run, chain: chainOf(run), at: offsets.get(run.id) ?? { x: 0, y: 0, z: 0 } }));
    const points = chains.flatMap(({ chain, at }) => chain.nodes.map((node) => plus(node.at, at)));
    if (points.length === 0) points.push({ x: 0, y: 0, z: 0 });
    const view = fitView(points, turns, width, height, 58);
    const ground = new Ground({ x: 2, y: 2, w: width - 4, h: height - 4 });
    ground.take({ x: width - 102, y: height - 54, w: 102, h: 54 });
    ground.take({ x: 0, y: height - 34, w: 330, h: 34 });
    const scene: HouseScene = { lines: [], labels: [], letters: [], arrows: [], marks: [] };
    for (const { run, chain, at } of chains) {
        chain.links.forEach((link, i) => {
            const [a, b] = [chain.nodes[i], chain.nodes[i + 1]];
            if (a && b)
                ground.takeLine(
                    onView(plus(a.at, at), view),
                    onView(plus(b.at, at), view),
                    widthOf(run, link.size, view) + 3,
                );
        });
        addRun(scene, evaluation, run, chain, at, view);
    }
    scene.lines.sort((a, b) => a.near - b.near);
    for (const { run, chain, at } of chains) {
        const head = chain.nodes[0];
        const second = chain.nodes[1] ?? head;
        if (head && second)
            addLabel(
                scene,
                evaluation,
                ground,
                run,
                onView(plus(head.at, at), view),
                onView(plus(second.at, at), view),
            );
        for (const link of chain.links) {
            if (!link.piece) continue;
            const p = onView(plus(middleOf(link.piece.from, link.piece.to), at), view);
            const box = boxAround(p[0] + 12, p[1] - 10, 8 + link.piece.letter.length * 8, 16);
            if (runs.length <= 16 && ground.isFree(box)) {
                ground.take(box);
                scene.letters.push({
                    run: run.id,
                    text: link.piece.letter,
                    at: [box.x + box.w / 2, box.y + box.h / 2],
                });
            }
        }
    }
    return scene;
}

const middleOf = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: (a.z + b.z) / 2 });

const widthOf = (run: RunReport, size: string, view: View): number =>
    Math.max(4.5, Math.min(16, (run.pipes[size]?.od_mm ?? 60) * view.scale * Math.sqrt(1.5)));

function addRun(scene: HouseScene, evaluation: Evaluation, run: RunReport, chain: Chain, at: Point, view: View): void {
    const joints = new Map(run.joints.map((joint) => [joint.key, joint]));
    const line = (a: Point, b: Point): string =>
        `M${onView(a, view).map(n).join(' ')}L${onView(b, view).map(n).join(' ')}`;
    let tape = 0;
    chain.links.forEach((link, i) => {
        const [a, b] = [chain.nodes[i], chain.nodes[i + 1]];
        if (!a || !b) return;
        const from = link.piece ? plus(link.piece.from, at) : plus(a.at, at);
        const to = link.piece ? plus(link.piece.to, at) : plus(b.at, at);
        const start = link.piece ? (joints.get(link.piece.joint_from)?.tape_mm ?? tape) : tape;
        const role = roleAt(evaluation, run.id, start + link.length / 2);
        scene.lines.push({
            run: run.id,
            d: line(plus(a.at, at), plus(b.at, at)),
            width: widthOf(run, link.size, view),
            role,
            near: (nearness(from, view.turns) + nearness(to, view.turns)) / 2,
            fitting: false,
            piece: link.piece?.key ?? null,
        });
        const [p, q] = [onView(from, view), onView(to, view)];
        if (role !== 'dry-vent' && role !== 'dead' && Math.hypot(q[0] - p[0], q[1] - p[1]) > 34) {
            const place = evaluation.network.places.find((one) => one.run === run.id);
            const back = place?.rises ? 180 : 0;
            scene.arrows.push({
                at: [p[0] + (q[0] - p[0]) * 0.6, p[1] + (q[1] - p[1]) * 0.6],
                angle: (Math.atan2(q[1] - p[1], q[0] - p[0]) * 180) / Math.PI + back,
            });
        }
        tape += link.length;
    });
    for (const node of chain.nodes) {
        if (!node.fitting) continue;
        const centre = plus(node.at, at);
        const w = widthOf(run, node.size, view) + 3.4;
        const near = nearness(centre, view.turns) + 0.2;
        const role = roleAt(evaluation, run.id, jointTape(run, node.fitting.key));
        const [p, c, q] = [
            towards(centre, node.fitting.in, -node.fitting.into_mm),
            centre,
            towards(centre, node.fitting.out, node.fitting.out_of_mm),
        ].map((point) => onView(point, view).map(n).join(' '));
        scene.lines.push({ run: run.id, d: `M${p}Q${c} ${q}`, width: w, role, near, fitting: true, piece: null });
        for (const tap of node.fitting.branch?.taps ?? []) {
            const tip = node.fitting.branch?.turn
                ? centre
                : towards(centre, tap.flow, -(node.fitting.branch?.take_mm ?? 0));
            if (!node.fitting.branch?.turn)
                scene.lines.push({
                    run: run.id,
                    d: line(centre, tip),
                    width: w,
                    role: tap.vent ? 'dry-vent' : role,
                    near: near + 0.1,
                    fitting: true,
                    piece: null,
                });
        }
    }
    for (const finding of run.findings) {
        if ((finding.severity === 'stop' || finding.severity === 'warn') && finding.where.tape_mm !== null) {
            scene.marks.push({
                run: run.id,
                at: onView(pointAt(chain, finding.where.tape_mm, at), view),
                severity: finding.severity,
            });
        }
    }
}

const jointTape = (run: RunReport, fitting: string): number =>
    run.joints.find((joint) => joint.fitting === fitting)?.tape_mm ?? 0;

function pointAt(chain: ReturnType<typeof chainOf>, tape: number, at: Point): Point {
    let run = 0;
    for (const [i, link] of chain.links.entries()) {
        const [a, b] = [chain.nodes[i]?.at, chain.nodes[i + 1]?.at];
        if (a && b && tape <= run + link.length + 0.5) {
            const t = link.length > 0 ? Math.max(0, Math.min(1, (tape - run) / link.length)) : 0;
            return plus({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t, z: a.z + (b.z - a.z) * t }, at);
        }
        run += link.length;
    }
    return plus(chain.nodes.at(-1)?.at ?? { x: 0, y: 0, z: 0 }, at);
}

function addLabel(
    scene: HouseScene,
    evaluation: Evaluation,
    ground: Ground,
    run: RunReport,
    head: XY,
    second: XY,
): void {
    const place = evaluation.network.places.find((one) => one.run === run.id);
    // A vent is named where it ends, above; everything else where it begins.
    const spot = place?.rises ? second : head;
    const text = place?.name ?? run.id;
    const w = textWidth(text, 14) + 6;
    for (let r = 14; r < 150; r += 9) {
        for (const a of [200, 340, 180, 0, 270, 90, 235, 305, 135, 45]) {
            const x = spot[0] + r * Math.cos((a * Math.PI) / 180);
            const y = spot[1] + r * Math.sin((a * Math.PI) / 180);
            const anchor = a > 90 && a < 270 ? 'end' : a === 90 || a === 270 ? 'middle' : 'start';
            const box = { x: anchor === 'end' ? x - w : anchor === 'middle' ? x - w / 2 : x, y: y - 9, w, h: 18 };
            if (!ground.isFree(box)) continue;
            ground.take(box);
            scene.labels.push({ run: run.id, text, at: [x, y + 5], lead: r > 30 ? spot : null, anchor });
            return;
        }
    }
}
