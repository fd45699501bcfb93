import { t } from '@lingui/core/macro';
import { isNoAnswer, newKey, retryAfterMs, type Result } from '../api/client';
import type { Evaluated, Evaluation, Job, JobDocument, OfJob, Stale } from '../api/types';
import type { Drafts } from './drafts';
import { legsOf, withMarksOf, type Draft, type Edit, type Entry, type Said, type Stepped, type Write } from './entries';
import { differences, isEqual, patched, sayTheSame } from './patch';
import { refusalInWords } from './refusal';

/** What the machine asks of the server. A status of 0 means that no answer came. */
export interface Server {
    evaluate: (
        document: JobDocument,
        said: { run: string; text: string } | undefined,
        signal: AbortSignal,
    ) => Promise<Result<Evaluated>>;
    save: (write: Write, signal: AbortSignal) => Promise<Result<Job>>;
    step: (job: string, way: 'undo' | 'redo', from: number, key: string, signal: AbortSignal) => Promise<Result<Job>>;
    /** says which parts of the evaluation are shown from here on */
    want: (parts: readonly string[]) => void;
    /** says that something happened on site that the evaluation rests on */
    happened: () => void;
    /** whether something of what is shown was never asked for, or not since something happened on site */
    isMissing: () => boolean;
}

export interface Clock {
    now: () => number;
    /** calls once after so many milliseconds; gives what calls it off */
    after: (ms: number, then: () => void) => () => void;
}

/** How it stands with saving: only `saved` means that the server has read back what was said. */
export type Saving = 'saved' | 'saving' | 'pending' | 'offline' | 'refused' | 'signed-out' | 'conflict';

/** Another state of the job that an edit met. */
export interface Conflict {
    theirs: Job;
    /** names of the others who changed it; nobody: it was oneself, in another window or on another device */
    by: string[];
    /** what both started from; null where that is not known any more */
    base: JobDocument | null;
}

export interface SaidText {
    run: string;
    text: string;
    /** whether the server has read it, so that what it comes to is shown */
    read: boolean;
}

/** What is shown; a new one whenever anything of it changes. */
export interface Snapshot {
    job: Job;
    /** as the server read it last, with the job that it is of, and what that comes to */
    ofJob: OfJob;
    document: JobDocument;
    evaluation: Evaluation;
    /** with what is changed since, and not read yet */
    latest: JobDocument;
    saving: Saving;
    /** whether what is not saved is stored in this browser */
    stored: boolean;
    problem: string | null;
    conflict: Conflict | null;
    /** what is being said, or was said last and is not read yet, as it was typed */
    typed: SaidText | null;
    /** all that is said and not over with, the oldest first */
    said: SaidText[];
    /** whether parts of the evaluation that a screen shows anew are still to come */
    isFetching: boolean;
}

const QUIET_MS = 700;
const NO_ANSWER_MS = 20_000;

interface Reading {
    batch: Entry[];
    abort: AbortController;
}

interface Sending extends Write {
    abort: AbortController | null;
}

/**
 * Holds a job while it is edited. What is said and done waits in one ordered queue, is stored in the browser before
 * anything is asked, is
 * read by the server in the order in which it was said, and saved after a short silence. One timer wakes it: for the
 * silence, or to try again
 * where no answer came. A write is sent with the same key until it is answered; a newer state by somebody else is never
 * written over.
 */
export class EditMachine {
    private kept: Job;
    /**
     * the revision that the work starts from; older than `kept` where a draft is taken up that something else came
     * before
     */
    private from: number;
    private document: JobDocument;
    private evaluation: Evaluation;
    private unkept = false;
    private gesture = '';
    private queue: Entry[] = [];
    /** the document before what is said at the head of the queue, and which text of that is read into the work */
    private anchor: JobDocument | null = null;
    private readText: string | null = null;

