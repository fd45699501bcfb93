/** An upright rectangle on the drawing, in px. */
export interface Box {
    x: number;
    y: number;
    w: number;
    h: number;
}

export const boxAround = (x: number, y: number, w: number, h: number): Box => ({ x: x - w / 2, y: y - h / 2, w, h });

export const overlap = (a: Box, b: Box): boolean =>
    a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

const CELL = 64;
const SLICE = 7;

/** What ground is taken. Boxes are kept in columns, so that asking stays quick on long runs. */
export class Ground {
    private readonly columns = new Map<number, Box[]>();

    constructor(private readonly within: Box) {}

    take(box: Box): void {
        for (const column of columnsOf(box)) {
            const there = this.columns.get(column);
            if (there) there.push(box);
            else this.columns.set(column, [box]);
        }
    }

    /**
     * Takes the ground along a line, as wide as given, in slices; across a slanting line in small squares, so that no
     * more is taken than it covers.
     */
    takeLine(from: readonly [number, number], to: readonly [number, number], width: number): void {
        const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
        const u = length > 0 ? [(to[0] - from[0]) / length, (to[1] - from[1]) / length] : [1, 0];
        const [ux = 1, uy = 0] = u;
        const slanting = Math.abs(ux * uy) > 0.12;
        const rows = slanting ? Math.max(1, Math.ceil(width / SLICE)) : 1;
        const count = Math.max(1, Math.ceil(length / SLICE));
        for (let i = 0; i < count; i++) {
            const d = ((i + 0.5) / count) * length;
            for (let row = 0; row < rows; row++) {
                const off = rows === 1 ? 0 : ((row + 0.5) / rows - 0.5) * width;
                const [x, y] = [from[0] + ux * d - uy * off, from[1] + uy * d + ux * off];
                const [w, h] = slanting
                    ? [SLICE + 2, SLICE + 2]
                    : Math.abs(ux) > Math.abs(uy)
                      ? [SLICE, width]
                      : [width, SLICE];
                this.take(boxAround(x, y, w, h));
            }
        }
    }

    isFree(box: Box): boolean {
        const { x, y, w, h } = this.within;
        if (box.x < x || box.y < y || box.x + box.w > x + w || box.y + box.h > y + h) return false;
        for (const column of columnsOf(box)) {
            if (this.columns.get(column)?.some((taken) => overlap(taken, box))) return false;
        }
        return true;
    }

    /** Takes the first free one of the boxes, or gives null. */
    takeFirst<T extends Box>(candidates: Iterable<T>): T | null {
        for (const candidate of candidates) {
            if (this.isFree(candidate)) {
                this.take(candidate);
                return candidate;
            }
        }
        return null;
    }
}

function columnsOf(box: Box): number[] {
    const columns: number[] = [];
    for (let c = Math.floor(box.x / CELL); c <= Math.floor((box.x + box.w) / CELL); c++) columns.push(c);
    return columns;
}

/** About how wide a text is in the form face, on the safe side. */
export const textWidth = (text: string, size: number): number => text.length * size * 0.5;
