import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { CuttingReport, Units } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { lengthInWords, runInWords } from '../../shared/lengths';
import { useSize } from '../../shared/useSize';
import { planInWords, tightInWords } from '../../editing';

type Stick = CuttingReport['groups'][number]['sticks'][number];

interface Props {
    group: CuttingReport['groups'][number];
    run: string;
    names: Record<string, string>;
    units: Units;
}

const HIGH = 34;

/**
 * The sticks of one pipe, each drawn with what is cut from it: one is finished before the next, the longest piece
 * first. Those of other runs are named.
 */
export function Sticks({ group, run, names, units }: Props) {
    const [ref, { width }] = useSize<HTMLOListElement>();
    const longest = Math.max(1, ...group.sticks.map((stick) => stick.length.mm));
    return (
        <section className="cut-sticks" aria-label={t`Sticks of ${group.letters} ${group.size}`}>
            <h3>
                {group.letters} {group.size}
            </h3>
            <p className="say">{planInWords(group, units)}</p>
            <ol ref={ref}>
                {group.sticks.map((stick, n) => (
                    <li key={n}>
                        <p>
                            <Trans>
                                <b>{t`Stick ${n + 1}`}</b>, {runInWords(stick.length.mm, units)}
                                {stick.hubs && `, ${stick.hubs}`}; {lengthInWords(stick.offcut.mm, units)} left
                            </Trans>
                        </p>
                        {width > 0 && (
                            <StickArt stick={stick} run={run} units={units} width={width} longest={longest} />
                        )}
                        <p className="cap">
                            {stick.cuts.map((cut, i) => (
                                <span key={`${cut.run} ${cut.key}`}>
                                    {i > 0 && ', '}
                                    {cut.letter} {lengthInWords(cut.length.mm, units)}
                                    {cut.run !== run && ` (${names[cut.run] ?? cut.run})`}
                                </span>
                            ))}
                        </p>
                        <Tight stick={stick} />
                    </li>
                ))}
            </ol>
        </section>
    );
}

function Tight({ stick }: { stick: Stick }) {
    const words = tightInWords(stick);
    return words === null ? null : (
        <p className="tight">
            <Shape kind="warn" size={14} /> {words}
        </p>
    );
}

interface ArtProps {
    stick: Stick;
    run: string;
    units: Units;
    /** px */
    width: number;
    /** the longest stick of its kind, mm: all are drawn to one scale */
    longest: number;
}

/** A stick with its cuts, as wide as there is room for; letters stand where they fit. */
function StickArt({ stick, run, units, width, longest }: ArtProps) {
    const scale = (width - 2) / longest;
    let at = 0;
    return (
        <svg
            width={width}
            height={HIGH + 2}
            role="img"
            aria-label={t`Stick of ${lengthInWords(stick.length.mm, units)}: ${stick.cuts.map((cut) => `${cut.letter} ${lengthInWords(cut.length.mm, units)}`).join(', ')}; ${lengthInWords(stick.offcut.mm, units)} left`}
        >
            <rect
                x={1}
                y={1}
                width={stick.length.mm * scale}
                height={HIGH}
                style={{ fill: 'var(--well)', stroke: 'var(--edge)' }}
            />
            {stick.cuts.map((cut) => {
                const x = 1 + at * scale;
                const wide = cut.length.mm * scale;
                const mine = cut.run === run;
                at += cut.length.mm;
                return (
                    <g key={`${cut.run} ${cut.key}`}>
                        <rect
                            x={x}
                            y={1}
                            width={wide}
                            height={HIGH}
                            style={{
                                fill: mine ? 'var(--lit)' : 'var(--sheet)',
                                stroke: 'var(--ink)',
                                strokeWidth: 1.6,
                            }}
                        />
                        {wide > 14 * cut.letter.length && (
                            <text
                                x={x + wide / 2}
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
        </svg>
    );
}
