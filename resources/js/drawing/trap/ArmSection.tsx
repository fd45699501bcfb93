import { t } from '@lingui/core/macro';
import type { Units } from '../../api/types';
import { lengthInWords } from '../../shared/lengths';
import { useSize } from '../../shared/useSize';
import { armShape } from './armShape';

interface Props {
    boreMm: number;
    lengthMm: number;
    fallMmPerM: number;
    sealMm: number;
    mostMm: number | null;
    leastMm: number | null;
    vented: boolean;
    units: Units;
}

/**
 * The trap, its arm and the vent at true proportion; the water level at rest is carried across to the vent, where it
 * lies above or below the opening.
 */
export function ArmSection({ boreMm, lengthMm, fallMmPerM, sealMm, mostMm, leastMm, vented, units }: Props) {
    const [ref, { width }] = useSize<HTMLDivElement>();
    const shape = armShape(boreMm, lengthMm, fallMmPerM, sealMm, Math.max(300, width));
    const b = boreMm * shape.scale;
    const wall = 5;
    const pipe = (d: string) => (
        <g style={{ fill: 'none' }}>
            <path d={d} style={{ stroke: 'var(--edge)', strokeWidth: b + 2 * wall }} />
            <path d={d} style={{ stroke: 'var(--pvc)', strokeWidth: b + 2 * wall - 2.4 }} />
            <path d={d} style={{ stroke: 'var(--edge)', strokeWidth: b + 2.2 }} />
            <path d={d} style={{ stroke: 'var(--lumen)', strokeWidth: b }} />
        </g>
    );
    const [[x0, y0], [x1, y1]] = shape.invert;
    const middle = `M${x0 - 1} ${y0 - b / 2}L${x1 + b / 2} ${y1 - b / 2}`;
    const stackX = shape.stack.left + b / 2;
    const over = mostMm !== null && lengthMm > mostMm;
    const below = shape.opening[1] >= shape.weir;
    const clip = `M${shape.standing.left[0] - 2} ${shape.weir}H${x0 + 2}V${shape.stack.foot}H${shape.standing.left[0] - 2}Z`;
    return (
        <div ref={ref} className="arm-section">
            {width > 0 && (
                <svg
                    width={shape.width}
                    height={shape.height}
                    role="img"
                    aria-label={t`Long section of the arm: the vent opening lies ${below ? t`below` : t`above`} the weir`}
                >
                    <defs>
                        <clipPath id="arm-water">
                            <path d={clip} />
                        </clipPath>
                    </defs>
                    {pipe(`M${stackX} ${vented ? shape.stack.top : shape.opening[1]}V${shape.stack.foot}`)}
                    {pipe(shape.trap)}
                    {pipe(middle)}
                    <path
                        d={`M${stackX} ${vented ? shape.stack.top : shape.opening[1] + b * 0.1}V${shape.stack.foot}`}
                        style={{ fill: 'none', stroke: 'var(--lumen)', strokeWidth: b }}
                    />
                    <path d={middle} style={{ fill: 'none', stroke: 'var(--lumen)', strokeWidth: b }} />
                    <g clipPath="url(#arm-water)">
                        <path d={shape.trap} style={{ fill: 'none', stroke: 'var(--water-fill)', strokeWidth: b }} />
                    </g>
                    <path
                        d={`M${shape.standing.left[0] - 14} ${shape.weir}H${shape.stack.right + 26}`}
                        style={{ stroke: 'var(--water)', strokeWidth: 1.6, strokeDasharray: '8 4' }}
                    />
                    <path d={`M${x0} ${y0 - 1}L${x1} ${y1 - 1}`} style={{ stroke: 'var(--water)', strokeWidth: 2.4 }} />
                    <circle
                        cx={shape.opening[0]}
                        cy={shape.opening[1]}
                        r="5"
                        style={{ fill: below ? 'var(--ink)' : 'var(--sheet)', stroke: 'var(--ink)', strokeWidth: 2 }}
                    />
                    <text x={shape.stack.right + 10} y={shape.opening[1] - 8} style={{ fontSize: 13, fontWeight: 600 }}>
                        {t`opening`}
                    </text>
                    <text x={shape.stack.right + 10} y={shape.weir + 15} style={{ fontSize: 13, fill: 'var(--water)' }}>
                        {t`weir level`}
                    </text>
                    {shape.broken && (
                        <text
                            x={(x0 + x1) / 2}
                            y={y0 - b - 12}
                            textAnchor="middle"
                            style={{ fontSize: 13, fill: 'var(--ink-2)' }}
                        >
                            {t`drawn short`}
                        </text>
                    )}
                    <path
                        d={`M${x0} ${shape.height - 14}H${x1}M${x0} ${shape.height - 19}v10M${x1} ${shape.height - 19}v10`}
                        style={{ stroke: 'var(--mark)', strokeWidth: 1.6 }}
                    />
                    <text
                        x={(x0 + x1) / 2}
                        y={shape.height - 19}
                        textAnchor="middle"
                        style={{ font: '700 17px var(--f-mark)', fill: 'var(--mark)' }}
                    >
                        {lengthInWords(lengthMm, units)}
                        {mostMm !== null && t` of ${lengthInWords(mostMm, units)}${over ? t`: too long` : ''}`}
                    </text>
                    {leastMm !== null && lengthMm < leastMm && (
                        <text x={x0} y={y0 - b - 12} style={{ fontSize: 13, fontWeight: 600 }}>
                            {t`at least ${lengthInWords(leastMm, units)}`}
                        </text>
                    )}
                </svg>
            )}
        </div>
    );
}
