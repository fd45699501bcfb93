import { t } from '@lingui/core/macro';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { newKey } from '../../api/client';
import type { JobRun } from '../../api/types';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { Shape } from '../../shared/Shape';
import { useFormAct } from '../../shared/useFormAct';
import { usePictures, useSiteLog } from '../sitelog';
import { shrunk } from './shrunk';

/**
 * A run in the ground waits until it is said that what lies there was located: cables, gas, water. It is ticked with
 * words and, where there is one, a picture of the marks.
 */
export function ServicesHold({ job, run }: { job: string; run: JobRun }) {
    const { log, state, entries, isKnown } = useSiteLog(job);
    const { pictures } = usePictures();
    const [isOpen, setOpen] = useState(false);
    const form = useRef<HTMLFormElement>(null);
    const { problem, busy, onSubmit } = useFormAct(async (data) => {
        const note = formText(data, 'note').trim();
        if (note === '') throw new Error(t`Say who located them and how they are marked: that is what is relied on.`);
        const file = data.get('file');
        if (file instanceof File && file.size > 0) {
            const [at, picture] = [Date.now(), await shrunk(file)];
            const said = { note: t`Services located, ${run.name}` };
            await pictures.add({ key: newKey(), job, at, picture, said }).catch(() => {
                throw new Error(t`There is no room for the picture on this device: leave it in the camera for now.`);
            });
        }
        log.add([{ kind: 'services', run: run.id, note }]);
        setOpen(false);
    });
    const takenBack = new Set(entries.filter((one) => one.kind === 'taken-back').map((one) => one.said.entry));
    const isSaid =
        entries.some((one) => one.kind === 'services' && one.said.run === run.id && !takenBack.has(one.number)) ||
        state.pending.some((one) => one.kind === 'services' && one.run === run.id);
    // Where a joint is made it was dug.
    const isDug = [...entries, ...state.pending].some(
        (one) => one.kind === 'joint' && ('said' in one ? one.said.run : one.run) === run.id,
    );
    if (!isKnown || isSaid || isDug) return null;
    return (
        <section className="services-hold" aria-label={t`Services in the ground`}>
            <p>
                <Shape kind="stop" size={20} />{' '}
                <b>{t`Nobody digs before what lies in the ground was located: cables, gas, water, drains.`}</b>
            </p>
            <div className="acts">
                <Link className="plain" to="/how-to/services">
                    {t`How it is done`}
                </Link>
                <button type="button" className="plain" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
                    {t`They were located`}
                </button>
            </div>
            {isOpen && (
                <form className="record-form" ref={form} onSubmit={onSubmit}>
                    <label className="choice">
                        <span className="cap">{t`By whom, when, and how they are marked`}</span>
                        <input name="note" maxLength={400} autoComplete="off" />
                    </label>
                    <label className="choice">
                        <span className="cap">{t`A picture of the marks`}</span>
                        <input name="file" type="file" accept="image/*" capture="environment" />
                    </label>
                    <button type="submit" className="glue-joined" disabled={busy}>
                        {busy ? t`One moment` : t`Tick it off`}
                    </button>
                    <Problem text={problem} />
                </form>
            )}
        </section>
    );
}
