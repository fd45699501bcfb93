import { t } from '@lingui/core/macro';
import type { JointEnd, JointMethod } from '../../api/types';
import { textureOf } from '../textures';

/** A rectangle in mm: x along the pipe, y up from its axis. */
export interface Slab {
    x: number;
    y: number;
    w: number;
    h: number;
    texture: string;
    /** a wedge instead of a rectangle: its height at the left and at the right */
    wedge?: [number, number];
}

export interface JointShapes {
    /** the upper half, cut open */
    cut: Slab[];
    /** the lower half, seen from outside; y is down from the axis */
    outside: Slab[];
    /** where the marker goes round: x, and half the outside there */
    marks: { x: number; r: number }[];
    /** what is measured: between two x, by its name */
    spans: { name: 'insert_a' | 'insert_b' | 'gap'; from: number; to: number; known: boolean }[];
    /** what the parts are called, with the spot that each names */
    names: { text: string; x: number; y: number }[];
    left: number;
    right: number;
    top: number;
    bore: number;
}

/** What an unknown depth is drawn as, of the outside diameter. */
const DRAWN = 0.42;

const SLEEVE: Partial<Record<string, { texture: string; shield: boolean; nuts: boolean }>> = {
    'no-hub-shielded': { texture: 'rub', shield: true, nuts: false },
    'shielded-transition': { texture: 'rub', shield: true, nuts: false },
    'flexible-unshielded': { texture: 'rub', shield: false, nuts: false },
    'universal-compression': { texture: 'pp', shield: false, nuts: true },
    'soldered-drainage': { texture: 'copper', shield: false, nuts: false },
    'grooved-mechanical': { texture: 'pp', shield: false, nuts: true },
};

/**
 * The make-up of a joint in section, from the dimensions of its two ends and of what joins them. End a is on the left.
 */
export function jointShapes(a: JointEnd, b: JointEnd, method: JointMethod): JointShapes {
    const aTakes = isSocket(a.kind);
    const bTakes = isSocket(b.kind);
    if (method.method === 'flange-seal') return flanges(a, b);
    if (bTakes && !aTakes) return socketed(a, b, method, 'a');
    if (aTakes && !bTakes) return mirrored(socketed(b, a, method, 'b'));
    return sleeved(a, b, method);
}

const isSocket = (kind: string): boolean =>
    ['hub', 'bell', 'solvent-socket', 'ring-socket', 'female-thread', 'slip-nut'].includes(kind);

