import { useEffect } from 'react';
import { keepWholeJob } from '../../api/queries';

/** So long nothing may have been changed before a job is kept: not each key press is a reason. */
const SETTLED_MS = 3_000;

/** Keeps a job that is open on this device, with each revision anew: its screens are there without a connection. */
export function useKeptWhole(job: string, revision: number, runs: readonly string[], isSaved: boolean): void {
    const names = runs.join(',');
    useEffect(() => {
        if (!isSaved) return;
        const timer = setTimeout(() => void keepWholeJob(job, names === '' ? [] : names.split(',')), SETTLED_MS);
        return () => clearTimeout(timer);
    }, [job, revision, names, isSaved]);
}
