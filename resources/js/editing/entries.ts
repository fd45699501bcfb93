import type { JobDocument } from '../api/types';
import type { Json, Patch } from './patch';

/** Words called out for a run, or `+` for a whole new run: what they mean is read by the server. */
export interface Said {
    kind: 'said';
    /** edits of one gesture are undone as one */
    gesture: string;
    run: string;
    text: string;
    /** the legs as they stood when the saying began; of a new run, none */
    was: Json;
    /** still being typed: what comes next takes its place */
    open: boolean;
}

/** A change of the document. */
export interface Edit {
    kind: 'edit';
    gesture: string;
    patch: Patch;
}

/** One step back or forward in the job's revisions. */
export interface Stepped {
    kind: 'step';
    way: 'undo' | 'redo';
    /** of this write alone */
    key: string;
    /** the revision that it steps from, once it was sent */
    from?: number;
}

/** What was said and done, in order, that the server has not read back yet. */
export type Entry = Said | Edit | Stepped;

/** One write: sent again with the same key and the same words until an answer comes. */
export interface Write {
    job: string;
    from: number;
    gesture: string;
    document: JobDocument;
    key: string;
}

/** What a browser remembers of a job until the server has saved it. */
export interface Draft {
    /** who said it */
    by: string;
    /** the revision that it starts from */
    from: number;
    /** what differs from that revision already, as the server read it */
    patch: Patch;
    gesture: string;
    entries: Entry[];
    /** writes that were sent, and not answered yet */
    sent: Write[];
    /** what it changes was changed otherwise meanwhile */
    clash?: boolean;
}

/** The legs of a run as a document has them: for telling whether it was said otherwise meanwhile. */
export function legsOf(document: JobDocument, run: string): Json {
    return document.runs.find((one) => one.id === run)?.legs ?? null;
}

/** A document with the marks and the next numbers of another where both have a run: those stand on the pipe. */
export function withMarksOf(document: JobDocument, kept: JobDocument): JobDocument {
    const runs = new Map(kept.runs.map((run) => [run.id, run]));
    return {
        ...document,
        runs: document.runs.map((run) => {
            const same = runs.get(run.id);
            return same ? { ...run, marks: same.marks, next_leg: same.next_leg } : run;
        }),
    };
}
