import type { Way, WayStretch } from './way';

export interface DrawnStretch {
    stretch: WayStretch;
    from: [number, number];
    to: [number, number];
    /** an upright stretch, drawn shorter than it is */
    short: boolean;
}

const PAD = { left: 60, right: 150, top: 44, bottom: 40 };
const UPRIGHT = 30;
const LEAST = 26;

/**
 * Lays a way out in a frame: lengths in plan to one scale, though no stretch narrower than its words; falls at what
 * height is left, as steep as they are to each other;
 * what is upright drawn short.
 */
export function layOutWay(way: Way, width: number, height: number): { drawn: DrawnStretch[]; times: number } {
    const upright = way.stretches.filter((one) => one.upright).length;
    const rise = Math.min(UPRIGHT, (height - PAD.top - PAD.bottom) / Math.max(1, upright + 1));
    const room = width - PAD.left - PAD.right - LEAST * way.stretches.filter((one) => !one.upright).length;
    const perMm = Math.max(0, room) / Math.max(1, way.plan);
    const falling = way.stretches.reduce((sum, one) => sum + (one.upright ? 0 : Math.abs(one.drop)), 0);
    const perDrop = Math.min(
        perMm * 12,
        Math.max(8, height - PAD.top - PAD.bottom - upright * rise) / Math.max(1, falling),
    );
    let [x, y] = [PAD.left, PAD.top];
    const drawn = way.stretches.map((stretch): DrawnStretch => {
        const from: [number, number] = [x, y];
        if (stretch.upright) {
            x += Math.min(LEAST / 2, stretch.plan * perMm);
            y += stretch.drop < 0 ? -rise : rise;
        } else {
            x += LEAST + stretch.plan * perMm;
            y += stretch.drop * perDrop;
        }
        return { stretch, from, to: [x, y], short: stretch.upright };
    });
    const top = Math.min(PAD.top, ...drawn.map((one) => one.to[1]));
    for (const one of drawn) {
        one.from[1] += PAD.top - top;
        one.to[1] += PAD.top - top;
    }
    return { drawn, times: perMm > 0 ? perDrop / perMm : 1 };
}
