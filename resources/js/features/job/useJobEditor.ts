import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { Job, JobRun } from '../../api/types';
import { openEditor, type JobEditor, type Tabs } from '../../editing';

/** Holds the editing machine of a job; leaving the page saves what is said, as far as there is an answer. */
export function useJobEditor(start: Job, by: string, tabs: Tabs): JobEditor {
    const [machine] = useState(() => openEditor(start, by, tabs));
    const seen = useSyncExternalStore(machine.watch, machine.see);
    useEffect(() => machine.flush, [machine]);
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
            mine: machine.mine,
        }),
        [machine],
    );
    return useMemo(() => ({ ...seen, ...acts }), [seen, acts]);
}
