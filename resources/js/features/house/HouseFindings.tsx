import { t } from '@lingui/core/macro';
import type { Evaluation, Finding, Severity } from '../../api/types';
import { Shape } from '../../shared/Shape';

const GROUPS: { severity: Severity; title: string }[] = [
    { severity: 'stop', title: t`Must fix` },
    { severity: 'warn', title: t`Check` },
    { severity: 'unknown', title: t`Missing` },
    { severity: 'note', title: t`Notes` },
];

interface Grouped {
    rule: string;
    first: Finding;
    places: { run: string; name: string; finding: Finding }[];
}

/**
 * The findings of every run, grouped by what to do next; what is the same in several places stands once, with the
 * places.
 */
export function groupsOf(evaluation: Evaluation, severity: Severity): Grouped[] {
    const names = new Map(evaluation.network.places.map((place) => [place.run, place.name]));
    const groups = new Map<string, Grouped>();
    for (const run of evaluation.runs) {
        for (const finding of run.findings) {
            if (finding.severity !== severity) continue;
            const key = `${finding.rule} ${String(finding.params.row ?? '')}`;
            const group = groups.get(key) ?? { rule: key, first: finding, places: [] };
            group.places.push({ run: run.id, name: names.get(run.id) ?? run.id, finding });
            groups.set(key, group);
        }
    }
    return [...groups.values()];
}

export function HouseFindings({ evaluation, onOpen }: { evaluation: Evaluation; onOpen: (run: string) => void }) {
    const all = GROUPS.map((group) => ({ ...group, found: groupsOf(evaluation, group.severity) })).filter(
        (group) => group.found.length > 0,
    );
    return (
        <section className="finds house-finds" aria-label={t`Findings of the house`}>
            {all.length === 0 && evaluation.runs.length > 0 && (
                <p className="none">
                    <Shape kind="done" size={18} />{' '}
                    {t`Nothing stands against any run. The local code and the licensed plumber decide.`}
                </p>
            )}
            {all.map(({ severity, title, found }) => (
                <div key={severity}>
                    <h2 className="group-title">
                        {title}{' '}
                        <span className="cap">{found.reduce((sum, group) => sum + group.places.length, 0)}</span>
                    </h2>
                    {found.map(({ rule, first, places }) => (
                        <div key={rule} className={`f ${severity}`}>
                            <Shape kind={severity} size={21} />
                            <div>
                                <button
                                    type="button"
                                    className="head-line"
                                    onClick={() => onOpen(places[0]?.run ?? '')}
                                >
                                    <b>{first.title}</b>
                                </button>
                                <p>{first.why}</p>
                                <p>
                                    <b>{first.remedy}</b>
                                </p>
                                <p className="places">
                                    {places.slice(0, 8).map((place, i) => (
                                        <button
                                            key={`${place.run} ${i}`}
                                            type="button"
                                            className="plain small"
                                            onClick={() => onOpen(place.run)}
                                        >
                                            {place.name}
                                            {place.finding.where.leg !== null && t`, leg ${place.finding.where.leg}`}
                                        </button>
                                    ))}
                                    {places.length > 8 && (
                                        <span className="cap"> {t`and ${places.length - 8} more`}</span>
                                    )}
                                </p>
                                {first.source && <p className="cap">{first.source.source}</p>}
                            </div>
                        </div>
                    ))}
                </div>
            ))}
        </section>
    );
}
