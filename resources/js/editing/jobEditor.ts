import type { Evaluated, JobDocument, JobRun } from '../api/types';
import type { Snapshot } from './editMachine';
import type { OnSite } from './onSite';
import type { Happened } from './waiting';

/** A job while it is edited: what is shown of it, and what can be done with it (see editing/editMachine). */
export interface JobEditor extends Snapshot {
    say: (run: string, text: string) => void;
    /** resolves once what was said last is read */
    doneSaying: () => Promise<void>;
    /** gives what was said last as it is read, without saving it; null where no answer came, or it was not taken */
    reading: () => Promise<Evaluated | null>;
    /** takes back what is being said, as if it had not been */
    unsay: () => void;
    /** puts an evaluated document in place, as one change */
    replace: (evaluated: Evaluated) => void;
    change: (edit: (document: JobDocument) => JobDocument) => void;
    changeRun: (run: string, edit: (run: JobRun) => JobRun) => void;
    step: (way: 'undo' | 'redo') => Promise<void>;
    /** a screen shows other parts of the evaluation */
    want: (parts: readonly string[]) => void;
    /** what was done on site that the plan is held against */
    site: OnSite & {
        /** whether the log was read yet */
        isKnown: boolean;
    };
    /** says in the log that something happened on site just now */
    happened: (events: Happened[]) => void;
    takeTheirs: () => void;
    /** goes on in a conflict with a document that was put together of both states */
    putTogether: (document: JobDocument) => void;
    /** one's own state in a conflict; null where no answer came */
    mine: () => Promise<JobDocument | null>;
}
