import type { Section, XY } from './geometry';
import { FOOT, TICK, tickAt, type TickOf } from './ticks';

/** Hangers as ticks: below level pipe, beside upright pipe. A guide, which only leads the pipe, is open. */
export function HangerTicks({ section, hangers }: { section: Section; hangers: TickOf[] }) {
    return (
        <g className="hanger-ticks">
            {hangers.map((hanger) => {
                const tick = tickAt(section, hanger.tape_mm);
                if (!tick) return null;
                const { at, out, od } = tick;
                const from = [at[0] + out[0] * (od / 2), at[1] + out[1] * (od / 2)] as const;
                const to = [from[0] + out[0] * TICK, from[1] + out[1] * TICK] as const;
                // The foot of the tick lies across it.
                const side: XY = [-out[1] * (FOOT / 2), out[0] * (FOOT / 2)];
                return (
                    <path
                        key={hanger.number}
                        data-hanger={hanger.number}
                        d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}M${to[0] - side[0]} ${to[1] - side[1]}L${to[0] + side[0]} ${to[1] + side[1]}`}
                        style={{
                            fill: 'none',
                            stroke: 'var(--ink)',
                            strokeWidth: 2.2,
                            strokeDasharray: hanger.kind === 'guide' ? '2.5 2' : 'none',
                        }}
                    />
                );
            })}
        </g>
    );
}
