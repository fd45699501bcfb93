import { t } from '@lingui/core/macro';
interface Props {
    /** from the axis of the tailpiece to the face of the wall, mm */
    ahead: number;
    /** from the end of the tailpiece down to the axis of the outlet, mm */
    down: number;
    tall: number;
    reach: number;
    seal: number | null;
    /** positive: the tailpiece ends so much too high; negative: too low */
    high: number;
    said: { change: string | null; tube: string | null };
}

/**
 * The trap from the side, to one scale: tailpiece, lower bend with its water, arm into the wall; where the heights do
 * not meet, by how much.
 */
export function TrapFitDrawing({ ahead, down, tall, reach, seal, high, said }: Props) {
    const scale = Math.min(0.9, 420 / Math.max(200, ahead + 60), 190 / Math.max(120, down + 120));
    const [x0, y0] = [90, 40];
    const outlet = y0 + Math.max(30, down * scale);
    const wall = x0 + Math.max(60, ahead * scale);
    const leg = Math.min(wall - 20, x0 + reach * scale);
    const dip = outlet + Math.max(18, (seal ?? 50) * scale);
    const inlet = outlet - tall * scale;
    const pipe = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 15, strokeLinejoin: 'round' as const };
    const bore = { ...pipe, stroke: 'var(--lit)', strokeWidth: 11 };
    const path = `M${x0} ${inlet}V${dip}H${leg}V${outlet}H${wall + 24}`;
    return (
        <svg
            className="trapfit"
            viewBox="0 0 620 290"
            width="100%"
            role="img"
            aria-label={t`The trap from the side. ${said.change ?? t`The heights meet.`}`}
        >
            <rect x={wall} y={14} width={34} height={262} style={{ fill: 'var(--well)', stroke: 'var(--rule-2)' }} />
            <path d={`M${x0} 12V${y0}`} style={pipe} />
            <path d={`M${x0} 12V${y0}`} style={bore} />
            <path d={path} style={pipe} />
            <path d={path} style={bore} />
            <path d={`M${x0} ${outlet}V${dip}H${leg}V${outlet}`} style={{ ...bore, stroke: 'var(--water-fill)' }} />
            {Math.abs(high) > 0.5 && (
                <g>
                    <path
                        d={`M${x0 - 26} ${y0}h20M${x0 - 26} ${inlet}h20M${x0 - 18} ${y0}V${inlet}`}
                        style={{ stroke: 'var(--mark)', strokeWidth: 2, fill: 'none' }}
                    />
                </g>
            )}
            {said.change && (
                <text
                    x={x0 + 16}
                    y={(y0 + inlet) / 2 + 5}
                    style={{ font: '700 15px var(--f-mark)', fill: 'var(--mark)' }}
                >
                    {said.change}
                </text>
            )}
            {said.tube && (
                <text
                    x={(leg + wall) / 2}
                    y={outlet - 16}
                    textAnchor="middle"
                    style={{ font: '700 15px var(--f-mark)', fill: 'var(--mark)' }}
                >
                    {said.tube}
                </text>
            )}
            <text x={wall + 6} y={270} style={{ fontSize: 12, fill: 'var(--ink-3)' }}>
                {t`wall`}
            </text>
        </svg>
    );
}
