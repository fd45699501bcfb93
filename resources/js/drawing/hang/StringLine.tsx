import { t } from '@lingui/core/macro';
import type { HangingReport, Units } from '../../api/types';
import { SvgFraction } from '../SvgFraction';

type Hanger = HangingReport['hangers'][number];

interface Props {
    hangers: Hanger[];
    /** outside of the pipe, mm */
    outside: number;
    units: Units;
    selected: number | null;
    onSelect: (number: number) => void;
    width: number;
}

const [STRING, PAD, LEAST, WIDE, DEEP, FOOT] = [36, 56, 40, 58, 42, 34];

/**
 * A stretch of level pipe under its string: lengths to one scale, and what is measured down to the crown at every
 * hanger.
 */
export function StringLine({ hangers, outside, units, selected, onSelect, width: room }: Props) {
    const first = hangers[0];
    const last = hangers.at(-1);
    if (!first || !last) return null;
    // No closer than their numbers are wide: what does not fit is scrolled to.
    const width = Math.max(room, 2 * PAD + (hangers.length - 1) * WIDE);
    const length = Math.max(1, last.tape_mm - first.tape_mm);
    const x = (hanger: Hanger): number => PAD + ((hanger.tape_mm - first.tape_mm) / length) * (width - 2 * PAD);
    const drops = hangers.map((hanger) => hanger.below_string?.mm ?? 0);
    // Heights are drawn so that the lowest crown lies where there is room; never so high that the number does not fit
    // between.
    const down = (mm: number): number =>
        STRING + LEAST + ((mm - Math.min(...drops)) / Math.max(30, Math.max(...drops) - Math.min(...drops))) * DEEP;
    const pipe = Math.max(14, Math.min(26, outside / 4));
    const crown = hangers.map((hanger) => down(hanger.below_string?.mm ?? 0));
    const height = Math.max(...crown) + pipe + FOOT;
    const said = (tape: { inch: string; metric: string }): string => (units === 'inch' ? tape.inch : tape.metric);
    const path = (off: number): string =>
        hangers.map((hanger, i) => `${i === 0 ? 'M' : 'L'}${x(hanger)} ${(crown[i] ?? 0) + off}`).join('');
    return (
        <svg
            className="string-line"
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role="img"
            aria-label={t`Hangers under the string`}
        >
            {hangers
                .filter((hanger) => hanger.number === selected)
                .map((hanger) => (
                    <rect
                        key={hanger.number}
                        x={x(hanger) - 16}
                        y={4}
                        width={32}
                        height={height - 4}
                        style={{ fill: 'var(--lit)' }}
                    />
                ))}
            <path d={`M${PAD - 20} ${STRING}H${width - PAD + 20}`} style={{ stroke: 'var(--ink)', strokeWidth: 1.6 }} />
            <path
                d={path(pipe / 2)}
                style={{ fill: 'none', stroke: 'var(--edge)', strokeWidth: pipe, strokeLinecap: 'butt' }}
            />
            <path d={path(pipe / 2)} style={{ fill: 'none', stroke: 'var(--lumen)', strokeWidth: pipe - 6 }} />
            {hangers.map((hanger, i) => (
                <g
                    key={hanger.number}
                    className="hanger"
                    data-hanger={hanger.number}
                    onClick={() => onSelect(hanger.number)}
                    style={{ cursor: 'pointer' }}
                >
                    <rect x={x(hanger) - 22} y={4} width={44} height={height - 4} style={{ fill: 'transparent' }} />
                    <path
                        d={`M${x(hanger)} 14V${crown[i]}`}
                        style={{ stroke: 'var(--ink)', strokeWidth: 3, strokeDasharray: hanger.clear ? 'none' : '5 4' }}
                    />
                    <rect
                        x={x(hanger) - 5}
                        y={(crown[i] ?? 0) - 3}
                        width={10}
                        height={pipe + 6}
                        style={{ fill: 'var(--well)', stroke: 'var(--ink)', strokeWidth: 1.5 }}
                    />
                    {hanger.below_string && (
                        <SvgFraction
                            x={x(hanger) + 7}
                            y={STRING + 26}
                            text={said(hanger.below_string)}
                            size={19}
                            fill="var(--mark)"
                            begins
                        />
                    )}
                    <text
                        x={x(hanger)}
                        y={height - 10}
                        textAnchor="middle"
                        style={{ fontSize: 13, fill: 'var(--ink)', fontWeight: 600 }}
                    >
                        {hanger.number}
                    </text>
                </g>
            ))}
            <text
                x={PAD + 22}
                y={STRING - 10}
                style={{
                    fontSize: 13,
                    fill: 'var(--ink-2)',
                    stroke: 'var(--sheet)',
                    strokeWidth: 5,
                    paintOrder: 'stroke',
                }}
            >
                {t`string, levelled`}
            </text>
        </svg>
    );
}
