import { useRef } from 'react';
import { sendPhotograph } from '../../api/queries';
import type { RunReport } from '../../api/types';
import type { SiteLog } from '../../editing';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useFormAct } from '../../shared/useFormAct';
import { shrunk } from './shrunk';

interface Props {
    job: string;
    run: RunReport;
    log: SiteLog;
}

/** A picture of a joint, or of the whole: made small here, sent, and named in the log. */
export function Photographs({ job, run, log }: Props) {
    const form = useRef<HTMLFormElement>(null);
    const { problem, busy, onSubmit } = useFormAct(async (data) => {
        const file = data.get('file');
        if (!(file instanceof File) || file.size === 0) throw new Error('A picture: take one, or choose one.');
        const answer = await sendPhotograph(job, await shrunk(file));
        if (!answer.ok) throw new Error(`It is not sent, and stays on this device: ${answer.message}`);
        const joint = formText(data, 'joint');
        const note = formText(data, 'note').trim();
        log.add([
            {
                kind: 'photograph',
                hash: answer.data.hash,
                ...(joint === '' ? {} : { run: run.id, joint: Number(joint) }),
                ...(note === '' ? {} : { note }),
            },
        ]);
        form.current?.reset();
    });
    return (
        <form className="record-form" ref={form} onSubmit={onSubmit}>
            <h2>Photograph</h2>
            <label className="choice">
                <span className="cap">Picture</span>
                <input name="file" type="file" accept="image/*" capture="environment" />
            </label>
            <label className="choice">
                <span className="cap">Of</span>
                <select name="joint">
                    <option value="">the whole</option>
                    {run.joints.map((joint) => (
                        <option key={joint.key} value={joint.number}>
                            joint {joint.number}, {joint.name}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">What it shows</span>
                <input name="note" maxLength={200} autoComplete="off" />
            </label>
            <button type="submit" className="glue-joined" disabled={busy}>
                {busy ? 'Sending' : 'Keep the picture'}
            </button>
            <Problem text={problem} />
        </form>
    );
}