    private reading: Reading | null = null;
    /** parts of the evaluation that a screen shows anew are on their way */
    private fetching: AbortController | null = null;
    private isFetchRefused = false;
    private sending: Sending | null = null;
    /** what an earlier page had not saved: its writes that were not answered are sent again before anything else */
    private left: Draft[] = [];
    private stepping: AbortController | null = null;
    private refused: 'reading' | 'saving' | null = null;
    /** what was refused is refused again as long as it is the same */
    private refusedBatch: Entry[] = [];
    private problem: string | null = null;
    private conflict: Conflict | null = null;
    private signedOut = false;
    private clash = false;
    private stored = true;

    private quietUntil = 0;
    private retryAt = 0;
    private tries = 0;
    private sleep: (() => void) | null = null;

    private readonly watchers = new Set<() => void>();
    private waiting: { isOver: () => boolean; resolve: () => void }[] = [];
    private shown: Snapshot;

    constructor(
        start: Job,
        readonly by: string,
        private readonly server: Server,
        private readonly drafts: Drafts,
        private readonly clock: Clock,
    ) {
        this.kept = start;
        this.from = start.revision;
        this.document = start.document;
        this.evaluation = start.evaluation;
        this.shown = this.snapshot();
    }

    /** Calls whenever the snapshot is another; gives what ends that. */
    readonly watch = (watcher: () => void): (() => void) => {
        this.watchers.add(watcher);
        return () => this.watchers.delete(watcher);
    };

    readonly see = (): Snapshot => this.shown;

    /** Whether nothing is left to save. */
    get isSettled(): boolean {
        return (
            !this.unkept &&
            this.sending === null &&
            this.left.length === 0 &&
            this.queue.every((entry) => this.isRead(entry))
        );
    }

    /** Takes up what a closed or reloaded page had not saved; the oldest first. */
    takeUp(drafts: Draft[]): void {
        for (const draft of drafts) {
            if (draft.patch.length > 0) this.queue.push({ kind: 'edit', gesture: draft.gesture, patch: draft.patch });
            this.queue.push(
                ...draft.entries.map((entry) => (entry.kind === 'said' ? { ...entry, open: false } : entry)),
            );
        }
        this.left = drafts;
        this.changed();
    }

    /** Once nothing is left without an answer, it is known what the drafts started from. */
    private compareDrafts(): void {
        for (const draft of this.left.filter((one) => one.from !== this.kept.revision)) {
            this.from = Math.min(this.from, draft.from);
            this.clash ||= draft.clash === true || this.isOtherwise(draft);
        }
        this.left = [];
    }

    /**
     * Whether what a draft changes was changed otherwise since; what stands there already, or as it stood, is no clash.
     */
    private isOtherwise(draft: Draft): boolean {
        const now = this.kept.document;
        const { document, clashes } = patched(now, draft.patch);
        const isRetold = (entry: Entry): boolean => {
            if (entry.kind !== 'said') return false;
            const legs = legsOf(now, entry.run);
            return !isEqual(legs, entry.was) && !isEqual(legs, legsOf(document, entry.run));
        };
        return clashes.length > 0 || draft.entries.some(isRetold);
    }

    /** Words for a run, as they are typed: the whole line each time. */
    readonly say = (run: string, text: string): void => {
        const last = this.queue.at(-1);
        if (last?.kind === 'said' && last.open && last.run === run) {
            this.queue = [...this.queue.slice(0, -1), { ...last, text }];
        } else {
            this.endSaying();
            this.queue.push({
                kind: 'said',
                gesture: newKey(),
                run,
                text,
                was: legsOf(this.latest(), run),
                open: true,
            });
        }
        this.soon();
        this.changed();
    };

    /** The line is said: it is saved at once. Resolves once it is read, or cannot be. */
    readonly doneSaying = (): Promise<void> => {
        this.endSaying();
        this.quietUntil = 0;
        const last = this.queue.findLast((entry) => entry.kind === 'said');
        this.changed();
        return this.until(() => last === undefined || !this.queue.includes(last) || this.refused !== null);
    };

