import { t } from '@lingui/core/macro';
import type { TrapSealOutput, Units } from '../../api/types';
import { lengthInWords } from '../../shared/lengths';

const [W, H, LEFT, FOOT] = [460, 150, 44, 124];

/** The seal through the time of one discharge, over the least that has to stay. */
interface Props {
    result: TrapSealOutput;
    sealMm: number;
    units: Units;
}

export function SealCurve({ result, sealMm, units }: Props) {
    const last = result.series.at(-1)?.t_s ?? 1;
    const x = (t: number): number => LEFT + (t / last) * (W - LEFT - 12);
    const y = (mm: number): number => FOOT - (mm / sealMm) * (FOOT - 14);
    const line = (value: (point: TrapSealOutput['series'][number]) => number): string =>
        result.series
            .map((point, i) => `${i ? 'L' : 'M'}${x(point.t_s).toFixed(1)} ${value(point).toFixed(1)}`)
            .join('');
    const said = (mm: number): string => lengthInWords(mm, units);
    const least = result.least_mm;
    return (
        <svg
            className="seal-curve"
            viewBox={`0 0 ${W} ${H}`}
            role="img"
            aria-label={t`The seal falls to ${said(result.seal_left_mm)} of ${said(sealMm)}`}
        >
            <path d={`M${LEFT} 10V${FOOT}H${W - 8}`} style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.4 }} />
            <path
                d={`${line((point) => y(point.seal_mm))}L${x(last)} ${FOOT}L${LEFT} ${FOOT}Z`}
                style={{ fill: 'var(--water-fill)', opacity: 0.7 }}
            />
            <path
                d={line((point) => y(point.seal_mm))}
                style={{ fill: 'none', stroke: 'var(--water)', strokeWidth: 2.4 }}
            />
            {least !== null && (
                <>
                    <path
                        d={`M${LEFT} ${y(least)}H${W - 8}`}
                        style={{ stroke: 'var(--ink)', strokeWidth: 1.4, strokeDasharray: '6 4' }}
                    />
                    <text x={W - 10} y={y(least) - 4} textAnchor="end" style={{ fontSize: 12 }}>
                        {t`has to stay`}
                    </text>
                </>
            )}
            <text x={LEFT - 6} y={y(sealMm) + 4} textAnchor="end" style={{ fontSize: 12 }}>
                {said(sealMm)}
            </text>
            <text x={LEFT - 6} y={FOOT + 4} textAnchor="end" style={{ fontSize: 12 }}>
                0
            </text>
            <text x={W - 10} y={FOOT + 18} textAnchor="end" style={{ fontSize: 12 }}>
                {t`${last.toFixed(0)} s`}
            </text>
            <text x={LEFT + 4} y={FOOT + 18} style={{ fontSize: 12 }}>
                {t`seal in the trap`}
            </text>
        </svg>
    );
}
