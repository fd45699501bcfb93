import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { ticketPdf } from '../../api/queries';
import type { CuttingReport, JobRun } from '../../api/types';
import { saveFile } from '../../shared/saveFile';
import type { JobEditor } from '../../editing';
import { dayOf, printed } from '../../editing';

/**
 * The cut ticket as a file to print, with the run from three sides; what it says is kept, so that what changes later is
 * marked.
 */
export function TicketFile({ report, plan, editor }: { report: CuttingReport; plan: JobRun; editor: JobEditor }) {
    const [problem, setProblem] = useState('');
    const save = async (): Promise<void> => {
        setProblem('');
        const on = dayOf(new Date());
        const answer = await ticketPdf(editor.ofJob, plan.id, on);
        if (!answer.ok) {
            setProblem(answer.message);
            return;
        }
        saveFile(answer.data, t`${plan.name} cut ticket.pdf`);
        editor.happened([printed(plan.id, on, report.pieces)]);
    };
    const gone = report.printed?.gone ?? [];
    return (
        <>
            <button type="button" className="plain" onClick={() => void save()}>
                {t`as PDF, with drawings`}
            </button>
            {report.printed && (
                <p className="cap whole" role="status">
                    {t`Printed on ${report.printed.on}.`}
                    {gone.length > 0 &&
                        t` ${gone.join(', ')} ${gone.length === 1 ? t`stands` : t`stand`} on it and ${gone.length === 1 ? t`is` : t`are`} not cut any more.`}
                </p>
            )}
            {problem && (
                <p className="problem whole" role="alert">
                    {problem}
                </p>
            )}
        </>
    );
}
