import { t } from '@lingui/core/macro';
import type { Finding, RunDrawing, RunReport, Severity, Units } from '../../api/types';
import { boxAround, Ground, textWidth, type Box } from './boxes';
import { tickBoxes, type TickOf } from './ticks';
import { END, hubOutside, type DrawnLink, type DrawnNode, type Section, type XY } from './geometry';

export interface Tag {
    kind: 'piece' | 'joint';
    key: string;
    text: string;
    at: XY;
    w: number;
    /** end of the thin line to the spot, where the tag had to move away from it */
    lead: XY | null;
}

export interface Label {
    kind: 'fall' | 'material' | 'length' | 'end' | 'turn' | 'branch';
    /** id of the run that it names */
    run?: string;
    text: string;
    at: XY;
    size: number;
    anchor: 'start' | 'middle' | 'end';
    rotate: number;
}

export interface Flag {
    severity: Severity;
    box: Box;
    /** collapses to shape and word, then to the shape alone */
    text: string;
    word: string;
    /** from the flag to its spot: plumb, or slanting where there was no free ground above */
    pole: { from: XY; to: XY };
    finding: number;
}

export interface Labels {
    tags: Tag[];
    labels: Label[];
    flags: Flag[];
    legend: Box | null;
}

/** What the run comes from and goes to, and the names of the runs that meet it. */
export interface Ends {
    outlet: string;
    tieIn: string;
    branches?: Record<string, string>;
}

export const TAG = 20;
const GAP = 5;
const FLAG_H = 24;
export const WORDS: Record<Severity, string> = { stop: t`Stop`, warn: t`Warn`, unknown: t`Not known`, note: t`Note` };

/**
 * Places every tag, flag and word on the section so that none lies over another: pipes first, then numbers below,
 * letters above, then flags,
 * then what may be left out. A tag that finds no free ground on its rail moves outward and keeps a line to its spot.
 */
export function placeLabels(
    section: Section,
    run: RunReport,
    units: Units,
    ends: Ends,
    hangers: TickOf[] = [],
): Labels {
    const ground = new Ground({ x: 2, y: 2, w: section.width - 4, h: section.height - 30 });
    takePipes(ground, section);
    for (const box of tickBoxes(section, hangers)) ground.take(box);
    const tags = placeTags(ground, section);
    const named = [...placeEnds(ground, section, ends), ...placeBranches(ground, section, ends.branches ?? {})];
    const flags = placeFlags(ground, section, run.findings);
    const labels = placeWords(ground, section, units, run.system.letters);
    return { tags, labels: [...named, ...labels], flags, legend: placeLegend(ground, section) };
}

function takePipes(ground: Ground, section: Section): void {
    for (const link of section.links) ground.takeLine(link.from, link.to, link.od + 2);
    for (const node of section.nodes) {
        const hub = node.hubOd + 2;
        const a = along(node.p, node.uIn, -(node.takeIn + node.hub));
        const b = along(node.p, node.uOut, node.takeOut + node.hub);
        ground.takeLine(node.p, a, hub);
        ground.takeLine(node.p, b, hub);
        for (const stub of node.stubs)
            ground.takeLine(node.p, along(node.p, stub.u, stub.take + stub.hub), stub.hubOd + 2);
    }
    const first = section.nodes[0];
    const last = section.nodes.at(-1);
    if (first) ground.takeLine(first.p, along(first.p, first.uOut, -END), first.hubOd + 4);
    if (last) ground.takeLine(last.p, along(last.p, last.uIn, END), last.hubOd + 4);
}

export function along(p: XY, u: XY, d: number): XY {
    return [p[0] + u[0] * d, p[1] + u[1] * d];
}

/** Square to the flow, on the side that is below a level leg and left of a falling one. */
export const below = (u: XY): XY => [-u[1], u[0]];

function placeTags(ground: Ground, section: Section): Tag[] {
    const tags: Tag[] = [];
    section.links.forEach((link, i) => {
        if (!link.piece) return;
        for (const end of [0, 1] as const) {
            const joint = link.joints[end];
            if (joint && !tags.some((tag) => tag.kind === 'joint' && tag.key === joint.key)) {
                tags.push(
                    placeTag(ground, 'joint', joint.key, joint.mark, lip(link, end), link, end === 0 ? 1 : -1, i),
                );
            }
        }
    });
    for (const tag of jointsWithoutPipe(section)) {
        if (!tags.some((placed) => placed.kind === 'joint' && placed.key === tag.key)) {
            tags.push(placeTag(ground, 'joint', tag.key, tag.text, tag.at, tag.link, 1, 0));
        }
    }
    section.links.forEach((link, i) => {
        if (link.piece)
            tags.push(placeTag(ground, 'piece', link.piece.key, link.piece.letter, middle(link), link, 1, i));
    });
    return tags;
}

