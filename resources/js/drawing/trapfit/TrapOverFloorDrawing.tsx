import { t } from '@lingui/core/macro';
interface Props {
    /** from the leg of the trap to the axis of the riser, mm */
    arm: number;
    /** from the floor up to the arm, mm */
    riser: number;
    tall: number;
    reach: number;
    seal: number | null;
    said: { arm: string | null; riser: string | null };
}

const MARK = { font: t`700 15px var(--f-mark)`, fill: 'var(--mark)' };

/**
 * The trap over an outlet in the floor from the side, to one scale: the arm into the tee on the riser, and the vent up
 * from its top.
 */
export function TrapOverFloorDrawing({ arm, riser, tall, reach, seal, said }: Props) {
    const scale = Math.min(0.8, 330 / Math.max(160, arm + reach), 170 / Math.max(140, riser));
    const floor = 262;
    const branch = floor - Math.max(46, riser * scale);
    const x0 = 90;
    const leg = x0 + Math.max(20, reach * scale);
    const pipe = leg + Math.max(60, arm * scale);
    const dip = branch + Math.max(18, (seal ?? 50) * scale);
    const inlet = branch - Math.max(26, tall * scale);
    const wall = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 15, strokeLinejoin: 'round' as const };
    const bore = { ...wall, stroke: 'var(--lit)', strokeWidth: 11 };
    const path = `M${x0} ${inlet - 26}V${dip}H${leg}V${branch}H${pipe}`;
    const tee = `M${pipe} ${branch - 24}V${branch + 24}M${pipe - 26} ${branch}H${pipe}`;
    const stack = `M${pipe} 26V${floor + 22}`;
    return (
        <svg
            className="trapfit"
            viewBox="0 0 620 300"
            width="100%"
            role="img"
            aria-label={[
                t`The trap over the outlet in the floor, from the side.`,
                t`Arm ${said.arm ?? t`not known`}, riser ${said.riser ?? t`not known`}; the vent goes up from the tee.`,
            ].join(' ')}
        >
            <rect x={20} y={floor} width={580} height={26} style={{ fill: 'var(--well)', stroke: 'var(--rule-2)' }} />
            <path d={stack} style={wall} />
            <path d={path} style={wall} />
            <path d={stack} style={bore} />
            <path d={path} style={bore} />
            <path d={`M${x0} ${branch}V${dip}H${leg}V${branch}`} style={{ ...bore, stroke: 'var(--water-fill)' }} />
            <path d={tee} style={{ ...wall, strokeWidth: 23 }} />
            <path d={tee} style={{ ...wall, stroke: 'var(--pvc-2)', strokeWidth: 19 }} />
            <path
                d={`M${pipe + 24} 76V32M${pipe + 17} 42L${pipe + 24} 30L${pipe + 31} 42`}
                style={{ fill: 'none', stroke: 'var(--ink-2)', strokeWidth: 2 }}
            />
            <text x={pipe + 40} y={56} style={{ fontSize: 13, fill: 'var(--ink-2)' }}>
                {t`vent`}
            </text>
            {said.arm && (
                <text x={(leg + pipe) / 2 - 14} y={branch - 18} textAnchor="middle" style={MARK}>
                    {said.arm}
                </text>
            )}
            {said.riser && (
                <text x={pipe + 20} y={(branch + floor) / 2 + 12} style={MARK}>
                    {said.riser}
                </text>
            )}
            <text x={28} y={floor + 18} style={{ fontSize: 12, fill: 'var(--ink-3)' }}>
                {t`floor`}
            </text>
        </svg>
    );
}
