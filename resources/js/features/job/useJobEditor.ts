import { useCallback, useEffect, useRef, useState } from 'react';
import { evaluate, keepJob, stepJob } from '../../api/queries';
import type { Evaluated, Evaluation, Job, JobDocument, JobRun } from '../../api/types';
import { forgetDraft, recallDraft, rememberDraft } from './drafts';
import { refusalInWords } from './refusal';

export type Keeping = 'kept' | 'keeping' | 'waiting' | 'no-answer' | 'refused';

export interface JobEditor {
    job: Job;
    document: JobDocument;
    evaluation: Evaluation;
    keeping: Keeping;
    problem: string | null;
    /** somebody else's newer state of the job, where an edit met one */
    conflict: Job | null;
    /** the call-out line of a run as it is being typed; null where nobody types */
    typed: { run: string; text: string } | null;
    say: (run: string, text: string) => void;
    /** resolves once what was said last is read */
    doneSaying: () => Promise<void>;
    /** gives what was said last as it is read, without keeping it; null where no answer came, or it was not taken */
    reading: () => Promise<Evaluated | null>;
    /** takes back what is being said, as if it had not been */
    unsay: () => void;
    /** puts an evaluated document in place, as one change */
    replace: (evaluated: Evaluated) => void;
    change: (edit: (document: JobDocument) => JobDocument) => void;
    changeRun: (run: string, edit: (run: JobRun) => JobRun) => void;
    step: (way: 'undo' | 'redo') => Promise<void>;
    keepNow: () => Promise<boolean>;
    takeTheirs: () => void;
}

const QUIET_MS = 700;
const RETRY_MS = 3000;

interface State {
    job: Job;
    document: JobDocument;
    evaluation: Evaluation;
}

/**
 * Holds a job while it is edited: every change is evaluated at once and kept after a short silence; what could not be kept yet is remembered in the
 * browser. A newer state by somebody else is never written over.
 */
