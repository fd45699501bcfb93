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
            <section className="test-made" aria-label="The log">
                <Waiting state={state} log={log} />
            </section>
            {query.isError && (
                <p className="none" role="alert">
                    {query.error.message}
                </p>
            )}
            {!record && !query.isError && <p className="none">One moment.</p>}
            {record && (
                <>
                    <div className="record-read">
                        <RecordView record={record} open={run.id} pictures={`/api/jobs/${job}/photographs`} />
                    </div>
                    <aside className="record-acts" aria-label="What is done with it">
                        <Sign log={log} pending={state.pending} isWhole={isWhole(record)} />
                        <Note log={log} />
                        <Photographs job={job} run={run} />
                        <Located key={run.id} run={run} units={editor.evaluation.units} log={log} />
                        <RecordFiles of={editor.ofJob} job={job} name={record.name} link={link} />
                        <Shares job={job} link={link} onLink={setLink} />
                        <p className="cap">The local code, the inspector and licensed practice decide.</p>
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
        if (name === '') return Promise.reject(new Error('Your name: as it is to stand under the record.'));
        log.add([{ kind: 'signed', name, role: formText(form, 'role').trim() }]);
        return Promise.resolve();
    });
    const isWaiting = pending.some((one) => one.kind === 'signed');
    return (
        <form className="record-form" onSubmit={onSubmit}>
            <h2>Sign</h2>
            <p className="cap">
                It stands for everything logged so far and for the plan as it is now; what comes after is not covered.
                {!isWhole && ' Not all joints are made, or something is wrong: it stands for what there is.'}
            </p>
            <label className="choice">
                <span className="cap">Name</span>
                <input name="name" maxLength={80} autoComplete="name" />
            </label>
            <label className="choice">
                <span className="cap">What you are here: plumber, lead hand, licence</span>
                <input name="role" maxLength={80} autoComplete="off" />
            </label>
            <button type="submit" className="glue-joined" disabled={isWaiting}>
                {isWaiting ? 'Kept, not sent yet' : 'Sign it'}
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
            <h2>Note</h2>
            <label className="choice">
                <span className="cap">What was agreed with the inspector, what lies where, what to look at later</span>
                <textarea rows={3} maxLength={2_000} value={text} onChange={(event) => setText(event.target.value)} />
            </label>
            <button type="submit" className="glue-joined" disabled={text.trim() === ''}>
                Note it
            </button>
        </form>
    );
}