/**
 * Joints at which no piece of pipe ends (fitting in fitting, bushing in fitting): their numbers stand at the fitting.
 */
function jointsWithoutPipe(section: Section): { key: string; text: string; at: XY; link: DrawnLink }[] {
    const link = section.links[0];
    if (!link) return [];
    return section.extraJoints.map(({ key, mark, node }) => {
        const drawn = section.nodes[node];
        return {
            key,
            text: mark,
            at: drawn?.p ?? link.from,
            link: section.links[Math.min(node, section.links.length - 1)] ?? link,
        };
    });
}

function lip(link: DrawnLink, end: 0 | 1): XY {
    return end === 0
        ? along(link.from, link.u, link.takeOut + link.hubOut / 2)
        : along(link.to, link.u, -(link.takeIn + link.hubIn / 2));
}

export function middle(link: DrawnLink<RunDrawing>): XY {
    const length = Math.hypot(link.to[0] - link.from[0], link.to[1] - link.from[1]);
    return along(link.from, link.u, (link.takeOut + link.hubOut + (length - link.takeIn - link.hubIn)) / 2);
}

function placeTag(
    ground: Ground,
    kind: Tag['kind'],
    key: string,
    text: string,
    spot: XY,
    link: DrawnLink,
    away: number,
    index: number,
): Tag {
    const w = Math.max(TAG, 8 + text.length * 8.5);
    const n = below(link.u);
    // Numbers below, letters above; on uprights letters and numbers take sides, changing from leg to leg.
    const level = Math.abs(link.u[1]) < 0.7;
    const prefer = kind === 'joint' ? 1 : -1;
    const first = level ? prefer : (index % 2 === 0 ? 1 : -1) * prefer;
    const clear = (kind === 'joint' || !level ? hubOutside(link.od) : link.od) / 2 + GAP + (level ? TAG : w) / 2;
    for (const side of [first, -first]) {
        for (let rail = 0; rail < 3; rail++) {
            for (const shift of [0, 6, 12, -6, 18, -12, 24, -18]) {
                const tag = tryTag(
                    ground,
                    kind,
                    key,
                    text,
                    spot,
                    along(along(spot, n, side * (clear + rail * (TAG + 4))), link.u, shift * away),
                    w,
                );
                if (tag) return tag;
            }
        }
    }
    // Farther and farther off, all round, until there is room; a line leads back.
    for (let r = clear + 3 * TAG; r < 4000; r += 10) {
        for (let a = 0; a < 24; a++) {
            const angle = (a / 24) * 2 * Math.PI;
            const tag = tryTag(
                ground,
                kind,
                key,
                text,
                spot,
                [spot[0] + r * Math.cos(angle), spot[1] + r * Math.sin(angle)],
                w,
            );
            if (tag) return tag;
        }
    }
    return { kind, key, text, at: spot, w, lead: null };
}

function tryTag(ground: Ground, kind: Tag['kind'], key: string, text: string, spot: XY, at: XY, w: number): Tag | null {
    const box = boxAround(at[0], at[1], w + 3, TAG + 3);
    if (!ground.isFree(box)) return null;
    ground.take(box);
    const far = Math.hypot(at[0] - spot[0], at[1] - spot[1]) > 44;
    return { kind, key, text, at, w, lead: far ? spot : null };
}

function placeEnds(ground: Ground, section: Section, ends: Ends): Label[] {
    const labels: Label[] = [];
    const put = (node: DrawnNode | undefined, text: string, end: 'outlet' | 'tie-in', sign: 1 | -1): void => {
        if (!node || text === '') return;
        const u = sign < 0 ? node.uOut : node.uIn;
        const tip = along(node.p, u, sign * END);
        const reach = node.hubOd / 2 + 8;
        const w = Math.max(textWidth(text, 15), textWidth(end, 13));
        const spots: [number, number, Label['anchor']][] = [];
        for (const [dx, dy] of [
            [1, 0],
            [0, -1],
            [0, 1],
            [-1, 0],
        ] as const) {
            for (const more of [0, 14, 28, 48]) {
                const x = tip[0] + dx * (reach + more);
                const y = tip[1] + dy * (reach + 16 + more);
                for (const anchor of ['start', 'middle', 'end'] as const) spots.push([x, y, anchor]);
            }
        }
        for (const [x, y, anchor] of spots) {
            const box = { x: anchor === 'start' ? x : anchor === 'end' ? x - w : x - w / 2, y: y - 16, w, h: 34 };
            if (!ground.isFree(box)) continue;
            ground.take(box);
            labels.push({ kind: 'end', text, at: [x, y - 2], size: 15, anchor, rotate: 0 });
            labels.push({ kind: 'length', text: end, at: [x, y + 13], size: 13, anchor, rotate: 0 });
            return;
        }
    };
    put(section.nodes[0], ends.outlet, 'outlet', -1);
    const last = section.nodes.at(-1);
    put(last, last?.kind === 'open' ? t`waits for the next leg` : ends.tieIn, 'tie-in', 1);
    return labels;
}

