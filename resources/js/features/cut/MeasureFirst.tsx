import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Suspense, useState } from 'react';
import type { CuttingReport } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { withinInWords } from '../../shared/lengths';
import { exactInWords, type JobEditor } from '../../editing';
import { MeasureDialog, ofMeasureFirst, type ToMeasure } from '../measure';

/** How many are shown before the rest is asked for: the pieces to cut stand below. */
const SHOWN = 1;

/**
 * Fittings whose lengths are reckoned, of the whole job: measuring one of a kind makes every piece that ends in one
 * exact. The one that spares most trimming stands first.
 */
export function MeasureFirst({ list, editor }: { list: CuttingReport['measure']; editor: JobEditor }) {
    const [measuring, setMeasuring] = useState<ToMeasure | null>(null);
    const [isAll, setAll] = useState(false);
    const { units } = editor.evaluation;
    return (
        <section className="measure-first" aria-label={t`Worth measuring`}>
            <p className="say">
                <Shape kind="note" size={15} />{' '}
                <Trans>
                    Some fittings have no maker&apos;s length here: it is reckoned from the pattern. Pieces that end in
                    them are cut long, dry-fitted, then trimmed. Measure one of a kind, and its pieces are cut to length
                    in the whole job.
                </Trans>
            </p>
            <ul>
                {(isAll ? list : list.slice(0, SHOWN)).map((one) => (
                    <li key={`${one.system} ${one.row}`}>
                        <span>
                            <Trans>
                                Measure one <b>{one.name}</b>: {exactInWords(one)}.{' '}
                                <span className="cap">
                                    {t`Reckoned to ± ${withinInWords(one.doubt.mm, units)} so far.`}
                                </span>
                            </Trans>
                        </span>
                        <button
                            type="button"
                            className="plain small"
                            onClick={() => setMeasuring(ofMeasureFirst(one, units))}
                        >
                            {t`Enter it`}
                        </button>
                    </li>
                ))}
            </ul>
            {list.length > SHOWN && (
                <button type="button" className="plain small" aria-expanded={isAll} onClick={() => setAll(!isAll)}>
                    {isAll ? t`Only the most useful` : t`${list.length - SHOWN} more`}
                </button>
            )}
            <Suspense fallback={null}>
                {measuring && <MeasureDialog fitting={measuring} editor={editor} onClose={() => setMeasuring(null)} />}
            </Suspense>
        </section>
    );
}
