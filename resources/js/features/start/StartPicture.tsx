interface Props {
    strokes: string[];
    at?: string;
    number?: (field: string) => number;
}

/**
 * The drawing of a start. A stroke is a word, its points, and sometimes a text: `drain`, `wide`, `line` (points),
 * `box x,y w,h text`, `trap x,y`, `cross x,y`, `text x,y text`, and `hold FIELD x,y x,y`, a length to measure; that of
 * the field at hand stands out. Where `number` is given, a length bears the number of its field.
 */
export function StartPicture({ strokes, at = '', number }: Props) {
    return (
        <svg className="start-picture" viewBox="0 0 220 130" aria-hidden="true">
            {strokes.map((stroke) => (
                <Stroke key={stroke} words={stroke.split(' ')} at={at} number={number} />
            ))}
        </svg>
    );
}

const WIDTHS: Record<string, number> = { drain: 6, wide: 10, line: 1.5 };

const xy = (point = '0,0'): [number, number] => {
    const [x = 0, y = 0] = point.split(',').map(Number);
    return [x, y];
};

function Stroke({ words, at, number }: { words: string[]; at: string; number: Props['number'] }) {
    const [word = '', ...rest] = words;
    if (word in WIDTHS)
        return <polyline points={rest.join(' ')} className="start-pipe" style={{ strokeWidth: WIDTHS[word] }} />;
    if (word === 'hold') return <Hold points={rest.slice(1)} isAt={rest[0] === at} number={number?.(rest[0] ?? '')} />;
    const [x, y] = xy(rest[0]);
    if (word === 'box') {
        const [w, h] = xy(rest[1]);
        return (
            <g>
                <rect x={x} y={y} width={w} height={h} className="start-box" />
                <text x={x + w / 2} y={y + h / 2 + 4} textAnchor="middle">
                    {rest.slice(2).join(' ')}
                </text>
            </g>
        );
    }
    if (word === 'trap') return <path d={`M${x} ${y}v12a10 10 0 0 0 20 0v6`} className="start-pipe start-trap" />;
    if (word === 'cross') return <path d={`M${x - 5} ${y - 5}l10 10m0 -10l-10 10`} className="start-cross" />;
    return (
        <text x={x} y={y}>
            {rest.slice(1).join(' ')}
        </text>
    );
}

/** A length between two points, with a tick at either end. */
function Hold({ points, isAt, number }: { points: string[]; isAt: boolean; number: number | undefined }) {
    const [a, b] = [xy(points[0]), xy(points[1])];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const [u, v] = [(-(b[1] - a[1]) / length) * 5, ((b[0] - a[0]) / length) * 5];
    const tick = ([x, y]: [number, number]): string => `M${x - u} ${y - v}L${x + u} ${y + v}`;
    return (
        <>
            <path
                className={isAt ? 'start-hold at' : 'start-hold'}
                d={`M${a[0]} ${a[1]}L${b[0]} ${b[1]}${tick(a)}${tick(b)}`}
            />
            {number !== undefined && (
                <g className="start-number" transform={`translate(${(a[0] + b[0]) / 2} ${(a[1] + b[1]) / 2})`}>
                    <circle r="7" />
                    <text textAnchor="middle" y="4">
                        {number}
                    </text>
                </g>
            )}
        </>
    );
}