function sleeved(a: JointEnd, b: JointEnd, method: JointMethod): JointShapes {
    const look = SLEEVE[method.method] ?? { texture: textureOf(a.material), shield: false, nuts: false };
    const wide = Math.max(a.od_mm, b.od_mm);
    const gap = method.gap_mm ?? 3;
    const [inA, inB] = [method.insert_a_mm ?? DRAWN * wide, method.insert_b_mm ?? DRAWN * wide];
    const thick = Math.max(0.07 * wide, 3);
    const top = wide / 2 + thick;
    const [from, to] = [-gap / 2 - inA, gap / 2 + inB];
    const [left, right] = [from - 0.75 * wide, to + 0.75 * wide];
    const bore = Math.min(a.od_mm - 2 * a.wall_mm, b.od_mm - 2 * b.wall_mm) / 2;
    const cut: Slab[] = [
        wall(a, left, -gap / 2),
        wall(b, gap / 2, right),
        { x: from, y: a.od_mm / 2, w: -gap / 2 - from, h: top - a.od_mm / 2, texture: look.texture },
        { x: gap / 2, y: b.od_mm / 2, w: to - gap / 2, h: top - b.od_mm / 2, texture: look.texture },
        {
            x: -gap / 2,
            y: Math.max(bore, Math.min(a.od_mm / 2 - a.wall_mm, b.od_mm / 2 - b.wall_mm)),
            w: gap,
            h: top - bore,
            texture: look.texture,
        },
    ];
    const outside: Slab[] = [
        barrel(a, left, from),
        barrel(b, to, right),
        { x: from, y: 0, w: to - from, h: top, texture: look.shield ? 'steel' : look.texture },
    ];
    const names = [
        {
            text: look.texture === 'rub' ? t`rubber sleeve` : (method.parts[0]?.name ?? t`coupling`),
            x: from + inA * 0.3,
            y: wide / 2 + thick * 0.5,
        },
    ];
    if (look.shield) {
        cut.push({ x: from + 2, y: top, w: to - from - 4, h: thick * 0.35, texture: 'steel' });
        names.push({ text: t`shield`, x: 0, y: top + thick * 0.2 });
    }
    const bands = method.bands > 0 ? (method.bands > 2 ? [0.3, 0.72] : [0.6]) : [];
    bands.forEach((place) =>
        [-1, 1].forEach((side) => {
            const x = side < 0 ? -gap / 2 - inA * place : gap / 2 + inB * place;
            cut.push({
                x: x - thick * 0.7,
                y: top + (look.shield ? thick * 0.35 : 0),
                w: thick * 1.4,
                h: thick * 0.3,
                texture: 'steel',
            });
            outside.push({ x: x - thick * 0.7, y: 0, w: thick * 1.4, h: top + thick * 0.65, texture: 'steel' });
        }),
    );
    if (bands.length > 0) names.push({ text: t`${method.bands} bands`, x: gap / 2 + inB * 0.6, y: top + thick * 0.6 });
    if (look.nuts) {
        [-1, 1].forEach((side) => {
            const x = side < 0 ? from : to - inB * 0.45;
            cut.push({ x, y: top, w: inB * 0.45, h: thick * 0.8, texture: 'pvc' });
            outside.push({ x, y: 0, w: inB * 0.45, h: top + thick * 0.8, texture: 'pvc' });
        });
        names.push({ text: t`nut, by hand`, x: to - inB * 0.2, y: top + thick * 0.6 });
    }
    return {
        cut,
        outside,
        marks: [
            { x: from, r: a.od_mm / 2 },
            { x: to, r: b.od_mm / 2 },
        ],
        spans: [
            { name: 'insert_a', from, to: -gap / 2, known: method.insert_a_mm !== null },
            { name: 'gap', from: -gap / 2, to: gap / 2, known: method.gap_mm !== null },
            { name: 'insert_b', from: gap / 2, to, known: method.insert_b_mm !== null },
        ],
        names,
        left,
        right,
        top: top + thick * 1.2,
        bore,
    };
}