    /** Gives what was said last as it is read, without saving it; null where no answer came, or it was not taken. */
    readonly reads = async (): Promise<Evaluated | null> => {
        await this.until(() => this.batch() === null || this.refused !== null || this.tries > 0 || this.isHalted());
        return this.batch() === null ? { document: this.document, evaluation: this.evaluation } : null;
    };

    /** Takes back what is being said, as if it had not been. */
    readonly unsay = (): void => {
        const last = this.queue.at(-1);
        if (last?.kind !== 'said' || !last.open) return;
        const before = this.queue.length === 1 ? this.anchor : null;
        this.queue = this.queue.slice(0, -1);
        this.forgetAnchor();
        if (before) this.queue.push({ kind: 'edit', gesture: last.gesture, patch: differences(this.document, before) });
        this.changed();
    };

    /** Changes the document as it is now, with all that is not read yet. */
    readonly change = (edit: (document: JobDocument) => JobDocument): void => {
        this.endSaying();
        const before = this.latest();
        const patch = differences(before, edit(before));
        if (patch.length > 0) this.queue.push({ kind: 'edit', gesture: newKey(), patch });
        this.soon();
        this.changed();
    };

    /** Puts in place what the server made of the document, as one change. */
    readonly replace = (evaluated: Evaluated): void => {
        this.endSaying();
        if (this.queue.length > 0) {
            const patch = differences(this.latest(), evaluated.document);
            this.queue.push({ kind: 'edit', gesture: newKey(), patch });
        } else {
            this.work(evaluated, newKey());
            this.quietUntil = 0;
        }
        this.changed();
    };

    /** A screen shows other parts of the evaluation: what is missing of them is asked for. */
    readonly want = (parts: readonly string[]): void => {
        this.server.want(parts);
        this.isFetchRefused = false;
        if (this.server.isMissing()) this.show();
        this.pump();
    };

    /** Something happened on site that the evaluation rests on: it is asked for anew. */
    readonly happened = (): void => {
        this.server.happened();
        this.isFetchRefused = false;
        this.show();
        this.pump();
    };

    /**
     * Undo takes back what was done last; where that was refused, it goes, and nothing else. Resolves once it is done.
     */
    readonly step = (way: 'undo' | 'redo'): Promise<void> => {
        if (this.refused !== null) {
            if (way === 'undo') this.dropRefused();
            this.changed();
            return Promise.resolve();
        }
        this.endSaying();
        const step: Stepped = { kind: 'step', way, key: newKey() };
        this.queue.push(step);
        this.changed();
        return this.until(() => !this.queue.includes(step) || this.refused !== null);
    };

    /** Goes on with the other state of the job; what was not saved here is let go. */
    readonly takeTheirs = (): void => {
        if (!this.conflict) return;
        const { theirs } = this.conflict;
        this.conflict = null;
        this.clash = false;
        this.queue = [];
        this.settle(theirs);
        this.changed();
    };

    /** Goes on with the other state of the job and what of one's own was chosen beside it, as one change. */
    readonly putTogether = (document: JobDocument): void => {
        if (!this.conflict) return;
        const patch = differences(this.conflict.theirs.document, document);
        this.takeTheirs();
        if (patch.length > 0) this.queue.push({ kind: 'edit', gesture: newKey(), patch });
        this.changed();
    };

    /** Gives one's own state in a conflict, with all that was said read into it; null where no answer came. */
    readonly mine = async (): Promise<JobDocument | null> => {
        let document = this.document;
        for (const entry of this.queue) {
            if (entry.kind === 'edit') document = patched(document, entry.patch).document;
            if (entry.kind !== 'said' || this.isRead(entry)) continue;
            const read = await this.server.evaluate(
                document,
                { run: entry.run, text: entry.text },
                new AbortController().signal,
            );
            if (!read.ok) return null;
            document = read.data.document;
        }
        return document;
    };