/**
 * The name of what comes in, or of the vent that goes up, beyond the stub; shortened, then left out where there is no
 * room.
 */
function placeBranches(ground: Ground, section: Section, names: Record<string, string>): Label[] {
    const labels: Label[] = [];
    for (const node of section.nodes) {
        for (const stub of node.stubs) {
            const name = names[stub.run] ?? stub.run;
            const whole = `${stub.vent ? '\u2191 ' : ''}${name}`;
            [whole, whole.length > 14 ? `${whole.slice(0, 13)}…` : ''].some((text) => {
                const w = textWidth(text, 13);
                return (
                    text !== '' &&
                    [6, 16, 28].some((beyond) => {
                        const tip = along(node.p, stub.u, stub.take + stub.hub + beyond);
                        return (['middle', 'start', 'end'] as const).some((anchor) => {
                            const x = anchor === 'start' ? tip[0] : anchor === 'end' ? tip[0] - w : tip[0] - w / 2;
                            const box = { x, y: tip[1] - 13, w, h: 16 };
                            if (!ground.isFree(box)) return false;
                            ground.take(box);
                            labels.push({
                                kind: 'branch',
                                text,
                                at: [tip[0], tip[1]],
                                size: 13,
                                anchor,
                                rotate: 0,
                                run: stub.run,
                            });
                            return true;
                        });
                    })
                );
            });
        }
    }
    return labels;
}

function placeFlags(ground: Ground, section: Section, findings: Finding[]): Flag[] {
    const flags: Flag[] = [];
    findings.forEach((finding, index) => {
        const spot = spotOf(section, finding);
        if (!spot) return;
        const flag = placeFlag(ground, finding, index, spot);
        if (flag) flags.push(flag);
    });
    return flags;
}

/**
 * Three shelves from the top; on each the box swings upstream from its pole, then downstream; then the text collapses.
 */
function placeFlag(ground: Ground, finding: Finding, index: number, spot: XY): Flag | null {
    const word = WORDS[finding.severity];
    const texts = [finding.title, ''];
    for (const text of texts) {
        for (const named of text === '' ? [word, ''] : [word]) {
            const w =
                30 + (named === '' ? -4 : textWidth(named, 14.5) + 2) + (text === '' ? 0 : textWidth(text, 14.5) + 6);
            for (const swing of [1, 0, 0.5, 0.8, 0.2]) {
                for (const shift of [0, -10, 10, -20, 20, -34, 34]) {
                    for (let shelf = 0; shelf < 3; shelf++) {
                        const x = spot[0] + shift;
                        const box = { x: x - w * swing, y: 6 + shelf * (FLAG_H + 5), w, h: FLAG_H };
                        const pole = { from: [x, box.y + FLAG_H] as XY, to: [x, spot[1]] as XY };
                        const line = { x: x - 1.5, y: pole.from[1], w: 3, h: spot[1] - pole.from[1] - 1 };
                        if (line.h < 4 || !ground.isFree(box) || !ground.isFree(line)) continue;
                        ground.take(box);
                        ground.take(line);
                        return { severity: finding.severity, box, text, word: named, pole, finding: index };
                    }
                }
            }
        }
    }
    return finding.severity === 'note' ? null : placeShape(ground, finding, index, spot);
}

/** Where no plumb pole finds its way, the shape alone stands as near as there is room; a stop is never left out. */
function placeShape(ground: Ground, finding: Finding, index: number, spot: XY): Flag | null {
    for (let r = 26; r < 2000; r += 8) {
        for (let a = 0; a < 16; a++) {
            const angle = -Math.PI / 2 + (a % 2 === 0 ? a : -a) * (Math.PI / 16);
            const [x, y] = [spot[0] + r * Math.cos(angle), spot[1] + r * Math.sin(angle)];
            const box = boxAround(x, y, 26, FLAG_H);
            if (!ground.isFree(box)) continue;
            ground.take(box);
            return {
                severity: finding.severity,
                box,
                text: '',
                word: '',
                pole: { from: [x, y], to: spot },
                finding: index,
            };
        }
    }
    return null;
}

