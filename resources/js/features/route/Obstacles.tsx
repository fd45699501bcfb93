import { t } from '@lingui/core/macro';
import { Suspense, useState } from 'react';
import type { LegReport } from '../../api/types';
import { loaded } from '../../shared/loaded';
import type { JobEditor } from '../../editing';
import { obstacleInWords } from './obstacleWords';

const ObstacleDialog = loaded(() => import('./ObstacleDialog').then((part) => part.ObstacleDialog));

/** What a leg goes through or past: joists, studs, walls, cold stretches, cleanouts and traps in the line. */
export function Obstacles({ leg, run, editor }: { leg: LegReport; run: string; editor: JobEditor }) {
    const [adding, setAdding] = useState(false);
    const own = (editor.document.obstacles ?? []).filter((one) => one.run === run && one.leg === leg.id);
    return (
        <div className="whole obstacles">
            <span className="cap">{t`Goes through`}</span>
            {own.length === 0 && <p className="cap">{t`nothing entered`}</p>}
            <ul className="made-up">
                {own.map((obstacle) => (
                    <li key={obstacle.id}>
                        {obstacleInWords(obstacle, editor.evaluation.units)}{' '}
                        <button
                            type="button"
                            className="plain small"
                            onClick={() =>
                                editor.change((old) => ({
                                    ...old,
                                    obstacles: (old.obstacles ?? []).filter((one) => one.id !== obstacle.id),
                                }))
                            }
                        >
                            {t`Remove`}
                        </button>
                    </li>
                ))}
            </ul>
            <button type="button" className="plain small" onClick={() => setAdding(true)}>
                {t`Add what it goes through`}
            </button>
            <Suspense fallback={null}>
                {adding && <ObstacleDialog leg={leg} run={run} editor={editor} onClose={() => setAdding(false)} />}
            </Suspense>
        </div>
    );
}
