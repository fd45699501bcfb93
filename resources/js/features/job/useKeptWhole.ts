import { useEffect } from 'react';
import { keepWholeJob } from '../../api/queries';
import type { JobEditor } from '../../editing';

/** So long nothing may have been changed before a job is kept: not each key press is a reason. */
const SETTLED_MS = 3_000;

/** Keeps a job that is open on this device, with each revision anew: its screens are there without a connection. */
export function useKeptWhole({ job, document, saving }: JobEditor): void {
    const names = document.runs.map((run) => run.id).join(',');
    const isSaved = saving === 'saved';
    useEffect(() => {
        if (!isSaved) return;
        const timer = setTimeout(() => void keepWholeJob(job.id, names === '' ? [] : names.split(',')), SETTLED_MS);
        return () => clearTimeout(timer);
    }, [job.id, job.revision, names, isSaved]);
}