/** A pipe in a socket, hub or nut, with the ring, gasket, lead or adapter between. The lip is at x = 0. */
function socketed(pipe: JointEnd, socket: JointEnd, method: JointMethod, inner: 'a' | 'b'): JointShapes {
    const adapter =
        ['hub-adapter'].includes(method.method) || method.variant === 'adapter' || method.variant === 'cold';
    const said = inner === 'a' ? method.insert_a_mm : method.insert_b_mm;
    const depth = adapter
        ? socket.depth_mm || DRAWN * socket.od_mm
        : (said ?? (socket.depth_known ? socket.depth_mm : DRAWN * pipe.od_mm));
    const gap = adapter ? 0 : (method.gap_mm ?? 0);
    const hubbed = socket.kind === 'hub' && socket.material === 'iron';
    const thick = Math.max(socket.wall_mm, 0.05 * pipe.od_mm, 3);
    const room = hubbed
        ? Math.max(0.075 * pipe.od_mm, 6)
        : socket.kind === 'bell' || socket.kind === 'ring-socket'
          ? 0.045 * pipe.od_mm
          : 0.6;
    const inside = pipe.od_mm / 2 + room;
    const wide = Math.max(inside + thick, socket.od_mm / 2);
    const stop = depth + Math.max(gap, 0);
    const right = stop + 0.85 * pipe.od_mm;
    const bore = Math.min(pipe.od_mm / 2 - pipe.wall_mm, socket.od_mm / 2 - socket.wall_mm);
    const neck = adapter ? 0.5 * pipe.od_mm : 0;
    const ownDepth = adapter ? (said ?? DRAWN * pipe.od_mm) : 0;
    const left = -neck - ownDepth - 0.85 * pipe.od_mm;
    const end = adapter ? -neck : depth;
    const cut: Slab[] = [
        wall(pipe, left, end),
        { x: 0, y: inside, w: stop, h: thick, texture: textureOf(socket.material) },
        { x: stop, y: bore, w: thick, h: wide - bore, texture: textureOf(socket.material) },
        wall(socket, stop + thick, right),
    ];
    const outside: Slab[] = [
        barrel(pipe, left, 0),
        barrel(socket, stop, right),
        { x: 0, y: 0, w: stop + thick, h: wide, texture: textureOf(socket.material) },
    ];
    const names: JointShapes['names'] = [];
    if (adapter) {
        const [r, plastic] = [pipe.od_mm / 2, textureOf(method.method === 'slip-joint' ? 'pvc' : pipe.material)];
        cut.push(
            { x: -neck - ownDepth, y: r + 0.5, w: ownDepth, h: thick, texture: plastic },
            { x: -neck, y: r - pipe.wall_mm, w: neck + depth * 0.92, h: pipe.wall_mm + 0.5, texture: plastic },
        );
        outside.splice(
            1,
            0,
            { x: -neck - ownDepth, y: 0, w: ownDepth, h: r + thick, texture: plastic },
            { x: -neck, y: 0, w: neck, h: r, texture: plastic },
        );
        names.push({ text: method.parts[0]?.name ?? 'adapter', x: -neck - ownDepth / 2, y: r + thick * 0.6 });
    }
    if (hubbed) {
        const filled = method.method === 'caulked';
        cut.push({
            x: filled ? depth * 0.35 : 2,
            y: pipe.od_mm / 2 + 0.5,
            w: filled ? depth * 0.6 : depth * 0.88,
            h: room - 0.8,
            texture: filled ? 'unknown' : 'rub',
        });
        if (filled) cut.push({ x: 1, y: pipe.od_mm / 2 + 0.5, w: depth * 0.34, h: room - 0.8, texture: 'steel' });
        cut.push({
            x: 0,
            y: inside + thick,
            w: Math.max(6, depth * 0.16),
            h: thick * 0.6,
            texture: textureOf(socket.material),
        });
        outside.push({
            x: 0,
            y: 0,
            w: Math.max(6, depth * 0.16),
            h: wide + thick * 0.6,
            texture: textureOf(socket.material),
        });
        names.push(
            { text: filled ? t`lead on oakum` : t`gasket`, x: depth * 0.3, y: pipe.od_mm / 2 + room * 0.5 },
            { text: t`hub`, x: depth * 0.7, y: inside + thick * 0.5 },
        );
    } else if (socket.kind === 'bell' || socket.kind === 'ring-socket') {
        cut.push({ x: depth * 0.2, y: pipe.od_mm / 2 + 0.3, w: depth * 0.22, h: room + thick * 0.35, texture: 'rub' });
        cut.push({
            x: depth * 0.12,
            y: inside + thick,
            w: depth * 0.38,
            h: thick * 0.5,
            texture: textureOf(socket.material),
        });
        outside.push({
            x: depth * 0.12,
            y: 0,
            w: depth * 0.38,
            h: wide + thick * 0.5,
            texture: textureOf(socket.material),
        });
        names.push(
            { text: t`ring`, x: depth * 0.3, y: pipe.od_mm / 2 + room },
            { text: socket.kind === 'bell' ? t`bell` : t`socket`, x: depth * 0.8, y: inside + thick * 0.5 },
        );
    } else if (socket.kind === 'slip-nut') {
        cut.push({ x: -0.12 * pipe.od_mm, y: pipe.od_mm / 2 + 1, w: depth * 0.6, h: thick * 1.5, texture: 'steel' });
        cut.push({
            x: 0.02 * pipe.od_mm,
            y: pipe.od_mm / 2 + 0.4,
            w: depth * 0.3,
            h: thick,
            texture: 'rub',
            wedge: [1, 0.35],
        });
        outside.push({ x: -0.12 * pipe.od_mm, y: 0, w: depth * 0.6, h: wide + thick * 0.8, texture: 'steel' });
        names.push(
            { text: t`nut`, x: depth * 0.2, y: pipe.od_mm / 2 + thick * 1.2 },
            { text: t`washer, bevel in`, x: depth * 0.15, y: pipe.od_mm / 2 + thick * 0.4 },
        );
    } else {
        names.push({
            text:
                socket.kind === 'female-thread'
                    ? t`taper thread`
                    : method.family === 'cement'
                      ? t`cemented all round`
                      : 'socket',
            x: depth * 0.5,
            y: inside,
        });
    }
    return {
        cut,
        outside,
        marks: [{ x: adapter ? -neck - ownDepth : 0, r: pipe.od_mm / 2 }],
        spans: [
            {
                name: inner === 'a' ? 'insert_a' : 'insert_b',
                from: adapter ? -neck - ownDepth : 0,
                to: end,
                known: said !== null,
            },
            ...(gap > 0.5 ? [{ name: 'gap' as const, from: depth, to: stop, known: true }] : []),
        ],
        names,
        left,
        right,
        top: wide + thick * 0.8,
        bore,
    };
}

