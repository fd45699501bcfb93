import { useEffect, useRef } from 'react';
import { keepWholeJob } from '../../api/queries';
import type { JobEditor } from '../../editing';

/**
 * So long after it was opened a job is kept, and so long nothing may have been changed before it is kept anew: the
 * whole of it is fetched for that, and not each change is a reason.
 */
const [OPENED_MS, SETTLED_MS] = [3_000, 20_000];

/** Keeps a job that is open on this device, with each revision anew: its screens are there without a connection. */
export function useKeptWhole({ job, document, saving }: JobEditor): void {
    const names = document.runs.map((run) => run.id).join(',');
    const isSaved = saving === 'saved';
    const isKept = useRef(false);
    useEffect(() => {
        if (!isSaved) return;
        const keep = (): void => {
            isKept.current = true;
            void keepWholeJob(job.id, names === '' ? [] : names.split(','));
        };
        const timer = setTimeout(keep, isKept.current ? SETTLED_MS : OPENED_MS);
        return () => clearTimeout(timer);
    }, [job.id, job.revision, names, isSaved]);
}
