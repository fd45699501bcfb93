export type XY = readonly [number, number];

export interface ArmShape {
    /** px per mm, the same both ways: the proportion is true */
    scale: number;
    trap: string;
    /** invert and crown of the arm, from the weir to the vent */
    invert: [XY, XY];
    crown: [XY, XY];
    /** upright pipe at the vent: left and right edge, top and foot */
    stack: { left: number; right: number; top: number; foot: number };
    weir: number;
    /** top of the vent opening */
    opening: XY;
    /** the water that stands in the trap: its two surfaces */
    standing: { left: XY; right: XY };
    most: XY | null;
    width: number;
    height: number;
    broken: boolean;
}

/**
 * Lays the long section of a trap arm out at true proportion. Where the arm is too long for that, its straight part is
 * drawn short and `broken` says so; falls
 * over the part that is left out are kept, so that weir and opening lie as they do.
 */
export function armShape(
    boreMm: number,
    lengthMm: number,
    fallMmPerM: number,
    sealMm: number,
    width: number,
): ArmShape {
    const left = 24;
    const trapMm = boreMm * 4.1;
    const dropMm = (lengthMm * fallMmPerM) / 1000;
    const scale = Math.min(1.6, 46 / boreMm);
    const room = width - left - 90 - trapMm * scale - boreMm * scale;
    const drawn = Math.min(lengthMm * scale, room);
    const b = boreMm * scale;
    const r = b * 1.15;
    const drop = dropMm * scale;
    const weir = 74 + b;
    const x0 = left + trapMm * scale;
    const x1 = x0 + drawn;
    const dip = weir + sealMm * scale;
    const inX = left + b;
    const outX = inX + 2 * r;
    const trap = `M${inX} 12V${dip - b / 2}A${r} ${r} 0 0 0 ${outX} ${dip - b / 2}V${weir + b * 0.1}A${b * 0.6} ${b * 0.6} 0 0 1 ${outX + b * 0.6} ${weir - b / 2}H${x0}`;
    const foot = Math.max(weir + drop + b * 2.2, dip + b * 1.4);
    return {
        scale,
        trap,
        invert: [
            [x0, weir],
            [x1, weir + drop],
        ],
        crown: [
            [x0, weir - b],
            [x1, weir + drop - b],
        ],
        stack: { left: x1, right: x1 + b, top: 8, foot },
        weir,
        opening: [x1, weir + drop - b],
        standing: { left: [inX - b / 2, weir], right: [outX + b * 0.2, weir] },
        most: null,
        width,
        height: foot + 26,
        broken: drawn < lengthMm * scale - 1,
    };
}
