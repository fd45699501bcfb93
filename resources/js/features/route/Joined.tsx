import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { joinedQuery } from '../../api/queries';
import type { JobEditor } from '../../editing';
import { FindingLines } from '../../shared/FindingLines';
import { useSettled } from '../../shared/useSettled';

/** What is joined of a run and does not change with its plan: said where the plan is changed, once nobody types. */
export function Joined({ run, editor }: { run: string; editor: JobEditor }) {
    const settled = useSettled(editor.document, 400);
    const findings = useQuery({
        ...joinedQuery({ job: editor.job.id, document: settled }, run, editor.site.length),
        enabled: editor.site.runs.includes(run) && settled.runs.some((one) => one.id === run),
    }).data?.findings;
    if (!findings || findings.length === 0) return null;
    return (
        <section className="joined-already" aria-label={t`Joined already`}>
            <FindingLines findings={findings} />
        </section>
    );
}
