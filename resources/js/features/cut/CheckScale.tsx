import { t } from '@lingui/core/macro';
import type { Units } from '../../api/types';

/** A scale of true length on paper: 3 in with sixteenths at one end, or 80 mm. */
export function CheckScale({ units }: { units: Units }) {
    const inch = units === 'inch';
    const [length, unit, step] = inch ? [3, 'in', 1 / 8] : [80, 'mm', 5];
    const marks = Array.from({ length: Math.round(length / step) + 1 }, (_, i) => i * step);
    const tall = (at: number): number =>
        inch ? (at % 1 === 0 ? 0.22 : at % 0.5 === 0 ? 0.15 : 0.09) : at % 10 === 0 ? 5.5 : 3.2;
    const [high, pad] = inch ? [0.42, 0.05] : [11, 1.2];
    return (
        <svg
            className="check-scale"
            width={`${length + 2 * pad}${unit}`}
            height={`${high}${unit}`}
            viewBox={`${-pad} 0 ${length + 2 * pad} ${high}`}
            role="img"
            aria-label={t`Scale of ${length} ${unit}`}
        >
            <path
                d={`M0 ${high * 0.95}H${length}${marks.map((at) => `M${at} ${high * 0.95}v${-tall(at)}`).join('')}`}
                style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: inch ? 0.015 : 0.35 }}
            />
            {marks
                .filter((at) => (inch ? at % 1 === 0 : at % 20 === 0))
                .map((at) => (
                    <text
                        key={at}
                        x={at}
                        y={high * 0.35}
                        textAnchor={at === 0 ? 'start' : at === length ? 'end' : 'middle'}
                        style={{ fontSize: inch ? 0.15 : 3.6, fontWeight: 700 }}
                    >
                        {at}
                    </text>
                ))}
        </svg>
    );
}