    /** Signed in again: goes on where it stopped. */
    readonly signedIn = (): void => {
        this.signedOut = false;
        this.tries = 0;
        this.retryAt = 0;
        this.changed();
    };

    /** The page is left, or out of sight: what is said is saved without waiting for silence. */
    readonly flush = (): void => {
        this.quietUntil = 0;
        this.changed();
    };

    /** There may be an answer now. */
    readonly tryNow = (): void => {
        this.retryAt = 0;
        this.changed();
    };

    /** Somebody works on: it is tried again soon, however long there was no answer. */
    private soon(): void {
        this.retryAt = Math.min(this.retryAt, this.clock.now() + retryAfterMs(0));
    }

    // ---- the queue

    /** The document with every change that is not read yet; words that are not read yet are not in it. */
    private latest(): JobDocument {
        return this.queue.reduce(
            (document, entry) => (entry.kind === 'edit' ? patched(document, entry.patch).document : document),
            this.document,
        );
    }

    private isRead(entry: Entry): boolean {
        return entry.kind === 'said' && entry === this.queue[0] && this.readText === entry.text;
    }

    private endSaying(): void {
        const last = this.queue.at(-1);
        if (last?.kind !== 'said' || !last.open) return;
        const isRead = this.isRead(last);
        this.queue = isRead ? [] : [...this.queue.slice(0, -1), { ...last, open: false }];
        if (isRead) this.forgetAnchor();
    }

    private forgetAnchor(): void {
        this.anchor = null;
        this.readText = null;
    }

    /** What is to be read next in one request: changes up to the first words, and those. */
    private batch(): Entry[] | null {
        const batch: Entry[] = [];
        for (const entry of this.queue) {
            if (entry.kind === 'step') break;
            batch.push(entry);
            if (entry.kind === 'said') break;
        }
        return batch.length === 0 || (batch.length === 1 && this.isRead(batch[0] as Entry)) ? null : batch;
    }

    /** Takes an evaluated document as the work, to be saved after a silence. */
    private work({ document, evaluation }: Evaluated, gesture: string): void {
        this.document = document;
        this.evaluation = evaluation;
        this.gesture = gesture;
        this.unkept = !sayTheSame(this.kept.document, document);
        if (!this.unkept) {
            // What a draft changed stands in the newest state already.
            this.from = this.kept.revision;
            this.clash = false;
        }
        this.quietUntil = this.clock.now() + QUIET_MS;
        this.refused = null;
        this.problem = null;
    }

    /** The server's state is the work. */
    private settle(job: Job): void {
        this.kept = job;
        this.from = job.revision;
        this.document = job.document;
        this.evaluation = job.evaluation;
        this.unkept = false;
        this.sending = null;
        this.gesture = '';
        this.refused = null;
        this.problem = null;
        this.forgetAnchor();
    }

    private dropRefused(): void {
        if (this.refused === 'saving') {
            this.queue = [];
            this.settle(this.kept);
            return;
        }
        const batch = this.batch() ?? [];
        this.queue = this.queue.filter((entry) => !batch.includes(entry));
        this.forgetAnchor();
        this.refused = null;
        this.problem = null;
    }

    // ---- what is to be done next

    /** Something is other than it was: it is stored first, then shown, then acted on. */
    private changed(): void {
        if (this.refused === 'reading' && !isPrefix(this.refusedBatch, this.queue)) {
            this.refused = null;
            this.problem = null;
        }
        this.store();
        this.show();
        this.pump();
    }

    private isHalted(): boolean {
        return this.conflict !== null || this.signedOut;
    }

    private pump(): void {
        this.sleep?.();
        this.sleep = null;
        if (!this.isHalted()) {
            const now = this.clock.now();
            if (this.retryAt > now) this.wakeAt(this.retryAt);
            else if (!this.resumes()) {
                this.readNext();
                this.saveNext();
                this.stepNext();
                this.fetchNext();
            }
        }
        this.waiting = this.waiting.filter((one) => {
            if (one.isOver()) one.resolve();
            return !one.isOver();
        });
    }

