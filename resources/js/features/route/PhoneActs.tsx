import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { RunReport } from '../../api/types';
import type { JobEditor } from '../../editing';
import type { SharedSelection } from '../../editing';
import { mendingsOf } from './mending';

/** The two actions at the foot of the phone: the next finding, and what mends it. */
export function PhoneActs({
    run,
    editor,
    selection,
}: {
    run: RunReport;
    editor: JobEditor;
    selection: SharedSelection;
}) {
    const count = run.findings.length;
    if (count === 0) return null;
    const at = selection.finding ?? -1;
    const finding = run.findings[at];
    const plan = editor.document.runs.find((one) => one.id === run.id);
    const mending = finding && plan ? mendingsOf(finding, run, plan)[0] : undefined;
    return (
        <div className="phone-acts">
            <button type="button" onClick={() => selection.selectFinding((at + 1) % count)}>
                <Trans>
                    Next finding
                    <br />
                    {at >= 0 ? t`${at + 1} of ${count}` : count}
                </Trans>
            </button>
            <button
                type="button"
                className="main-act"
                disabled={!mending}
                onClick={() => mending && plan && editor.changeRun(mending.run ?? plan.id, mending.edit)}
            >
                {mending?.label ?? (finding ? finding.remedy : t`Choose a finding`)}
            </button>
        </div>
    );
}
