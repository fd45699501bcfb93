import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { CrossingReport, Evaluation } from '../../api/types';
import { Said } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';

const KINDS: Record<string, string> = {
    joist: t`sawn joist`,
    'joist-engineered': t`engineered joist: web only`,
    truss: t`truss: ask the engineer`,
    stud: t`stud`,
    plate: t`plate`,
    wall: t`wall`,
    slab: t`slab`,
    pipe: t`passes a pipe`,
};

/**
 * Every hole in one go: what is drilled, how large, and how far down, following the fall from the first to the last.
 * Prints on its own.
 */
export function DrillingPlan({
    evaluation,
    name,
    onOpen,
}: {
    evaluation: Evaluation;
    name: string;
    onOpen: (run: string) => void;
}) {
    const { crossings } = evaluation.network;
    const runs = [...new Set(crossings.map((crossing) => crossing.run))];
    const against = (crossing: CrossingReport): boolean =>
        evaluation.runs
            .find((run) => run.id === crossing.run)
            ?.findings.some(
                (finding) =>
                    finding.severity === 'stop' &&
                    finding.where.tape_mm !== null &&
                    Math.abs(finding.where.tape_mm - crossing.tape_mm) < 1,
            ) ?? false;
    return (
        <div className="drilling ticket" data-mode="paper">
            <header>
                <h1>{t`Drilling plan`}</h1>
                <button type="button" className="plain screen-only" onClick={() => window.print()}>
                    {t`Print`}
                </button>
            </header>
            <p className="say">
                <Trans>
                    {name}. Drill all in one go, before any pipe. Measured from the start of each leg to the middle of
                    the hole, and from the upper edge down. Ask before cutting structural lumber.
                </Trans>
            </p>
            {runs.length === 0 && (
                <p className="none">{t`Nothing is crossed yet. Enter what a leg goes through in its leg card.`}</p>
            )}
            {runs.map((id) => {
                const own = crossings.filter((crossing) => crossing.run === id);
                return (
                    <section key={id}>
                        <h2>
                            <button type="button" className="as-text" onClick={() => onOpen(id)}>
                                {own[0]?.run_name}
                            </button>
                        </h2>
                        <table className="plain-table">
                            <thead>
                                <tr>
                                    <th />
                                    <th>{t`Through`}</th>
                                    <th>{t`Leg`}</th>
                                    <th>{t`Along it`}</th>
                                    <th>{t`Hole`}</th>
                                    <th>{t`Middle, from the top`}</th>
                                    <th />
                                </tr>
                            </thead>
                            <tbody>
                                {own.map((crossing) => (
                                    <HoleRow
                                        key={`${crossing.obstacle} ${crossing.number}`}
                                        crossing={crossing}
                                        units={evaluation.units}
                                        isStopped={against(crossing)}
                                    />
                                ))}
                            </tbody>
                        </table>
                    </section>
                );
            })}
        </div>
    );
}

interface HoleProps {
    crossing: CrossingReport;
    units: Evaluation['units'];
    isStopped: boolean;
}

/** One hole: through what, where, how large, how far down. */
function HoleRow({ crossing, units, isStopped }: HoleProps) {
    return (
        <tr>
            <td>
                <HoleGlyph crossing={crossing} />
            </td>
            <td>
                <b>{crossing.name}</b>
                <span className="cap"> {KINDS[crossing.kind] ?? crossing.kind}</span>
                {crossing.rated && <span className="cap">{t`, fire-rated${crossing.sealed ? t`, sealed` : ''}`}</span>}
            </td>
            <td className="num">{crossing.leg}</td>
            <td className="num">
                <Said tape={crossing.along} units={units} />
            </td>
            <td className="num mark">
                <Said tape={crossing.hole} units={units} />
            </td>
            <td className="num mark">
                {crossing.from_top ? <Said tape={crossing.from_top} units={units} /> : t`measure first`}
            </td>
            <td>{isStopped && <Shape kind="stop" size={18} />}</td>
        </tr>
    );
}

/** The end grain with the hole where it comes to lie. */
function HoleGlyph({ crossing }: { crossing: CrossingReport }) {
    const depth = crossing.depth?.mm ?? 0;
    if (depth === 0 || crossing.from_top === null) return null;
    const k = 44 / depth;
    const wide = Math.max(14, Math.min(26, 44 * 0.3));
    const y = crossing.from_top.mm * k;
    const engineered = crossing.kind === 'joist-engineered';
    return (
        <svg width="56" height="48" viewBox="0 0 56 48" aria-hidden="true">
            {engineered ? (
                <g style={{ fill: 'var(--well)', stroke: 'var(--edge)', strokeWidth: 1.3 }}>
                    <rect x={28 - wide / 2} y="2" width={wide} height="8" />
                    <rect x="25" y="10" width="6" height="28" />
                    <rect x={28 - wide / 2} y="38" width={wide} height="8" />
                </g>
            ) : (
                <rect
                    x={28 - wide / 2}
                    y="2"
                    width={wide}
                    height="44"
                    style={{ fill: 'var(--well)', stroke: 'var(--edge)', strokeWidth: 1.3 }}
                />
            )}
            <ellipse
                cx="28"
                cy={2 + y}
                rx={Math.min(wide / 2, (crossing.hole.mm * k) / 2)}
                ry={(crossing.hole.mm * k) / 2}
                style={{ fill: 'var(--lumen)', stroke: 'var(--mark)', strokeWidth: 1.8 }}
            />
        </svg>
    );
}
