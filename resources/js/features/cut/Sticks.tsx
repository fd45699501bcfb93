import type { CuttingReport, Units } from '../../api/types';
import { lengthInWords } from '../../shared/lengths';
import { planInWords } from './cutting';

interface Props {
    group: CuttingReport['groups'][number];
    run: string;
    names: Record<string, string>;
    units: Units;
}

const [WIDE, HIGH] = [620, 34];

/** The sticks of one pipe, each drawn with what is cut from it: one is finished before the next, the longest piece first. Those of other runs are named. */
export function Sticks({ group, run, names, units }: Props) {
    const longest = Math.max(1, ...group.sticks.map((stick) => stick.length.mm));
    return (
        <section className="cut-sticks" aria-label={`Sticks of ${group.letters} ${group.size}`}>
            <h3>
                {group.letters} {group.size}
            </h3>
            <p className="say">{planInWords(group)}</p>
            <ol>
                {group.sticks.map((stick, n) => {
                    const scale = WIDE / longest;
                    let at = 0;
                    return (
                        <li key={n}>
                            <svg
                                viewBox={`0 0 ${WIDE + 4} ${HIGH + 18}`}
                                width="100%"
                                role="img"
                                aria-label={`Stick of ${lengthInWords(stick.length.mm, units)}: ${stick.cuts.map((cut) => `${cut.letter} ${lengthInWords(cut.length.mm, units)}`).join(', ')}; ${lengthInWords(stick.offcut.mm, units)} left`}
                            >
                                <rect
                                    x={1}
                                    y={1}
                                    width={stick.length.mm * scale}
                                    height={HIGH}
                                    style={{ fill: 'var(--well)', stroke: 'var(--edge)' }}
                                />
                                {stick.cuts.map((cut) => {
                                    const x = at * scale;
                                    at += cut.length.mm;
                                    const mine = cut.run === run;
                                    return (
                                        <g key={`${cut.run} ${cut.key}`}>
                                            <rect
                                                x={1 + x}
                                                y={1}
                                                width={cut.length.mm * scale}
                                                height={HIGH}
                                                style={{
                                                    fill: mine ? 'var(--lit)' : 'var(--sheet)',
                                                    stroke: 'var(--ink)',
                                                    strokeWidth: 1.6,
                                                }}
                                            />
                                            {cut.length.mm * scale > 14 && (
                                                <text
                                                    x={1 + x + (cut.length.mm * scale) / 2}
                                                    y={HIGH / 2 + 7}
                                                    textAnchor="middle"
                                                    style={{
                                                        font: `${mine ? 700 : 400} 16px var(--f-mark)`,
                                                        fill: mine ? 'var(--mark)' : 'var(--ink-3)',
                                                    }}
                                                >
                                                    {cut.letter}
                                                </text>
                                            )}
                                        </g>
                                    );
                                })}
                                <text x={1} y={HIGH + 15} style={{ fontSize: 12, fill: 'var(--ink-3)' }}>
                                    {`${lengthInWords(stick.length.mm, units)}, ${lengthInWords(stick.offcut.mm, units)} left`}
                                </text>
                            </svg>
                            <p className="cap">
                                {stick.cuts.map((cut, i) => (
                                    <span key={`${cut.run} ${cut.key}`}>
                                        {i > 0 && ', '}
                                        {cut.letter} {lengthInWords(cut.length.mm, units)}
                                        {cut.run !== run && ` (${names[cut.run] ?? cut.run})`}
                                    </span>
                                ))}
                            </p>
                        </li>
                    );
                })}
            </ol>
        </section>
    );
}
