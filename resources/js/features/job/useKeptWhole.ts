import { useEffect, useRef } from 'react';
import { theKeeper } from '../../api/client';
import { keepWholeJob, takeAlong } from '../../api/takenAlong';
import type { JobEditor } from '../../editing';
import { dayAsked } from './TakeAlong';

/**
 * So long after it was opened a job is kept, and so long nothing may have been changed before it is kept anew: the
 * whole of it is fetched for that, and not each change is a reason. What its stations ask is more, and waits longer.
 */
const [OPENED_MS, SETTLED_MS, ALONG_MS] = [3_000, 20_000, 60_000];

/**
 * Keeps a job that is open on this device, with each revision anew: its screens are there without a connection. One
 * that was taken along is taken along anew.
 */
export function useKeptWhole({ job, document, saving }: JobEditor): void {
    const names = document.runs.map((run) => run.id).join(',');
    const isSaved = saving === 'saved';
    const wasKept = useRef(false);
    const now = useRef(document);
    useEffect(() => {
        now.current = document;
    });
    useEffect(() => {
        if (!isSaved) return;
        const stop = new AbortController();
        const keep = async (): Promise<void> => {
            wasKept.current = true;
            const kept = await keepWholeJob(job.id, names === '' ? [] : names.split(','));
            const along = (await (await theKeeper())?.alongIn(job.id)) ?? null;
            if (kept.how !== 'kept' || along === null || along === job.revision) return;
            await later(ALONG_MS, stop.signal);
            await takeAlong(job.revision, { job: job.id, document: now.current }, dayAsked(), stop.signal);
        };
        const timer = setTimeout(() => void keep(), wasKept.current ? SETTLED_MS : OPENED_MS);
        return () => {
            clearTimeout(timer);
            stop.abort();
        };
    }, [job.id, job.revision, names, isSaved]);
}

/** Waits, or ends at once where it is called off. */
const later = (ms: number, signal: AbortSignal): Promise<void> =>
    new Promise((done) => {
        const timer = setTimeout(done, ms);
        signal.addEventListener('abort', () => {
            clearTimeout(timer);
            done();
        });
    });
