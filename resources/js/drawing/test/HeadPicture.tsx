import { t } from '@lingui/core/macro';
import type { TestedSystem, Units } from '../../api/types';
import { runInWords } from '../../shared/lengths';

interface Props {
    system: TestedSystem;
    units: Units;
    width: number;
}

const [TOP, HEIGHT, BOTTOM, LEFT, RIGHT] = [30, 176, 46, 16, 16];

/**
 * What stands above each end while it is filled: a column of water for each, to one scale, as high as what pushes at
 * its plug.
 */
export function HeadPicture({ system, units, width }: Props) {
    const ends = system.openings.map((one, n) => ({ ...one, n: n + 1, mm: one.head?.mm ?? 0 }));
    const most = Math.max(1, system.fill?.above_lowest.mm ?? 0, ...ends.map((one) => one.mm));
    if (ends.length === 0 || system.fill === null) return null;
    const step = (width - LEFT - RIGHT) / ends.length;
    const bar = Math.min(26, step * 0.5);
    const height = TOP + HEIGHT + BOTTOM;
    return (
        <svg
            className="head-picture"
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role="img"
            aria-label={t`What stands above each end while it is filled`}
        >
            <path d={`M${LEFT} ${TOP}H${width - RIGHT}`} className="head-level" />
            <text x={LEFT} y={TOP - 9} className="head-cap">
                {t`the water stands here`}
            </text>
            {ends.map((end) => {
                const x = LEFT + step * (end.n - 0.5);
                const deep = (end.mm / most) * HEIGHT;
                return (
                    <g key={`${end.run} ${end.kind} ${end.what}`}>
                        <rect x={x - bar / 2} y={TOP} width={bar} height={deep} className="head-water" />
                        <path
                            d={
                                end.is_fill
                                    ? `M${x - bar / 2} ${TOP - 6}V${TOP + 6}M${x + bar / 2} ${TOP - 6}V${TOP + 6}`
                                    : `M${x - bar / 2 - 5} ${TOP + deep}H${x + bar / 2 + 5}`
                            }
                            className="head-plug"
                        />
                        <text x={x} y={TOP + deep + 18} className="head-n">
                            {end.n}
                        </text>
                        <text x={x} y={TOP + deep + 33} className="head-cap middle">
                            {end.is_fill ? t`fill` : runInWords(end.mm, units)}
                        </text>
                    </g>
                );
            })}
        </svg>
    );
}
