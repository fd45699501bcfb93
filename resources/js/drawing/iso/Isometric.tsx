import { t } from '@lingui/core/macro';
import { useId, useMemo } from 'react';
import type { RunReport } from '../../api/types';
import { Materials } from '../Materials';
import { textureOf } from '../textures';
import { ShapeBody } from '../../shared/Shape';
import type { Selection } from '../section/FallLine';
import { TagArt } from '../section/FallLine';
import { onView } from './project';
import { sceneOf } from './scene';

interface Props {
    run: RunReport;
    turns: number;
    width: number;
    height: number;
    selected: Selection | null;
    onSelect: (selection: Selection) => void;
}

/** The whole run at 30°, as it stands in the room; the same letters and numbers as on the fall line. */
export function Isometric({ run, turns, width, height, selected, onSelect }: Props) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const scene = useMemo(() => sceneOf(run, turns, width, height), [run, turns, width, height]);
    const origin = { x: 0, y: 0, z: 0 };
    const [o, north, east] = [origin, { ...origin, y: 1 }, { ...origin, x: 1 }].map((point) =>
        onView(point, { turns, scale: 26, ox: 38, oy: height - 30 }),
    );
    return (
        <svg
            className="iso"
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role="img"
            aria-label={t`Isometric of the run`}
        >
            <Materials prefix={prefix} />
            <path d={scene.grid} style={{ stroke: 'var(--rule)', strokeWidth: 1, opacity: 0.7 }} />
            <path
                d={scene.shadow}
                style={{ fill: 'none', stroke: 'var(--rule-2)', strokeWidth: 2, strokeDasharray: '2 4' }}
            />
            {scene.solids.map((solid, i) => (
                <g key={i} style={{ fill: 'none' }}>
                    <path
                        d={solid.d}
                        style={{
                            stroke: 'var(--edge)',
                            strokeWidth: solid.width + (solid.piece !== null && solid.piece === selected?.key ? 2 : 0),
                        }}
                    />
                    <path
                        d={solid.d}
                        style={{
                            stroke:
                                solid.kind === 'hub'
                                    ? 'var(--pvc-2)'
                                    : solid.piece !== null && solid.piece === selected?.key
                                      ? 'var(--lit)'
                                      : `url(#${prefix}${textureOf(run.system.material)})`,
                            strokeWidth: solid.width - 2.6,
                        }}
                    />
                </g>
            ))}
            {scene.arrows.map(({ at, angle }, i) => (
                <path
                    key={i}
                    d="M-5.5 -5L6 0L-5.5 5Z"
                    transform={`translate(${at[0]} ${at[1]}) rotate(${angle})`}
                    style={{ fill: 'var(--water)', stroke: 'var(--sheet)' }}
                />
            ))}
            {scene.marks.map(({ severity, at, foot }, i) => (
                <g key={i}>
                    <path
                        d={`M${foot[0]} ${foot[1]}L${at[0]} ${at[1]}`}
                        style={{ stroke: 'var(--ink)', strokeWidth: 1.6 }}
                    />
                    <g transform={`translate(${at[0] - 10} ${at[1] - 10})`}>
                        <ShapeBody kind={severity} />
                    </g>
                </g>
            ))}
            {scene.tags.map((tag) => (
                <TagArt
                    key={`${tag.kind} ${tag.key}`}
                    tag={{ ...tag, lead: null }}
                    selected={selected?.kind === tag.kind && selected.key === tag.key}
                    onClick={() => onSelect({ kind: tag.kind, key: tag.key })}
                />
            ))}
            {o && north && east && (
                <g style={{ stroke: 'var(--ink)', strokeWidth: 1.6 }}>
                    <path d={`M${o.join(' ')}L${north.join(' ')}M${o.join(' ')}L${east.join(' ')}`} />
                    <text
                        x={north[0] + (north[0] - o[0]) * 0.35}
                        y={north[1] + (north[1] - o[1]) * 0.35 + 4}
                        textAnchor="middle"
                        style={{ stroke: 'none', fontSize: 13, fontWeight: 700 }}
                    >
                        {t`N`}
                    </text>
                    <text
                        x={east[0] + (east[0] - o[0]) * 0.35}
                        y={east[1] + (east[1] - o[1]) * 0.35 + 4}
                        textAnchor="middle"
                        style={{ stroke: 'none', fontSize: 13, fill: 'var(--ink-2)' }}
                    >
                        {t`E`}
                    </text>
                </g>
            )}
        </svg>
    );
}