    private wakeAt(time: number): void {
        this.sleep?.();
        this.sleep = this.clock.after(Math.max(0, time - this.clock.now()), () => {
            this.sleep = null;
            this.pump();
        });
    }

    /** Sends what an earlier page sent and had no answer to; whether there is still something of it. */
    private resumes(): boolean {
        const draft = this.left.find((one) => one.sent.length > 0);
        if (draft) {
            if (!this.sending) void this.resume(draft, draft.sent[0] as Write);
            return true;
        }
        if (this.left.length > 0) this.compareDrafts();
        return false;
    }

    private async resume(draft: Draft, write: Write): Promise<void> {
        const abort = new AbortController();
        this.sending = { ...write, abort };
        this.show();
        const result = await this.asked(abort, () => this.server.save(write, abort.signal));
        this.sending = null;
        if (result.ok || !this.waits(result)) draft.sent = draft.sent.slice(1);
        if (result.ok) {
            this.tries = 0;
            draft.from = result.data.revision;
            if (result.data.revision > this.kept.revision) this.settle(result.data);
        }
        this.changed();
    }

    private readNext(): void {
        const batch = this.batch();
        if (this.reading && batch !== null && isPrefix(this.reading.batch, batch)) return;
        this.reading?.abort.abort();
        this.reading = null;
        if (batch === null || this.refused === 'reading' || this.stepping) return;
        const reading = { batch, abort: new AbortController() };
        this.reading = reading;
        void this.read(reading);
    }

    private async read(reading: Reading): Promise<void> {
        const { batch, abort } = reading;
        const words = batch.at(-1)?.kind === 'said' ? (batch.at(-1) as Said) : null;
        const start = words !== null && batch.length === 1 && this.anchor ? this.anchor : this.document;
        const edits = batch.filter((entry): entry is Edit => entry.kind === 'edit');
        const document = edits.reduce((now, edit) => patched(now, edit.patch).document, start);
        const said = words === null ? undefined : { run: words.run, text: words.text };
        const result = await this.asked(abort, () => this.server.evaluate(document, said, abort.signal));
        if (this.reading !== reading) return;
        this.reading = null;
        if (result.ok) {
            this.tries = 0;
            this.work(result.data, gestureOf(batch));
            const last = this.queue[batch.length - 1];
            const rest = this.queue.slice(batch.length);
            if (last?.kind === 'said' && last.open) {
                this.queue = [last, ...rest];
                this.anchor = document;
                this.readText = last.text;
            } else {
                this.queue = rest;
                this.forgetAnchor();
                if (words) this.quietUntil = 0;
            }
        } else if (!this.waits(result)) {
            this.refused = 'reading';
            this.refusedBatch = batch;
            this.problem = refusalInWords(result, document);
        }
        this.changed();
    }

    /** Asks for parts of what is read already, while nothing else is asked: every other answer brings them too. */
    private fetchNext(): void {
        if (
            this.fetching ||
            this.reading ||
            this.sending ||
            this.stepping ||
            this.isFetchRefused ||
            !this.server.isMissing()
        )
            return;
        this.fetching = new AbortController();
        void this.fetch(this.fetching);
    }

    private async fetch(abort: AbortController): Promise<void> {
        const document = this.document;
        const result = await this.asked(abort, () => this.server.evaluate(document, undefined, abort.signal));
        this.fetching = null;
        if (result.ok) {
            this.tries = 0;
            if (this.document === document)
                this.evaluation = { ...result.data.evaluation, phrases: this.evaluation.phrases };
        } else if (!this.waits(result)) {
            this.isFetchRefused = true;
            this.problem = refusalInWords(result, document);
        }
        this.changed();
    }

