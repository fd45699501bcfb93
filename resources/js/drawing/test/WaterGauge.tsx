import { t } from '@lingui/core/macro';
interface Props {
    /** difference of the two columns, mm of water; null: nothing was read yet */
    value: number | null;
    /** what is wanted, mm of water */
    wanted: number;
    /** what is said beside it */
    said: string;
}

const [WIDTH, HEIGHT, TUBE] = [150, 190, 22];

/** A bent tube with water in it: the pressure of the pipes pushes one column down and the other up. */
export function WaterGauge({ value, wanted, said }: Props) {
    const scale = 100 / Math.max(wanted, value ?? 0, 1);
    const half = ((value ?? 0) * scale) / 2;
    const [left, right, middle, foot] = [32, 92, 92, 168];
    const mark = (wanted * scale) / 2;
    // The outside of the glass, from one height on the left round the foot to another on the right.
    const outer = (from: number, to: number): string =>
        `M${left} ${from}V${foot - 14}q0 14 14 14h${right - left + TUBE - 28}q14 0 14 -14V${to}`;
    return (
        <svg
            className="water-gauge"
            width={WIDTH}
            height={HEIGHT}
            viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
            role="img"
            aria-label={t`Water gauge: ${said}`}
        >
            <path
                d={`${outer(middle + half, middle - half)}h${-TUBE}V${foot - TUBE}H${left + TUBE}V${middle + half}Z`}
                className="head-water"
            />
            <path d={`${outer(18, 18)}M${left + TUBE} 18V${foot - TUBE}H${right}V18`} className="gauge-glass" />
            <path
                d={`M${left - 12} ${middle + mark}h10M${right + TUBE + 2} ${middle - mark}h10`}
                className="gauge-mark"
            />
            <text x={left + TUBE / 2} y={12} className="head-cap middle">
                {t`pipes`}
            </text>
            <text x={right + TUBE / 2} y={12} className="head-cap middle">
                {t`open`}
            </text>
        </svg>
    );
}