function flanges(a: JointEnd, b: JointEnd): JointShapes {
    const r = a.od_mm / 2;
    const plate = 0.1 * a.od_mm;
    const [left, right] = [-1.1 * a.od_mm, 1.1 * a.od_mm];
    const seal = 0.05 * a.od_mm;
    return {
        cut: [
            wall(a, left, -seal),
            wall(b, seal, right),
            { x: -seal - plate, y: r, w: plate, h: 0.42 * a.od_mm, texture: textureOf(a.material) },
            { x: seal, y: r, w: plate, h: 0.42 * a.od_mm, texture: textureOf(b.material) },
            { x: -seal, y: r - a.wall_mm, w: 2 * seal, h: 0.3 * a.od_mm + a.wall_mm, texture: 'rub' },
        ],
        outside: [
            barrel(a, left, -seal),
            barrel(b, seal, right),
            { x: -seal - plate, y: 0, w: 2 * (seal + plate), h: r + 0.42 * a.od_mm, texture: textureOf(a.material) },
        ],
        marks: [],
        spans: [],
        names: [
            { text: t`putty or rubber`, x: 0, y: r + 0.15 * a.od_mm },
            { text: t`flange`, x: seal + plate / 2, y: r + 0.3 * a.od_mm },
        ],
        left,
        right,
        top: r + 0.5 * a.od_mm,
        bore: r - a.wall_mm,
    };
}

const wall = (end: JointEnd, from: number, to: number): Slab => ({
    x: from,
    y: end.od_mm / 2 - end.wall_mm,
    w: to - from,
    h: end.wall_mm,
    texture: textureOf(end.material),
});

const barrel = (end: JointEnd, from: number, to: number): Slab => ({
    x: from,
    y: 0,
    w: to - from,
    h: end.od_mm / 2,
    texture: textureOf(end.material),
});

function mirrored(shapes: JointShapes): JointShapes {
    const flip = (slab: Slab): Slab => ({
        ...slab,
        x: -slab.x - slab.w,
        ...(slab.wedge ? { wedge: [slab.wedge[1], slab.wedge[0]] as [number, number] } : {}),
    });
    return {
        ...shapes,
        cut: shapes.cut.map(flip),
        outside: shapes.outside.map(flip),
        marks: shapes.marks.map((mark) => ({ ...mark, x: -mark.x })),
        spans: shapes.spans.map((span) => ({ ...span, from: -span.to, to: -span.from })),
        names: shapes.names.map((name) => ({ ...name, x: -name.x })),
        left: -shapes.right,
        right: -shapes.left,
    };
}
