import { t } from '@lingui/core/macro';
import { useId, useMemo } from 'react';
import type { Evaluation } from '../../api/types';
import { ShapeBody } from '../../shared/Shape';
import { houseScene, type HouseLine } from './scene';

interface Props {
    evaluation: Evaluation;
    /** only what stands in one frame; null for all */
    frame: string | null;
    turns: number;
    width: number;
    height: number;
    selected: string | undefined;
    onRun: (run: string) => void;
}

/** The whole house as it stands in the room. Every run can be picked; roles read without colour. */
export function HouseIso({ evaluation, frame, turns, width, height, selected, onRun }: Props) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const scene = useMemo(
        () => houseScene(evaluation, frame, turns, width, height),
        [evaluation, frame, turns, width, height],
    );
    const stroke = (line: HouseLine): string =>
        line.run === selected
            ? 'var(--lit)'
            : line.role === 'drain'
              ? 'var(--ink-3)'
              : line.role === 'wet-vent'
                ? `url(#${prefix}wet)`
                : 'var(--sheet)';
    return (
        <svg
            className="iso house-iso"
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role="img"
            aria-label={t`Isometric of the house`}
        >
            <defs>
                <pattern
                    id={`${prefix}wet`}
                    width="6"
                    height="6"
                    patternUnits="userSpaceOnUse"
                    patternTransform="rotate(45)"
                >
                    <rect width="6" height="6" style={{ fill: 'var(--sheet)' }} />
                    <rect width="3" height="6" style={{ fill: 'var(--ink-3)' }} />
                </pattern>
            </defs>
            {scene.lines.map((line, i) => (
                <g
                    key={i}
                    style={{ fill: 'none', strokeLinecap: 'butt', cursor: 'pointer' }}
                    data-run={line.run}
                    onClick={() => onRun(line.run)}
                >
                    <path
                        d={line.d}
                        style={{ stroke: 'var(--edge)', strokeWidth: line.width + (line.run === selected ? 3 : 0) }}
                    />
                    <path d={line.d} style={{ stroke: stroke(line), strokeWidth: Math.max(1.5, line.width - 2.6) }} />
                    {(line.role === 'dry-vent' || line.role === 'dead') && !line.fitting && (
                        <path
                            d={line.d}
                            style={{
                                stroke: 'var(--edge)',
                                strokeWidth: 1.2,
                                strokeDasharray: line.role === 'dead' ? '1 4' : '7 5',
                            }}
                        />
                    )}
                </g>
            ))}
            {scene.arrows.map(({ at, angle }, i) => (
                <path
                    key={i}
                    d="M-5 -4.5L6 0L-5 4.5Z"
                    transform={`translate(${at[0]} ${at[1]}) rotate(${angle})`}
                    style={{ fill: 'var(--water)', stroke: 'var(--sheet)', pointerEvents: 'none' }}
                />
            ))}
            {scene.marks.map(({ at, severity }, i) => (
                <g
                    key={i}
                    transform={`translate(${at[0] - 8} ${at[1] - 26}) scale(0.8)`}
                    style={{ pointerEvents: 'none' }}
                >
                    <ShapeBody kind={severity} />
                </g>
            ))}
            {scene.letters.map((letter, i) => (
                <text
                    key={i}
                    x={letter.at[0]}
                    y={letter.at[1] + 4}
                    textAnchor="middle"
                    style={{ font: '700 13px var(--f-mark)', fill: 'var(--mark)' }}
                >
                    {letter.text}
                </text>
            ))}
            {scene.labels.map((label) => (
                <g key={label.run} onClick={() => onRun(label.run)} style={{ cursor: 'pointer' }}>
                    {label.lead && (
                        <path
                            d={`M${label.at[0]} ${label.at[1] - 5}L${label.lead[0]} ${label.lead[1]}`}
                            style={{ stroke: 'var(--rule-2)', strokeWidth: 1 }}
                        />
                    )}
                    <text
                        x={label.at[0]}
                        y={label.at[1]}
                        textAnchor={label.anchor}
                        style={{
                            fontSize: 14,
                            fontWeight: label.run === selected ? 700 : 600,
                            fill: 'var(--ink)',
                            paintOrder: 'stroke',
                            stroke: 'var(--sheet)',
                            strokeWidth: 3,
                        }}
                    >
                        {label.text}
                    </text>
                </g>
            ))}
            <Legend y={height - 18} wet={`url(#${prefix}wet)`} />
        </svg>
    );
}

function Legend({ y, wet }: { y: number; wet: string }) {
    const items: [number, string, string, boolean][] = [
        [14, 'var(--ink-3)', 'drain', false],
        [96, wet, t`wet vent`, false],
        [196, 'var(--sheet)', t`dry vent`, true],
    ];
    return (
        <g>
            {items.map(([x, fill, text, dashed]) => (
                <g key={text}>
                    <rect
                        x={x}
                        y={y - 9}
                        width="26"
                        height="9"
                        style={{ fill, stroke: 'var(--edge)', strokeWidth: 1.3 }}
                    />
                    {dashed && (
                        <path d={`M${x} ${y - 4.5}h26`} style={{ stroke: 'var(--edge)', strokeDasharray: '5 3' }} />
                    )}
                    <text x={x + 32} y={y} style={{ fontSize: 13 }}>
                        {text}
                    </text>
                </g>
            ))}
        </g>
    );
}
