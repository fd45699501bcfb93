import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { newKey } from '../../api/client';
import { appendToLog, logQuery } from '../../api/queries';
import type { LogEntry } from '../../api/types';
import { browserStorage, SiteLog, type SiteLogState } from '../../editing';

/** What this device calls itself in the log. */
const deviceName = (): string => {
    const words = /\(([^;)]+)/.exec(navigator.userAgent)?.[1] ?? 'browser';
    return `${words}, ${screen.width} × ${screen.height}`.slice(0, 80);
};

const logs = new Map<string, SiteLog>();

/** The log of a job on this device: one for each job, however many screens show it. */
function logOf(job: string): SiteLog {
    const known = logs.get(job);
    if (known) return known;
    const log = new SiteLog(`fall-bend.log.${job}`, {
        storage: browserStorage(),
        send: (entries) => appendToLog(job, deviceName(), entries),
        now: () => Date.now(),
        newKey,
        later: (what, ms) => void setTimeout(what, ms),
    });
    logs.set(job, log);
    return log;
}

interface OfSite {
    log: SiteLog;
    state: SiteLogState;
    entries: LogEntry[];
}

/** What happened on site: what the server has, and what still waits on this device. */
export function useSiteLog(job: string): OfSite {
    const log = useMemo(() => logOf(job), [job]);
    const state = useSyncExternalStore(log.subscribe, log.snapshot);
    const { data } = useQuery(logQuery(job));
    useEffect(() => {
        if (data) log.heard(data);
    }, [data, log]);
    useEffect(() => {
        const flush = (): void => void log.flush();
        flush();
        window.addEventListener('online', flush);
        return () => window.removeEventListener('online', flush);
    }, [log]);
    return { log, state, entries: data?.entries ?? [] };
}
