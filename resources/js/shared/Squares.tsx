import { squaresOf } from './squares';

const [LIGHT, SIDE] = [4, 168];

/** A text as a code of squares, dark on light in every mode. */
export function Squares({ text, label }: { text: string; label: string }) {
    const rows = squaresOf(text);
    const count = rows.length + 2 * LIGHT;
    const path = rows
        .flatMap((row, y) => [...row].map((cell, x) => (cell === '1' ? `M${x + LIGHT} ${y + LIGHT}h1v1h-1z` : '')))
        .join('');
    return (
        <svg width={SIDE} height={SIDE} viewBox={`0 0 ${count} ${count}`} role="img" aria-label={label}>
            <rect width={count} height={count} fill="#fff" />
            <path d={path} fill="#000" shapeRendering="crispEdges" />
        </svg>
    );
}
