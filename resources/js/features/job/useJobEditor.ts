import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Job, JobRun } from '../../api/types';
import { inPlaceOf, onSite, openEditor, type Happened, type JobEditor, type Saving, type Tabs } from '../../editing';
import { usePictures, useSiteLog } from '../sitelog';

/** Holds the editing machine of a job; leaving the page saves what is said, as far as there is an answer. */
export function useJobEditor(start: Job, by: string, tabs: Tabs): JobEditor {
    const [machine] = useState(() => openEditor(start, by, tabs));
    const seen = useSyncExternalStore(machine.watch, machine.see);
    useEffect(() => machine.flush, [machine]);
    const { log, state, entries, isKnown } = useSiteLog(start.id);
    const site = useMemo(() => ({ ...onSite(entries, state.pending), isKnown }), [entries, state.pending, isKnown]);
    useEffect(() => {
        if (site.version > 0) machine.happened();
    }, [machine, site.version]);
    const known = useRef(entries);
    useEffect(() => {
        known.current = entries;
    }, [entries]);
    const acts = useMemo(
        () => ({
            say: machine.say,
            doneSaying: machine.doneSaying,
            reading: machine.reads,
            unsay: machine.unsay,
            replace: machine.replace,
            change: machine.change,
            changeRun: (id: string, edit: (run: JobRun) => JobRun) =>
                machine.change((document) => ({
                    ...document,
                    runs: document.runs.map((run) => (run.id === id ? edit(run) : run)),
                })),
            step: machine.step,
            want: machine.want,
            takeTheirs: machine.takeTheirs,
            putTogether: machine.putTogether,
            mine: machine.mine,
            happened: (events: Happened[]) => log.add(events.map((event) => inPlaceOf(event, known.current))),
        }),
        [machine, log],
    );
    const { pending, isAway, isStored } = state;
    const pictures = usePictures().state.waiting.filter((one) => one.job === start.id).length;
    return useMemo(() => {
        const isLogged = pending.length === 0 && pictures === 0;
        const waits: Saving = isAway || pictures > 0 ? 'offline' : 'saving';
        const saving = seen.saving !== 'saved' || isLogged ? seen.saving : waits;
        return { ...seen, ...acts, site, saving, stored: seen.stored && (isLogged || isStored) };
    }, [seen, acts, site, pending.length, pictures, isAway, isStored]);
}
