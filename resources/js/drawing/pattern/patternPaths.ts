import type { CatalogueEntry } from '../../api/types';

interface Drawn {
    bodies: string[];
    hubs: string[];
    od: number;
    hub: number;
    bore: number;
    flow: [number, number, number][];
    box: { x: number; y: number; w: number; h: number };
}

type XY = [number, number];

const BRANCH_DEG: Record<string, number> = { wye: 45, 'double-wye': 45, 'branch-uk': 45 };

/**
 * The middle lines of a fitting in mm from its dimensions: water enters at the left, or from above into a branch. Null
 * where there is nothing to draw.
 */
export function patternPaths(entry: CatalogueEntry): Drawn | null {
    const { od_mm: od, bore_mm: bore } = entry.drawn;
    if (!od || !bore) return null;
    const depth = entry.drawn.depth_mm ?? od * 0.33;
    if (entry.family === 'pipe') return ring(od, bore);
    if (entry.turn_deg && (entry.family === 'bend' || entry.family === 'street bend'))
        return bend(entry, od, bore, depth);
    if (entry.family === 'branch' || entry.family === 'access' || entry.family === 'boss')
        return branch(entry, od, bore, depth);
    if (entry.family === 'trap') return trap(od, bore, depth);
    return straight(od, bore, depth);
}

const at = (p: XY): string => `${p[0].toFixed(1)} ${p[1].toFixed(1)}`;
const line = (a: XY, b: XY): string => `M${at(a)}L${at(b)}`;

function boxed(points: XY[], around: number): Drawn['box'] {
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
    const [left, right, top, bottom] = [
        Math.min(...xs) - around,
        Math.max(...xs) + around,
        Math.min(...ys) - around,
        Math.max(...ys) + around,
    ];
    const side = Math.max(right - left, bottom - top);
    return { x: (left + right - side) / 2, y: (top + bottom - side) / 2, w: side, h: side };
}

const WALLED = 1.29;

function shape(bodies: string[], hubs: [XY, XY][], od: number, bore: number, flow: Drawn['flow'], points: XY[]): Drawn {
    const wall = Math.max((od - bore) / 2, od * 0.07);
    return {
        bodies,
        hubs: hubs.map(([a, b]) => line(a, b)),
        od,
        hub: od + 2 * wall,
        bore: od - 2 * wall,
        flow,
        box: boxed([...points, ...hubs.flat()], (od * WALLED) / 2 + 4),
    };
}

function bend(entry: CatalogueEntry, od: number, bore: number, depth: number): Drawn {
    const take = entry.drawn.take_off_mm || od;
    const turn = ((entry.turn_deg ?? 90) * Math.PI) / 180;
    const radius = Math.min(entry.drawn.radius_mm || take, take / Math.tan(turn / 2));
    const straightPart = take - radius * Math.tan(turn / 2);
    const street = entry.family === 'street bend';
    const into = street && entry.drawn.spigot_mm ? entry.drawn.spigot_mm : take;
    // Of hub-and-spigot pipe the outlet is a spigot.
    const spigotOut = street ? 0 : (entry.drawn.spigot_mm ?? 0);
    const reach = spigotOut || take;
    const out: XY = [Math.cos(turn), Math.sin(turn)];
    const start: XY = [-into, 0];
    const bendFrom: XY = [-(take - straightPart), 0];
    const bendTo: XY = [out[0] * (take - straightPart), out[1] * (take - straightPart)];
    const end: XY = [out[0] * reach, out[1] * reach];
    const lip: XY = [out[0] * (take + depth), out[1] * (take + depth)];
    const body = `M${at(start)}L${at(bendFrom)}A${radius} ${radius} 0 0 1 ${at(bendTo)}L${at(end)}`;
    const hubs: [XY, XY][] = spigotOut ? [] : [[end, lip]];
    if (!street) hubs.unshift([[-take - depth, 0], start]);
    return shape([body], hubs, od, bore, [[-take * 0.7, 0, 0]], [start, end, [radius * 0.4, 0]]);
}

