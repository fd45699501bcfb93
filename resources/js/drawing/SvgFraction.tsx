import { fractionOf } from './Said';

/** How wide a digit of the face is, by its height; a one is narrower. */
const [DIGIT, ONE] = [0.45, 0.3];

interface Props {
    x: number;
    y: number;
    text: string;
    size: number;
    fill: string;
    /** x is where it begins, not its middle */
    begins?: boolean;
}

/**
 * A tape fraction inside a drawing, stacked over its bar and centred on x: in a narrow face `1 3/4` on one line would
 * read as thirteen quarters.
 */
export function SvgFraction({ x, y, text, size, fill, begins = false }: Props) {
    const { sign, whole, over, under } = fractionOf(text);
    const left = `${sign}${whole}`;
    const small = size * 0.72;
    const leftWidth = [...left].reduce((wide, sign) => wide + (sign === '1' ? ONE : DIGIT), 0) * size;
    const barWidth = over === '' ? 0 : Math.max(over.length, under.length) * small * 0.48 + 3;
    const gap = left !== '' && over !== '' ? size * 0.14 : 0;
    const start = begins ? x : x - (leftWidth + gap + barWidth) / 2;
    const middle = start + leftWidth + gap + barWidth / 2;
    const font = (px: number) => ({ font: `700 ${px}px var(--f-mark)`, fill });
    return (
        <g>
            {left !== '' && (
                <text x={start} y={y} style={font(size)}>
                    {left}
                </text>
            )}
            {over !== '' && (
                <>
                    <text x={middle} y={y - size * 0.45} textAnchor="middle" style={font(small)}>
                        {over}
                    </text>
                    <rect
                        x={middle - barWidth / 2}
                        y={y - size * 0.36}
                        width={barWidth}
                        height={1.4}
                        style={{ fill }}
                    />
                    <text x={middle} y={y + size * 0.26} textAnchor="middle" style={font(small)}>
                        {under}
                    </text>
                </>
            )}
        </g>
    );
}
