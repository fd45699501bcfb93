import { evaluate, keepJob, stepJob } from '../api/queries';
import { partsOf } from '../api/parts';
import type { Job } from '../api/types';
import { browserStorage, Drafts, jobsWithDrafts, type Tabs } from './drafts';
import { EditMachine, type Clock, type Server } from './editMachine';

const serverOf = (job: string): Server => ({
    evaluate: (document, said, signal) => evaluate(job, document, said, signal),
    save: ({ from, gesture, document, key }, signal) => keepJob(job, from, gesture, document, key, signal),
    step: stepJob,
    want: (parts) => partsOf(job).want(parts),
    happened: () => partsOf(job).happened(),
    isMissing: () => partsOf(job).isMissing,
});

const CLOCK: Clock = {
    now: () => Date.now(),
    after: (ms, then) => {
        const timer = setTimeout(then, ms);
        return () => clearTimeout(timer);
    },
};

/** Machines whose page was left before everything was saved, and those in use, by job. */
const machines = new Map<string, EditMachine>();

/** Gives what edits a job: with what was left unsaved of it in this browser, whichever page or tab that was. */
export function openEditor(job: Job, by: string, tabs: Tabs): EditMachine {
    const before = machines.get(job.id);
    if (before && !before.isSettled) return before;
    const drafts = new Drafts(job.id, tabs.tab, browserStorage());
    const machine = new EditMachine(job, by, serverOf(job.id), drafts, CLOCK);
    const left = drafts.left(by, tabs.isOpen);
    machine.takeUp(left.drafts);
    // Under this tab's name it is stored by now.
    if (machine.see().stored) left.taken();
    machines.set(job.id, machine);
    return machine;
}

/** How long somebody who wants a ticket waits for what they changed a moment ago. */
const PATIENCE_MS = 8000;

/** Resolves once nothing of a job is left to save in this browser; with false where something stays unsaved. */
export function whenSaved(job: string): Promise<boolean> {
    const machine = machines.get(job);
    if (!machine || machine.isSettled) return Promise.resolve(!jobsWithDrafts(browserStorage()).includes(job));
    machine.flush();
    return new Promise((resolve) => {
        const over = (isSaved: boolean): void => {
            end();
            clearTimeout(timer);
            resolve(isSaved);
        };
        const timer = setTimeout(() => over(false), PATIENCE_MS);
        const end = machine.watch(() => machine.isSettled && over(true));
    });
}

/** Somebody signed in again: what they had not saved goes on. What somebody else said waits for them. */
export function goOn(by: string): void {
    for (const machine of machines.values()) if (machine.by === by) machine.signedIn();
}

if (typeof window !== 'undefined') {
    window.addEventListener('online', () => machines.forEach((machine) => machine.tryNow()));
    window.addEventListener('pagehide', () => machines.forEach((machine) => machine.flush()));
    document.addEventListener('visibilitychange', () => {
        if (document.visibilityState === 'hidden') machines.forEach((machine) => machine.flush());
    });
}