function branch(entry: CatalogueEntry, od: number, bore: number, depth: number): Drawn {
    const pattern = entry.pattern ?? '';
    const double = pattern.startsWith('double') || pattern.startsWith('two-way');
    const slanted = BRANCH_DEG[pattern] !== undefined;
    const sweeping = ['combo', 'long-turn-tee-wye', 'double-combo'].includes(pattern);
    const half = od * (slanted ? 1.25 : sweeping ? 1.2 : 0.95);
    const [top, foot]: [XY, XY] = [
        [0, -half],
        [0, half],
    ];
    const hubs: [XY, XY][] = [
        [[0, -half - depth], top],
        [foot, [0, half + depth]],
    ];
    const bodies = [line(top, foot)];
    const flow: Drawn['flow'] = [[0, half * 0.55, 90]];
    for (const side of double ? [-1, 1] : [-1]) {
        if (slanted) {
            const reach = od * 1.3 * Math.SQRT1_2;
            const tip: XY = [side * reach, -reach * 1.05];
            const lip: XY = [tip[0] + side * depth * Math.SQRT1_2, tip[1] - depth * Math.SQRT1_2];
            bodies.push(line([0, od * 0.1], tip));
            hubs.push([lip, tip]);
        } else {
            const reach = od * (sweeping ? 1.3 : 1);
            const tip: XY = [side * reach, -od * (sweeping ? 0.5 : 0.15)];
            const sweep = sweeping
                ? od * 1.1
                : ['vent-tee', 'test-tee', 'access-pipe-uk'].includes(pattern)
                  ? 0.5
                  : od * 0.55;
            bodies.push(`M${at(tip)}L${at([side * sweep, tip[1]])}Q0 ${tip[1]} 0 ${(tip[1] + sweep).toFixed(1)}`);
            hubs.push([[tip[0] + side * depth, tip[1]], tip]);
            flow.push([side * reach * 0.8, tip[1], side < 0 ? 0 : 180]);
        }
    }
    return shape(bodies, hubs, od, bore, flow, [top, foot]);
}

function trap(od: number, bore: number, depth: number): Drawn {
    const r = od * 0.85;
    const body = `M${-r} ${-od * 1.5}V0A${r} ${r} 0 0 0 ${r} 0V${-od * 0.3}A${r * 0.75} ${r * 0.75} 0 0 1 ${r * 1.75} ${-od * 0.3 - r * 0.75}H${r * 2.1}`;
    return shape(
        [body],
        [
            [
                [-r, -od * 1.5 - depth],
                [-r, -od * 1.5],
            ],
        ],
        od,
        bore,
        [[-r, -od, 90]],
        [
            [-r, -od * 1.5],
            [r * 2.1, r],
        ],
    );
}

function straight(od: number, bore: number, depth: number): Drawn {
    return shape(
        [line([-4, 0], [4, 0])],
        [
            [
                [-depth - 4, 0],
                [-4, 0],
            ],
            [
                [4, 0],
                [depth + 4, 0],
            ],
        ],
        od,
        bore,
        [[-depth * 0.5, 0, 0]],
        [],
    );
}

/** A pipe end on: nothing but its two circles. */
function ring(od: number, bore: number): Drawn {
    const r = (od + bore) / 4;
    const circle = `M${-r} 0A${r} ${r} 0 1 0 ${r} 0A${r} ${r} 0 1 0 ${-r} 0`;
    const wall = Math.max((od - bore) / 2, od * 0.05);
    return {
        bodies: [circle],
        hubs: [],
        od: wall,
        hub: 0,
        bore: 0.01,
        flow: [],
        box: { x: -od * 0.7, y: -od * 0.7, w: od * 1.4, h: od * 1.4 },
    };
}
