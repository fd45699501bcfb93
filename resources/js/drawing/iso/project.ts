import type { Point } from '../../api/types';

export type XY = readonly [number, number];

const COS30 = Math.sqrt(3) / 2;

/**
 * True isometric: east to the lower right, north to the upper right, up upwards; turned about the plumb line in quarter
 * turns.
 */
export function project(point: Point, turns: number): XY {
    const { x, y, z } = turned(point, turns);
    return [(x + y) * COS30, (x - y) * 0.5 - z];
}

/** How near to the eye a point is. */
export function nearness(point: Point, turns: number): number {
    const { x, y, z } = turned(point, turns);
    return x - y + z;
}

function turned({ x, y, z }: Point, turns: number): Point {
    switch (((turns % 4) + 4) % 4) {
        case 1:
            return { x: -y, y: x, z };
        case 2:
            return { x: -x, y: -y, z };
        case 3:
            return { x: y, y: -x, z };
        default:
            return { x, y, z };
    }
}

export interface View {
    turns: number;
    /** px per mm along an axis */
    scale: number;
    ox: number;
    oy: number;
}

/** The view in which all points lie within the frame, its margin kept free. */
export function fitView(points: Point[], turns: number, width: number, height: number, margin: number): View {
    const flat = points.map((point) => project(point, turns));
    const xs = flat.map(([x]) => x);
    const ys = flat.map(([, y]) => y);
    const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const scale = Math.min(
        (width - 2 * margin) / Math.max(right - left, 1),
        (height - 2 * margin) / Math.max(bottom - top, 1),
        0.6,
    );
    return {
        turns,
        scale,
        ox: width / 2 - ((left + right) / 2) * scale,
        oy: height / 2 - ((top + bottom) / 2) * scale,
    };
}

export function onView(point: Point, view: View): XY {
    const [x, y] = project(point, view.turns);
    return [view.ox + x * view.scale, view.oy + y * view.scale];
}
