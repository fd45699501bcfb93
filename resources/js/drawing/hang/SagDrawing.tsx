import { t } from '@lingui/core/macro';
import type { HangingReport } from '../../api/types';

type Span = HangingReport['spans'][number];

const [WIDTH, HEIGHT, LEFT, TOP] = [560, 190, 40, 46];

/**
 * What hangs between two hangers, bent by its weight and its water: heights many times the lengths, and how many it
 * says. The water that stays is filled in.
 */
export function SagDrawing({ span, said }: { span: Span; said: { sag: string; pond: string | null } }) {
    const length = span.to_tape_mm - span.from_tape_mm;
    if (span.shape_mm.length < 2 || length <= 0) return null;
    const fall = (span.fall_mm_per_m * length) / 1000;
    const heights = span.shape_mm.map((sag, i) => -(fall * i) / (span.shape_mm.length - 1) - sag);
    const lowest = Math.min(...heights);
    const perLength = (WIDTH - 2 * LEFT) / length;
    const perHeight = Math.min(90 / Math.max(0.5, -lowest), 60 * perLength);
    const x = (i: number): number => LEFT + (i / (span.shape_mm.length - 1)) * (WIDTH - 2 * LEFT);
    const y = (mm: number): number => TOP - mm * perHeight;
    const line = (off: number): string =>
        heights.map((mm, i) => `${i === 0 ? 'M' : 'L'}${x(i).toFixed(1)} ${(y(mm) + off).toFixed(1)}`).join('');
    const pipe = 40;
    const pond = span.pond_from_mm !== null && span.pond_to_mm !== null ? pondPath(span, heights, x, y, pipe) : null;
    const times = Math.max(1, Math.round(perHeight / perLength));
    return (
        <>
            <svg
                className="sag"
                viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
                width="100%"
                role="img"
                aria-label={t`Between the two hangers it sags ${said.sag}${said.pond ? t` and keeps water ${said.pond} deep` : ''}.`}
            >
                <path
                    d={`${line(0)}L${line(pipe).slice(1).split('L').reverse().join('L')}Z`}
                    style={{ fill: 'var(--lumen)', stroke: 'none' }}
                />
                {pond && <path d={pond} style={{ fill: 'var(--water-fill)' }} />}
                <path d={line(0)} style={{ fill: 'none', stroke: 'var(--edge)', strokeWidth: 4 }} />
                <path d={line(pipe)} style={{ fill: 'none', stroke: 'var(--edge)', strokeWidth: 4 }} />
                <path
                    d={`M${x(0)} ${y(0) + pipe}L${x(span.shape_mm.length - 1)} ${y(-fall) + pipe}`}
                    style={{ stroke: 'var(--water)', strokeWidth: 1.6, strokeDasharray: '6 5' }}
                />
                {[0, span.shape_mm.length - 1].map((i) => (
                    <path
                        key={i}
                        d={`M${x(i)} 12V${y(heights[i] ?? 0) + pipe}`}
                        style={{ stroke: 'var(--ink)', strokeWidth: 4 }}
                    />
                ))}
            </svg>
            <p className="cap">{t`heights ${times} times the lengths; full, after years`}</p>
        </>
    );
}

/** The water between where it begins and where it runs over: flat on top, the invert below. */
function pondPath(
    span: Span,
    heights: number[],
    x: (i: number) => number,
    y: (mm: number) => number,
    pipe: number,
): string {
    const steps = span.shape_mm.length - 1;
    const length = span.to_tape_mm - span.from_tape_mm;
    const at = (mm: number): number => (mm / length) * steps;
    const height = (i: number): number => {
        const [low, share] = [Math.floor(i), i - Math.floor(i)];
        return (heights[low] ?? 0) * (1 - share) + (heights[Math.min(low + 1, steps)] ?? 0) * share;
    };
    const [from, to] = [at(span.pond_from_mm ?? 0), at(span.pond_to_mm ?? 0)];
    const between = heights.map((_, i) => i).filter((i) => i > from && i < to);
    const top = y(height(to)) + pipe;
    return `M${x(from)} ${top}${between.map((i) => `L${x(i)} ${y(heights[i] ?? 0) + pipe}`).join('')}L${x(to)} ${top}Z`;
}
