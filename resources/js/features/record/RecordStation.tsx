import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { recordQuery } from '../../api/queries';
import type { RunReport } from '../../api/types';
import type { JobEditor, Pending, SiteLog } from '../../editing';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useFormAct } from '../../shared/useFormAct';
import { useSiteLog, Waiting } from '../sitelog';
import { Located } from './Located';
import { Photographs } from './Photographs';
import { RecordFiles } from './RecordFiles';
import { RecordView } from './RecordView';
import { Shares } from './Shares';

interface Props {
    run: RunReport;
    editor: JobEditor;
    /** id of the job */
    job: string;
}

/** The job as it stands, who stands for it, and what leaves the house of it. */
export function RecordStation({ run, editor, job }: Props) {
    const { log, state } = useSiteLog(editor.job.id);
    const query = useQuery(recordQuery(editor.ofJob, job, state.length));
    const [link, setLink] = useState<string | null>(null);
    const record = query.data;
    return (
        <main className="station record">
            <section className="test-made" aria-label={t`The log`}>
                <Waiting state={state} log={log} />
            </section>
            {query.isError && (
                <p className="none" role="alert">
                    {query.error.message}
                </p>
            )}
            {!record && !query.isError && <p className="none">{t`One moment.`}</p>}
            {record && (
                <>
                    <div className="record-read">
                        <RecordView record={record} open={run.id} pictures={`/api/jobs/${job}/photographs`} />
                    </div>
                    <aside className="record-acts" aria-label={t`What is done with it`}>
                        <Sign log={log} pending={state.pending} isWhole={isWhole(record)} />
                        <Note log={log} />
                        <Photographs job={job} run={run} />
                        <Located key={run.id} run={run} units={editor.evaluation.units} log={log} />
                        <RecordFiles of={editor.ofJob} job={job} name={record.name} link={link} />
                        <Shares job={job} link={link} onLink={setLink} />
                        <p className="cap">{t`The local code, the inspector and licensed practice decide.`}</p>
                    </aside>
                </>
            )}
        </main>
    );
}

/** Whether all joints are made and none is wrong. */
const isWhole = (record: { joints: number; made: number; wrong: number }): boolean =>
    record.joints > 0 && record.made === record.joints && record.wrong === 0;

interface SignProps {
    log: SiteLog;
    pending: Pending[];
    isWhole: boolean;
}

function Sign({ log, pending, isWhole }: SignProps) {
    const { problem, onSubmit } = useFormAct((form) => {
        const name = formText(form, 'name').trim();
        if (name === '') return Promise.reject(new Error(t`Your name: as it is to stand under the record.`));
        log.add([{ kind: 'signed', name, role: formText(form, 'role').trim() }]);
        return Promise.resolve();
    });
    const isWaiting = pending.some((one) => one.kind === 'signed');
    return (
        <form className="record-form" onSubmit={onSubmit}>
            <h2>{t`Sign`}</h2>
            <p className="cap">
                <Trans>
                    It stands for everything logged so far and for the plan as it is now; what comes after is not
                    covered.
                </Trans>
                {!isWhole && t` Not all joints are made, or something is wrong: it stands for what there is.`}
            </p>
            <label className="choice">
                <span className="cap">{t`Name`}</span>
                <input name="name" maxLength={80} autoComplete="name" />
            </label>
            <label className="choice">
                <span className="cap">{t`What you are here: plumber, lead hand, license`}</span>
                <input name="role" maxLength={80} autoComplete="off" />
            </label>
            <button type="submit" className="glue-joined" disabled={isWaiting}>
                {isWaiting ? t`Kept, not sent yet` : t`Sign it`}
            </button>
            <Problem text={problem} />
        </form>
    );
}

function Note({ log }: { log: SiteLog }) {
    const [text, setText] = useState('');
    return (
        <form
            className="record-form"
            onSubmit={(event) => {
                event.preventDefault();
                if (text.trim() === '') return;
                log.add([{ kind: 'note', note: text.trim() }]);
                setText('');
            }}
        >
            <h2>{t`Note`}</h2>
            <label className="choice">
                <span className="cap">
                    {t`What was agreed with the inspector, what lies where, what to look at later`}
                </span>
                <textarea rows={3} maxLength={2_000} value={text} onChange={(event) => setText(event.target.value)} />
            </label>
            <button type="submit" className="glue-joined" disabled={text.trim() === ''}>
                {t`Note it`}
            </button>
        </form>
    );
}
