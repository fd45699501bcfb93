import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState } from 'react';
import { askCut } from '../../api/queries';
import type { CuttingReport } from '../../api/types';
import type { JobEditor } from '../../editing';
import { gapInWords, isBetter } from '../../editing';

/** How many times as long as usual, one after the other. */
const STEPS = [2, 4, 8, 16];

/** Looks for a better plan for longer, step by step, and can be stopped at any of them; what is better is kept. */
export function LookLonger({ report, run, editor }: { report: CuttingReport; run: string; editor: JobEditor }) {
    const stop = useRef<AbortController | null>(null);
    const [step, setStep] = useState<number | null>(null);
    const [said, setSaid] = useState('');
    // What is looked for is of no use any more once something else is to be cut. That the job was kept meanwhile, or
    // changed elsewhere, is no reason to stop.
    const wanted = JSON.stringify([report.kerf, report.groups]);
    useEffect(() => () => stop.current?.abort(t`Given up: something else is to be cut now.`), [wanted]);
    const left = STEPS.filter((effort) => effort > (editor.document.cutting?.effort ?? 1));
    const look = async (): Promise<void> => {
        stop.current = new AbortController();
        const { signal } = stop.current;
        let best = report;
        let found = 0;
        for (const effort of left) {
            setStep(effort);
            // What is given up throws.
            const document = { ...editor.document, cutting: { ...editor.document.cutting, effort } };
            const answer = await askCut({ job: editor.job.id, document }, run, signal).catch(() => null);
            if (signal.aborted || !answer?.ok) break;
            if (isBetter(answer.data, best)) [best, found] = [answer.data, effort];
            setSaid(gapInWords(best, editor.evaluation.units));
            if (best.groups.every((group) => group.optimal)) break;
        }
        setStep(null);
        if (found > 0) editor.change((document) => ({ ...document, cutting: { ...document.cutting, effort: found } }));
        else setSaid(signal.aborted ? String(signal.reason) : t`Nothing better was found.`);
    };
    if (left.length === 0) return null;
    return (
        <div className="acts look-longer" role="group" aria-label={t`Look for a better plan`}>
            {step === null ? (
                <button type="button" className="plain" onClick={() => void look()}>
                    {t`Look longer for a better plan`}
                </button>
            ) : (
                <>
                    <progress value={left.indexOf(step)} max={left.length} />
                    <span role="status">{t`Looking ${step} times as long as usual. ${said}`}</span>
                    <button
                        type="button"
                        className="plain"
                        onClick={() => stop.current?.abort(t`Stopped; the plan stays as it was.`)}
                    >
                        {t`Stop`}
                    </button>
                </>
            )}
            {step === null && said !== '' && <span role="status">{said}</span>}
        </div>
    );
}