    private saveNext(): void {
        if (this.sending) {
            if (!this.sending.abort) void this.send(this.sending);
            return;
        }
        if (
            !this.unkept ||
            this.refused === 'saving' ||
            this.stepping ||
            (this.batch() !== null && this.refused === null)
        )
            return;
        const isAwaited = this.queue.some((entry) => entry.kind === 'step');
        if (this.quietUntil > this.clock.now() && !isAwaited) {
            this.wakeAt(this.quietUntil);
            return;
        }
        const write = {
            job: this.kept.id,
            from: this.from,
            gesture: this.gesture || newKey(),
            document: this.document,
            key: newKey(),
        };
        this.sending = { ...write, abort: null };
        void this.send(this.sending);
    }

    private async send(sending: Sending): Promise<void> {
        const abort = new AbortController();
        const write = writeOf(sending);
        sending.abort = abort;
        this.store();
        this.show();
        const result = await this.asked(abort, () => this.server.save(write, abort.signal));
        sending.abort = null;
        if (this.sending !== sending) return;
        if (result.ok) {
            this.tries = 0;
            this.sending = null;
            this.saved(result.data, write);
        } else if (result.status === 409) {
            this.sending = null;
            this.meet(result.body as Stale);
        } else if (!this.waits(result)) {
            this.sending = null;
            this.refused = 'saving';
            this.problem = refusalInWords(result, write.document);
        }
        this.changed();
    }

    /** What the server read back is compared with what it was sent: only the same is saved. */
    private saved(job: Job, sent: Write): void {
        this.kept = job;
        this.from = job.revision;
        if (!sayTheSame(sent.document, job.document)) {
            this.refused = 'saving';
            this.problem =
                t`The server saved something else than what was said here.` +
                ' ' +
                t`Undo takes back what is shown; then say it again.`;
            return;
        }
        this.clash = false;
        if (this.document === sent.document) {
            this.document = job.document;
            // What is being typed stays marked as it was read.
            this.evaluation = { ...job.evaluation, phrases: this.evaluation.phrases };
            this.unkept = false;
            this.problem = null;
        } else {
            this.document = withMarksOf(this.document, job.document);
        }
        if (this.anchor) this.anchor = withMarksOf(this.anchor, job.document);
    }

    /**
     * The job was changed since: one's own changes are put on top of one's own; others' are shown, and nothing is
     * written over.
     */
    private meet(stale: Stale): void {
        const mine = differences(this.kept.document, this.document);
        const { document, clashes } = patched(stale.current.document, mine);
        const isRetold = (entry: Entry): boolean =>
            entry.kind === 'said' &&
            !isEqual(legsOf(this.kept.document, entry.run), legsOf(stale.current.document, entry.run));
        if (stale.changed_by.length > 0 || clashes.length > 0 || this.clash || this.queue.some(isRetold)) {
            const base = this.clash ? null : this.kept.document;
            this.conflict = { theirs: stale.current, by: stale.changed_by, base };
            return;
        }
        this.kept = stale.current;
        this.from = stale.current.revision;
        this.document = stale.current.document;
        this.evaluation = stale.current.evaluation;
        this.unkept = false;
        this.forgetAnchor();
        const patch = differences(stale.current.document, document);
        if (patch.length > 0) this.queue = [{ kind: 'edit', gesture: this.gesture || newKey(), patch }, ...this.queue];
    }

    private stepNext(): void {
        const [step] = this.queue;
        if (step?.kind !== 'step' || this.stepping || this.unkept || this.sending || this.reading) return;
        if (step.from === undefined && !this.kept[step.way === 'undo' ? 'can_undo' : 'can_redo']) {
            this.queue = this.queue.slice(1);
            this.changed();
            return;
        }
        this.stepping = new AbortController();
        this.show();
        void this.takeStep(step, this.stepping);
    }

