import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { newKey } from '../../api/client';
import { accountQuery, appendToLog, logQuery } from '../../api/queries';
import type { LogEntry } from '../../api/types';
import { browserStorage, LOG_PLACE, SiteLog, type SiteLogState } from '../../editing';

/** What this device calls itself in the log. */
const deviceName = (): string => {
    const words = /\(([^;)]+)/.exec(navigator.userAgent)?.[1] ?? 'browser';
    return `${words}, ${screen.width} × ${screen.height}`.slice(0, 80);
};

const logs = new Map<string, SiteLog>();

/** The log of a job on this device: one for each job, however many screens show it. */
export function logOf(job: string): SiteLog {
    const known = logs.get(job);
    if (known) return known;
    const log = new SiteLog(`${LOG_PLACE}${job}`, {
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
    /** whether the log was read yet */
    isKnown: boolean;
}

/** What happened on site: what the server has, and what still waits on this device. */
export function useSiteLog(job: string): OfSite {
    const log = useMemo(() => logOf(job), [job]);
    const state = useSyncExternalStore(log.subscribe, log.snapshot);
    const { data } = useQuery(logQuery(job));
    useEffect(() => {
        if (data) log.heard(data);
    }, [data, log]);
    const by = useQuery(accountQuery).data?.email;
    useEffect(() => {
        if (by !== undefined) log.signIn(by);
    }, [log, by]);
    useEffect(() => {
        const flush = (): void => void log.flush();
        flush();
        window.addEventListener('online', flush);
        // Another page of this device said or sent something.
        window.addEventListener('storage', log.look);
        return () => {
            window.removeEventListener('online', flush);
            window.removeEventListener('storage', log.look);
        };
    }, [log]);
    const known = data?.entries;
    const last = known?.at(-1)?.number ?? 0;
    useEffect(() => log.known(last), [log, last]);
    const entries = useMemo(
        () => [...(known ?? []), ...state.arrived.filter((entry) => entry.number > last)],
        [known, state.arrived, last],
    );
    return { log, state, entries, isKnown: data !== undefined };
}
