import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useMemo } from 'react';
import type { Evaluation } from '../../api/types';
import { runInWords } from '../../shared/lengths';
import { layOutWay } from './layout';
import { wayOf } from './way';

interface Props {
    evaluation: Evaluation;
    run: string;
    outlet: string;
    width: number;
    height: number;
    onRun: (run: string) => void;
}

const WEIGHT = (size: string): number =>
    Math.max(5, Math.min(13, 3 + parseFloat(size) * (parseFloat(size) > 24 ? 0.08 : 2.2)));

/**
 * The fall line of the whole way from the head of a run to its outlet: every run that it goes through can be opened
 * from it.
 */
export function WayLine({ evaluation, run, outlet, width, height, onRun }: Props) {
    const way = useMemo(() => wayOf(evaluation, run), [evaluation, run]);
    const { drawn, times } = useMemo(() => layOutWay(way, width, height), [way, width, height]);
    const last = drawn.at(-1);
    const inch = evaluation.units === 'inch';
    const length = (mm: number): string => runInWords(mm, evaluation.units);
    if (!last) return <p className="none">{t`This run has no leg yet.`}</p>;
    const names = drawn.filter((one, i) => i === 0 || drawn[i - 1]?.stretch.run !== one.stretch.run);
    return (
        <svg
            className="way-line"
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role="img"
            aria-label={t`The way from ${outlet} to where it ends: ${length(way.plan)} in plan, ${length(way.drop)} down, through ${names.map((one) => one.stretch.name).join(', ')}`}
        >
            {drawn.map(({ stretch, from, to, short }, i) => (
                <g key={i} className="way-part" onClick={() => onRun(stretch.run)}>
                    <path
                        d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`}
                        style={{
                            stroke: stretch.run === run ? 'var(--ink)' : 'var(--ink-3)',
                            strokeWidth: WEIGHT(stretch.size),
                            strokeLinecap: 'round',
                            strokeDasharray: stretch.role === 'dry-vent' ? '9 7' : undefined,
                        }}
                    />
                    <path
                        d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`}
                        style={{ stroke: 'var(--water-fill)', strokeWidth: 2 }}
                    />
                    {short ? (
                        <text
                            x={to[0] + 9}
                            y={(from[1] + to[1]) / 2 + 4}
                            style={{ fontSize: 12, fill: 'var(--ink-3)' }}
                        >
                            {length(Math.abs(stretch.drop))} {stretch.drop < 0 ? t`up` : t`down`}
                        </text>
                    ) : (
                        to[0] - from[0] > 74 &&
                        stretch.fall && (
                            <text
                                x={(from[0] + to[0]) / 2}
                                y={(from[1] + to[1]) / 2 + 20}
                                textAnchor="middle"
                                style={{ fontSize: 12.5, fill: 'var(--water)', fontWeight: 600 }}
                            >
                                {inch ? t`${stretch.fall.inch} in per ft` : stretch.fall.metric}
                            </text>
                        )
                    )}
                </g>
            ))}
            {names.map((one, i) => (
                <g key={one.stretch.run}>
                    {i > 0 && (
                        <circle
                            cx={one.from[0]}
                            cy={one.from[1]}
                            r={6}
                            style={{ fill: 'var(--lit)', stroke: 'var(--ink)', strokeWidth: 2 }}
                        />
                    )}
                    <path
                        d={`M${one.from[0]} ${one.from[1] - 8}V${24 + (i % 2) * 15}`}
                        style={{ stroke: 'var(--rule-2)' }}
                    />
                    <text
                        x={one.from[0] + 3}
                        y={20 + (i % 2) * 15}
                        className="branch-name"
                        role="button"
                        tabIndex={0}
                        onClick={() => onRun(one.stretch.run)}
                        onKeyDown={(event) =>
                            event.key === 'Enter' && (event.stopPropagation(), onRun(one.stretch.run))
                        }
                        style={{ fontSize: 13.5, fontWeight: 600 }}
                    >
                        {one.stretch.name}, {one.stretch.size}
                        {inch ? t` in` : ''}
                    </text>
                </g>
            ))}
            <text x={last.to[0] + 12} y={last.to[1] + 5} style={{ fontSize: 13 }}>
                {way.open ?? t`where it ends`}
            </text>
            <text x={60} y={height - 10} style={{ fontSize: 12, fill: 'var(--ink-3)' }}>
                <Trans>
                    {length(way.plan)} in plan, {length(way.drop)} down in all; falls {times.toFixed(0)} times steeper
                    than they are, uprights drawn short
                </Trans>
            </text>
        </svg>
    );
}
