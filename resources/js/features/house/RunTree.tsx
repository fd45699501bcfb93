import { t } from '@lingui/core/macro';
import type { Evaluation } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { countsOf, rolesOf, treeOf } from './tree';

interface Props {
    evaluation: Evaluation;
    selected: string | undefined;
    onOpen: (run: string) => void;
    onRepeat: (run: string) => void;
    onRemove: (run: string) => void;
}

/**
 * All runs of the job as they hang together: which enters which, what each one is, what it carries, what stands against
 * it.
 */
export function RunTree({ evaluation, selected, onOpen, onRepeat, onRemove }: Props) {
    const reports = new Map(evaluation.runs.map((run) => [run.id, run]));
    return (
        <section className="tree" aria-label={t`Runs of the house`}>
            {treeOf(evaluation.network).map(({ place, depth }) => {
                const counts = countsOf(reports.get(place.run));
                const roles = rolesOf(evaluation.network, place.run);
                const lit = place.run === selected;
                return (
                    <div
                        key={place.run}
                        className={lit ? 'tree-row lit' : 'tree-row'}
                        style={{ paddingLeft: 14 + depth * 18 }}
                    >
                        <button
                            type="button"
                            className="tree-name"
                            aria-current={lit ? 'true' : undefined}
                            onClick={() => onOpen(place.run)}
                        >
                            <b>
                                {place.rises ? '↑ ' : ''}
                                {place.name}
                            </b>
                            <span className="cap">
                                {reports.get(place.run)?.system.letters}{' '}
                                {Object.keys(reports.get(place.run)?.pipes ?? {})[0]}
                                {roles.words && `, ${roles.words}`}
                                {roles.load && `, ${roles.load}`}
                            </span>
                        </button>
                        <span className="tree-counts">
                            {counts.stop > 0 && (
                                <span title={t`${counts.stop} stops`}>
                                    <Shape kind="stop" size={17} /> {counts.stop}
                                </span>
                            )}
                            {counts.warn > 0 && (
                                <span title={t`${counts.warn} warnings`}>
                                    <Shape kind="warn" size={17} /> {counts.warn}
                                </span>
                            )}
                            {counts.unknown > 0 && (
                                <span title={t`${counts.unknown} not known`}>
                                    <Shape kind="unknown" size={17} /> {counts.unknown}
                                </span>
                            )}
                            {counts.stop + counts.warn + counts.unknown === 0 && <Shape kind="done" size={17} />}
                        </span>
                        {lit && (
                            <span className="tree-acts">
                                <button type="button" className="plain small" onClick={() => onRepeat(place.run)}>
                                    {t`Copy this run…`}
                                </button>
                                <button type="button" className="plain small" onClick={() => onRemove(place.run)}>
                                    {t`Remove`}
                                </button>
                            </span>
                        )}
                    </div>
                );
            })}
        </section>
    );
}