export function useJobEditor(start: Job): JobEditor {
    const [state, setState] = useState<State>({ job: start, document: start.document, evaluation: start.evaluation });
    const [keeping, setKeeping] = useState<Keeping>('kept');
    const [problem, setProblem] = useState<string | null>(null);
    const [conflict, setConflict] = useState<Job | null>(null);
    const [typed, setTyped] = useState<{ run: string; text: string } | null>(null);

    // What the newest answers are compared with; not for drawing.
    const now = useRef({
        job: start,
        document: start.document,
        unkept: false,
        /** what it is now was refused: it can be mended or taken back, not kept */
        refused: false,
        asked: 0,
        gesture: '',
        timer: 0,
        busy: null as Promise<boolean> | null,
        halted: false,
        reading: Promise.resolve<Evaluated | null>(null),
        evaluating: Promise.resolve<Evaluated | null>(null),
        stepping: Promise.resolve(),
    });
    const evaluationNow = useRef(start.evaluation);
    evaluationNow.current = state.evaluation;
    const anchor = useRef<{ run: string; document: JobDocument } | null>(null);
    const asking = useRef<AbortController | null>(null);

    const settle = useCallback((job: Job) => {
        now.current.job = job;
        now.current.document = job.document;
        now.current.unkept = false;
        now.current.refused = false;
        now.current.gesture = '';
        now.current.halted = false;
        anchor.current = null;
        forgetDraft(job.id);
        setState({ job, document: job.document, evaluation: job.evaluation });
        setTyped(null);
        setConflict(null);
        setProblem(null);
        setKeeping('kept');
    }, []);

    const keep = useCallback(async (): Promise<boolean> => {
        window.clearTimeout(now.current.timer);
        if (now.current.busy) await now.current.busy;
        if (!now.current.unkept || now.current.halted) return !now.current.unkept;
        const sent = now.current.document;
        setKeeping('keeping');
        const work = (async (): Promise<boolean> => {
            const result = await keepJob(now.current.job.id, now.current.job.revision, now.current.gesture || newGesture(), sent);
            if (result.ok) {
                now.current.job = result.data;
                if (now.current.document === sent) {
                    now.current.unkept = false;
                    forgetDraft(result.data.id);
                    // The kept document has every mark that was ever used up in it.
                    now.current.document = result.data.document;
                    setState({
                        job: result.data,
                        document: result.data.document,
                        evaluation: withPhrases(result.data.evaluation, evaluationNow.current),
                    });
                    setKeeping('kept');
                    setProblem(null);
                    return true;
                } else {
                    rememberDraft(result.data.id, now.current.job.revision, now.current.document);
                }
                setProblem(null);
                setState((old) => ({ ...old, job: result.data }));
                return true;
            }
            if (result.status === 409) {
                now.current.halted = true;
                setConflict((result.body as { current: Job }).current);
                setKeeping('waiting');
            } else if (result.status === 0 || result.status >= 500 || result.status === 429) {
                setKeeping('no-answer');
                now.current.timer = window.setTimeout(() => void keep(), RETRY_MS);
            } else {
                now.current.refused = true;
                setKeeping('refused');
                setProblem(refusalInWords(result, sent));
            }
            return false;
        })();
        now.current.busy = work;
        const done = await work;
        now.current.busy = null;
        if (done && now.current.unkept) now.current.timer = window.setTimeout(() => void keep(), QUIET_MS);
        return done;
    }, []);

    const ask = useCallback(
        (document: JobDocument, callOut?: { run: string; text: string }): Promise<Evaluated | null> => {
            const one = async (): Promise<Evaluated | null> => {
                const turn = ++now.current.asked;
                asking.current?.abort();
                const controller = new AbortController();
                asking.current = controller;
                setKeeping('waiting');
                let result;
                try {
                    result = await evaluate(document, callOut, controller.signal);
                } catch {
                    return null; // A newer change has taken its place.
                }
                if (turn !== now.current.asked) return null;
                if (!result.ok) {
                    now.current.refused = result.status !== 0;
                    setProblem(refusalInWords(result, document));
                    setKeeping(result.status === 0 ? 'no-answer' : 'refused');
                    if (result.status === 0) now.current.timer = window.setTimeout(() => void ask(document, callOut), RETRY_MS);
                    return null;
                }
                const { document: evaluated, evaluation } = result.data;
                now.current.document = evaluated;
                now.current.unkept = true;
                now.current.refused = false;
                rememberDraft(now.current.job.id, now.current.job.revision, evaluated);
                setProblem(null);
                setState((old) => ({ ...old, document: evaluated, evaluation }));
                window.clearTimeout(now.current.timer);
                now.current.timer = window.setTimeout(() => void keep(), QUIET_MS);
                return result.data;
            };
            now.current.evaluating = one();
            return now.current.evaluating;
        },
        [keep],
    );

    const say = useCallback(
        (run: string, text: string) => {
            if (anchor.current?.run !== run) {
                anchor.current = { run, document: now.current.document };
                now.current.gesture = newGesture();
            }
            setTyped({ run, text });
            now.current.reading = ask(anchor.current.document, { run, text });
        },
        [ask],
    );

    const doneSaying = useCallback(async () => {
        await now.current.reading;
        anchor.current = null;
        setTyped(null);
        void keep();
    }, [keep]);

    const reading = useCallback(() => now.current.reading, []);

    const unsay = useCallback(() => {
        const before = anchor.current?.document;
        anchor.current = null;
        setTyped(null);
        if (before) void ask(before);
    }, [ask]);

    const replace = useCallback(
        (evaluated: Evaluated) => {
            anchor.current = null;
            setTyped(null);
            now.current.asked++;
            now.current.document = evaluated.document;
            now.current.gesture = newGesture();
            now.current.unkept = true;
            now.current.refused = false;
            rememberDraft(now.current.job.id, now.current.job.revision, evaluated.document);
            setState((old) => ({ ...old, ...evaluated }));
            void keep();
        },
        [keep],
    );

    const change = useCallback(
        (edit: (document: JobDocument) => JobDocument) => {
            anchor.current = null;
            setTyped(null);
            const document = edit(now.current.document);
            now.current.document = document;
            now.current.gesture = newGesture();
            void ask(document);
        },
        [ask],
    );

    const changeRun = useCallback(
        (id: string, edit: (run: JobRun) => JobRun) =>
            change((document) => ({ ...document, runs: document.runs.map((run) => (run.id === id ? edit(run) : run)) })),
        [change],
    );

    const step = useCallback(
        (way: 'undo' | 'redo') => {
            const one = async (): Promise<void> => {
                // What was just done is what is undone.
                await now.current.evaluating;
                if (now.current.unkept && !now.current.refused && !(await keep()) && !now.current.refused) return;
                if (now.current.refused) {
                    if (way === 'undo') settle(now.current.job);
                    return;
                }
                if (!now.current.job[way === 'undo' ? 'can_undo' : 'can_redo']) return;
                const result = await stepJob(now.current.job.id, way, now.current.job.revision);
                if (result.ok) settle(result.data);
                else if (result.status === 409) setConflict((result.body as { current: Job }).current);
                else setProblem(result.message);
            };
            // One after the other, however quickly they are asked for: each steps from where the last one came to.
            now.current.stepping = now.current.stepping.then(one, one);
            return now.current.stepping;
        },
        [keep, settle],
    );

    const takeTheirs = useCallback(() => {
        if (conflict) settle(conflict);
    }, [conflict, settle]);

    // What a closed or reloaded page had not kept is taken up again.
    useEffect(() => {
        const draft = recallDraft(start.id);
        if (!draft) return;
        now.current.document = draft.document;
        if (draft.from === start.revision) {
            void ask(draft.document);
        } else {
            now.current.halted = true;
            now.current.unkept = true;
            setState((old) => ({ ...old, document: draft.document }));
            setConflict(start);
        }
    }, [start, ask]);

    useEffect(() => {
        const leave = (): void => void (now.current.unkept && !now.current.halted && keep());
        window.addEventListener('pagehide', leave);
        const current = now.current;
        return () => {
            window.removeEventListener('pagehide', leave);
            if (current.unkept && !current.halted) void keep();
        };
    }, [keep]);

    return {
        ...state,
        keeping,
        problem,
        conflict,
        typed,
        say,
        doneSaying,
        reading,
        unsay,
        replace,
        change,
        changeRun,
        step,
        keepNow: keep,
        takeTheirs,
    };
}

/** An evaluation of what is kept, with the phrases of what is being typed still marked. */
function withPhrases(kept: Evaluation, shown: Evaluation): Evaluation {
    return { ...kept, phrases: shown.phrases };
}

function newGesture(): string {
    return `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 10)}`;
}
