import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState } from 'react';
import { theKeeper } from '../../api/client';
import { takeAlong, type Along } from '../../api/takenAlong';
import { dayOf, type JobEditor } from '../../editing';
import { zoneOf } from '../../api/zone';

type State = Along & { said: string | null };

/** Takes a job along: all that its stations ask for is asked and kept, run by run; it can be stopped. */
export function TakeAlong({ editor, onClose }: { editor: JobEditor; onClose: () => void }) {
    const [state, setState] = useState<State>({ done: 0, of: 1, refused: [], said: null });
    const taken = useRef(editor);
    useEffect(() => {
        const stop = new AbortController();
        void take(taken.current, stop.signal, setState);
        return () => stop.abort();
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

async function take(editor: JobEditor, signal: AbortSignal, set: (state: State) => void): Promise<void> {
    let along: Along = { done: 0, of: 1, refused: [] };
    const say = (said: string | null): void => {
        if (!signal.aborted) set({ ...along, said });
    };
    if ((await theKeeper()) === null) {
        say(t`This browser keeps nothing: the job is there only with a connection.`);
        return;
    }
    const came = await takeAlong(editor.job.revision, ofDay(editor), dayAsked(), signal, (now) => {
        along = now;
        say(null);
    });
    if (came !== 'stopped') say(outcome(came, along));
}

const ofDay = ({ job, document }: JobEditor) => ({ job: job.id, document });

/** The day that is asked for where nobody said one: from eight in the morning, by one person. */
export function dayAsked() {
    const today = new Date();
    return { people: 1 as const, start: `${dayOf(today)}T08:00:00${zoneOf(today)}` };
}

/** What became of it, in words. */
function outcome(came: 'kept' | 'no-answer' | 'no-room', { done, of, refused }: Along): string {
    const here = done - refused.length;
    if (came === 'no-answer') return t`No answer from the server: ${here} of ${of} are here. Try again later.`;
    if (came === 'no-room')
        return t`There is no room on this device: ${here} of ${of} are here. Take something off it under Account.`;
    if (refused.length > 0)
        return t`${here} of ${of} are on this device. Of the rest the server said: ${[...new Set(refused)].join(' ')}`;
    return t`It is on this device, and is read without a connection.`;
}
