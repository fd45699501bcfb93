import { useRef } from 'react';
import { newKey } from '../../api/client';
import type { RunReport } from '../../api/types';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { Shape } from '../../shared/Shape';
import { useFormAct } from '../../shared/useFormAct';
import { usePictures } from '../sitelog';
import { shrunk } from './shrunk';

interface Props {
    job: string;
    run: RunReport;
}

/**
 * A picture of a joint, or of the whole: made small here, kept on the device, sent, and named in the log once the
 * server has it.
 */
export function Photographs({ job, run }: Props) {
    const { pictures, state } = usePictures();
    const waiting = state.waiting.filter((one) => one.job === job);
    const form = useRef<HTMLFormElement>(null);
    const { problem, busy, onSubmit } = useFormAct(async (data) => {
        const file = data.get('file');
        if (!(file instanceof File) || file.size === 0) throw new Error('A picture: take one, or choose one.');
        const at = Date.now();
        const picture = await shrunk(file);
        const joint = formText(data, 'joint');
        const note = formText(data, 'note').trim();
        const said = {
            ...(joint === '' ? {} : { run: run.id, joint: Number(joint) }),
            ...(note === '' ? {} : { note }),
        };
        await pictures.add({ key: newKey(), job, at, picture, said }).catch(() => {
            throw new Error('There is no room for it on this device: leave it in the camera until there is a line.');
        });
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
                            joint {joint.mark}, {joint.name}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">What it shows</span>
                <input name="note" maxLength={200} autoComplete="off" />
            </label>
            <button type="submit" className="glue-joined" disabled={busy}>
                {busy ? 'One moment' : 'Keep the picture'}
            </button>
            {waiting.length > 0 && (
                <p role="status">
                    <Shape kind="unknown" size={17} /> {waiting.length}{' '}
                    {waiting.length === 1 ? 'picture is' : 'pictures are'} kept on this device and not sent yet.
                </p>
            )}
            {state.refused.map((one) => (
                <p key={one.key} role="alert">
                    <Shape kind="stop" size={17} /> A picture was not taken: {one.why}{' '}
                    <button type="button" className="plain small" onClick={() => void pictures.forget(one.key)}>
                        Let it go
                    </button>
                </p>
            ))}
            <Problem text={problem} />
        </form>
    );
}
