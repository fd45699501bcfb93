import { t } from '@lingui/core/macro';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import type { Evaluation } from '../../api/types';

// It is large, and fetched by whoever looks at it.
const Model = lazy(() => import('./Model'));

interface Props {
    evaluation: Evaluation;
    /** ids of the runs that are shown */
    runs: readonly string[];
    name: string;
    /** a run that is chosen, or run and key of what is chosen in it */
    selected: string | null;
    onPick: (run: string, key: string) => void;
    /** the isometric */
    children: ReactNode;
}

/** The isometric, or a model that is turned freely. */
export function IsoOrModel({ children, ...model }: Props) {
    const [isModel, setModel] = useState(false);
    return (
        <>
            <div className="frames" role="group" aria-label={t`How it is drawn`}>
                <button
                    type="button"
                    className={isModel ? 'chip' : 'chip on'}
                    aria-pressed={!isModel}
                    onClick={() => setModel(false)}
                >
                    {t`Isometric`}
                </button>
                <button
                    type="button"
                    className={isModel ? 'chip on' : 'chip'}
                    aria-pressed={isModel}
                    onClick={() => setModel(true)}
                >
                    {t`Model to turn`}
                </button>
            </div>
            {isModel ? (
                <Suspense fallback={<p className="none">{t`Fetching the model.`}</p>}>
                    <Model {...model} />
                </Suspense>
            ) : (
                children
            )}
        </>
    );
}