    private async takeStep(step: Stepped, abort: AbortController): Promise<void> {
        step.from ??= this.kept.revision;
        const { way, from, key } = step;
        this.store();
        const result = await this.asked(abort, () => this.server.step(this.kept.id, way, from, key, abort.signal));
        this.stepping = null;
        if (result.ok) {
            this.tries = 0;
            this.queue = this.queue.filter((entry) => entry !== step);
            this.settle(result.data);
        } else if (result.status === 409) {
            this.queue = this.queue.filter((entry) => entry !== step);
            const { current, changed_by } = result.body as Stale;
            if (changed_by.length > 0) this.conflict = { theirs: current, by: changed_by, base: this.kept.document };
            else this.settle(current);
        } else if (!this.waits(result)) {
            this.queue = this.queue.filter((entry) => entry !== step);
            this.problem = result.message;
        }
        this.changed();
    }

    /** Asks, and takes what does not come within a time as no answer. */
    private async asked<T>(abort: AbortController, ask: () => Promise<Result<T>>): Promise<Result<T>> {
        const callOff = this.clock.after(NO_ANSWER_MS, () => abort.abort());
        try {
            return await ask();
        } catch {
            return {
                ok: false,
                status: 0,
                code: 'no-answer',
                message: t`No answer from the server.`,
                errors: {},
                body: null,
            };
        } finally {
            callOff();
        }
    }

    /**
     * Whether the same is to be asked again later: no answer, a server that is being started, or a session that has
     * ended.
     */
    private waits({ status }: { status: number }): boolean {
        if (status === 401) {
            this.signedOut = true;
            return true;
        }
        if (!isNoAnswer(status)) return false;
        this.retryAt = this.clock.now() + retryAfterMs(this.tries);
        this.tries++;
        return true;
    }

    // ---- what is stored, and what is shown

    private store(): void {
        if (this.isSettled) {
            this.drafts.forget();
            this.stored = true;
            return;
        }
        this.stored = this.drafts.save({
            by: this.by,
            from: Math.min(this.from, ...this.left.map((draft) => draft.from)),
            patch: differences(this.kept.document, this.document),
            gesture: this.gesture,
            entries: this.queue,
            sent: [
                ...this.left.flatMap((draft) => draft.sent),
                ...(this.left.length === 0 && this.sending ? [writeOf(this.sending)] : []),
            ],
            ...(this.clash ? { clash: true } : {}),
        });
    }

    private show(): void {
        this.shown = this.snapshot();
        this.watchers.forEach((watcher) => watcher());
    }

    private snapshot(): Snapshot {
        const said = this.queue
            .filter((entry) => entry.kind === 'said')
            .map((entry) => ({ run: entry.run, text: entry.text, read: this.isRead(entry) }));
        return {
            job: this.kept,
            ofJob: { job: this.kept.id, document: this.document },
            document: this.document,
            evaluation: this.evaluation,
            latest: this.latest(),
            saving: this.saving(),
            stored: this.stored,
            problem: this.problem,
            conflict: this.conflict,
            typed: said.at(-1) ?? null,
            said,
            isFetching: !this.isFetchRefused && this.server.isMissing(),
        };
    }

    private saving(): Saving {
        if (this.conflict) return 'conflict';
        if (this.signedOut) return 'signed-out';
        if (this.refused) return 'refused';
        if (this.isSettled) return 'saved';
        if (this.tries > 0) return 'offline';
        return this.sending || this.stepping ? 'saving' : 'pending';
    }

    private until(isOver: () => boolean): Promise<void> {
        return isOver() ? Promise.resolve() : new Promise((resolve) => this.waiting.push({ isOver, resolve }));
    }
}

/** Whether the one list is how the other begins; words are the same while their text is. */
function isPrefix(start: Entry[], whole: Entry[]): boolean {
    return start.every((entry, i) => {
        const other = whole[i];
        if (entry.kind !== 'said' || other?.kind !== 'said') return entry === other;
        return entry.gesture === other.gesture && entry.text === other.text;
    });
}

function gestureOf(batch: Entry[]): string {
    const last = batch.at(-1);
    return last && last.kind !== 'step' ? last.gesture : newKey();
}

function writeOf({ job, from, gesture, document, key }: Sending): Write {
    return { job, from, gesture, document, key };
}