/** The spot on the crown of the pipe that a finding speaks of; notes on catalogue rows have none. */
function spotOf(section: Section, finding: Finding): XY | null {
    const tape = finding.where.tape_mm;
    if (tape === null) return null;
    let run = 0;
    for (const link of section.links) {
        if (tape <= run + link.length + 0.5) {
            const t = link.length > 0 ? Math.max(0, Math.min(1, (tape - run) / link.length)) : 0;
            const level = Math.abs(link.u[1]) < 0.7;
            const x = link.from[0] + (link.to[0] - link.from[0]) * t;
            const y = link.from[1] + (link.to[1] - link.from[1]) * t;
            return [x, y - (level ? hubOutside(link.od) / 2 + 2 : link.od / 2)];
        }
        run += link.length;
    }
    const last = section.nodes.at(-1);
    return last ? [last.p[0], last.p[1] - last.hubOd / 2 - 2] : null;
}

function placeWords(ground: Ground, section: Section, units: Units, letters: string): Label[] {
    const labels: Label[] = [];
    const put = (label: Label, box: Box): void => {
        if (ground.isFree(box)) {
            ground.take(box);
            labels.push(label);
        }
    };
    section.links.forEach((link) => {
        const [mx, my] = middle(link);
        const rotate = (Math.atan2(link.u[1], link.u[0]) * 180) / Math.PI;
        const visible =
            Math.hypot(link.to[0] - link.from[0], link.to[1] - link.from[1]) -
            link.takeOut -
            link.takeIn -
            link.hubOut -
            link.hubIn;
        if (link.kind === 'level' && link.piece && link.leg.fall && !link.piece.between) {
            const fall =
                units === 'inch' ? t`falls ${link.leg.fall.inch} in per ft` : t`falls ${link.leg.fall.metric} mm per m`;
            const size = Math.min(14, link.bore * 0.62);
            if (size >= 10 && textWidth(fall, size) + 40 < visible) {
                labels.push({
                    kind: 'fall',
                    text: fall,
                    at: [mx, my - link.bore * 0.08 + size * 0.3],
                    size,
                    anchor: 'middle',
                    rotate,
                });
            } else {
                const at: XY = [mx, my + link.od / 2 + 15];
                put(
                    { kind: 'fall', text: fall, at, size: 13, anchor: 'middle', rotate },
                    boxAround(mx, at[1] - 4, textWidth(fall, 13), 16),
                );
            }
            const material = `${letters} ${link.size}`;
            const at: XY = [mx - 46, my - link.od / 2 - 8];
            if (visible > 120)
                put(
                    { kind: 'material', text: material, at, size: 13, anchor: 'middle', rotate },
                    boxAround(at[0], at[1] - 4, textWidth(material, 13), 16),
                );
        }
        if (link.kind === 'steep' && link.broken && link.leg.length) {
            const said = units === 'inch' ? link.leg.length.feet : `${link.leg.length.metric} mm`;
            const text = t`${said}, drawn short`;
            const w = textWidth(text, 13);
            for (const side of [-1, 1]) {
                for (const dy of [0, 16, -16, 30]) {
                    const x = mx + side * (link.od / 2 + 12);
                    const box = { x: side < 0 ? x - w : x, y: my + dy - 9, w, h: 16 };
                    if (ground.isFree(box)) {
                        ground.take(box);
                        labels.push({
                            kind: 'length',
                            text,
                            at: [x, my + dy + 4],
                            size: 13,
                            anchor: side < 0 ? 'end' : 'start',
                            rotate: 0,
                        });
                        return;
                    }
                }
            }
        }
    });
    for (const node of section.nodes) turnLabel(put, node);
    return labels;
}

function turnLabel(put: (label: Label, box: Box) => void, node: DrawnNode): void {
    if (node.planTurn === 0) return;
    const text = t`turns ${node.planTurn > 0 ? t`right` : t`left`} ${Math.round(Math.abs(node.planTurn))}°`;
    const y = node.p[1] - node.hubOd / 2 - 34;
    put(
        { kind: 'turn', text, at: [node.p[0] + 8, y], size: 13, anchor: 'start', rotate: 0 },
        { x: node.p[0] + 6, y: y - 11, w: textWidth(text, 13) + 4, h: 15 },
    );
}

/** Ground for the legend: the first free corner, or none. */
function placeLegend(ground: Ground, section: Section): Box | null {
    const [w, h] = [420, 88];
    const low = section.height - 30 - h - 6;
    const xs = [
        20,
        section.width - w - 14,
        (section.width - w) / 2,
        section.width * 0.25 - w / 2,
        section.width * 0.75 - w / 2,
    ];
    return ground.takeFirst([...xs.map((x) => ({ x, y: low, w, h })), ...xs.map((x) => ({ x, y: 8, w, h }))]);
}
