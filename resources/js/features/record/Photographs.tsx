import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
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
        if (!(file instanceof File) || file.size === 0) throw new Error(t`A picture: take one, or choose one.`);
        const at = Date.now();
        const picture = await shrunk(file);
        const joint = formText(data, 'joint');
        const note = formText(data, 'note').trim();
        const said = {
            ...(joint === '' ? {} : { run: run.id, joint: Number(joint) }),
            ...(note === '' ? {} : { note }),
        };
        await pictures.add({ key: newKey(), job, at, picture, said }).catch(() => {
            throw new Error(t`There is no room for it on this device: leave it in the camera until there is a line.`);
        });
        form.current?.reset();
    });
    return (
        <form className="record-form" ref={form} onSubmit={onSubmit}>
            <h2>{t`Photograph`}</h2>
            <label className="choice">
                <span className="cap">{t`Picture`}</span>
                <input name="file" type="file" accept="image/*" capture="environment" />
            </label>
            <label className="choice">
                <span className="cap">{t`Of`}</span>
                <select name="joint">
                    <option value="">{t`the whole`}</option>
                    {run.joints.map((joint) => (
                        <option key={joint.key} value={joint.number}>
                            {t`joint ${joint.mark}, ${joint.name}`}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`What it shows`}</span>
                <input name="note" maxLength={200} autoComplete="off" />
            </label>
            <button type="submit" className="glue-joined" disabled={busy}>
                {busy ? t`One moment` : t`Keep the picture`}
            </button>
            {waiting.length > 0 && (
                <p role="status">
                    <Shape kind="unknown" size={17} />{' '}
                    <Trans>
                        {waiting.length} {waiting.length === 1 ? t`picture is` : t`pictures are`} kept on this device
                        and not sent yet.
                    </Trans>
                </p>
            )}
            {state.refused.map((one) => (
                <p key={one.key} role="alert">
                    <Shape kind="stop" size={17} /> {t`A picture was not taken: ${one.why}`}{' '}
                    <button type="button" className="plain small" onClick={() => void pictures.forget(one.key)}>
                        {t`Let it go`}
                    </button>
                </p>
            ))}
            <Problem text={problem} />
        </form>
    );
}
