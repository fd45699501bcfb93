import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState } from 'react';
import { theKeeper } from '../../api/client';
import { keepWholeJob, stationQuestions } from '../../api/queries';
import { dayOf, type JobEditor } from '../../editing';
import { zoneOf } from '../../api/zone';

type State = { done: number; of: number; said: string | null };

/** Takes a job along: all that its stations ask for is asked and kept, run by run; it can be stopped. */
export function TakeAlong({ editor, onClose }: { editor: JobEditor; onClose: () => void }) {
    const [state, setState] = useState<State>({ done: 0, of: 1, said: null });
    const isStopped = useRef(false);
    const taken = useRef(editor);
    useEffect(() => {
        isStopped.current = false;
        const stop = (): void => {
            isStopped.current = true;
        };
        void take(taken.current, () => isStopped.current, setState);
        return stop;
    }, []);
    const { done, of, said } = state;
    return (
        <div className="take-along" role="status">
            <progress value={done} max={of} aria-label={t`Taken along`} />
            <span>{said ?? t`Taking it along: ${done} of ${of}.`}</span>
            <button type="button" className="plain small" onClick={onClose}>
                {said === null ? t`Stop` : t`Close`}
            </button>
        </div>
    );
}

async function take(editor: JobEditor, isStopped: () => boolean, set: (state: State) => void): Promise<void> {
    if ((await theKeeper()) === null) {
        set({ done: 0, of: 1, said: t`This browser keeps nothing: the job is there only with a connection.` });
        return;
    }
    const runs = editor.document.runs.map((run) => run.id);
    const today = new Date();
    const questions = stationQuestions({ job: editor.job.id, document: editor.document }, runs, {
        people: 1,
        start: `${dayOf(today)}T08:00:00${zoneOf(today)}`,
    });
    const of = questions.length + 1;
    await keepWholeJob(editor.job.id, runs);
    for (const [i, ask] of questions.entries()) {
        if (isStopped()) return;
        set({ done: i + 1, of, said: null });
        const result = await ask();
        if (!result.ok && result.status === 0) {
            set({ done: i + 1, of, said: t`No answer from the server: ${i + 1} of ${of} are here. Try again later.` });
            return;
        }
    }
    if (!isStopped()) set({ done: of, of, said: t`It is on this device, and is read without a connection.` });
}
