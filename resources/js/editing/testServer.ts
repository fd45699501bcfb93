import type { Result } from '../api/client';
import type { Evaluated, Evaluation, Job, JobDocument } from '../api/types';
import type { Server } from './editMachine';
import type { Write } from './entries';

/** What may happen to one call on its way. */
export type Fate =
    | 'arrives'
    | 'is lost on its way'
    | 'is answered and the answer lost'
    | 'is late'
    | 'meets a restart'
    | 'finds nobody signed in';

/** As much of a job's document as the tests need. */
export interface Plan {
    name: string;
    runs: { id: string; legs: { id: string; what: string }[] }[];
    moves?: { id: string }[];
}

export const planOf = (document: JobDocument): Plan => document as unknown as Plan;

/** The line of a run, as its legs say it. */
export const lineOf = (document: JobDocument, run: string): string =>
    planOf(document)
        .runs.find((one) => one.id === run)
        ?.legs.map((leg) => leg.what)
        .join(' / ') ?? '';

const PROBLEM = { ok: false as const, code: '', errors: {}, message: 'no', body: null };

/**
 * A server that keeps revisions and reads lines, after the contract of the real one: it refuses what starts from an
 * older revision, answers
 * a write that is sent again as before, and never changes what it is sent.
 */
export class TestServer implements Server {
    readonly revisions: { plan: string; by: string }[];
    fate: () => Fate = () => 'arrives';
    /** words that it does not take */
    refuses: (plan: Plan) => boolean = () => false;
    signedIn = true;
    evaluations = 0;
    saves = 0;
    private readonly answered = new Map<string, { words: string; result: Result<Job> }>();
    private undone: number[] = [];

    constructor(plan: Plan) {
        this.revisions = [{ plan: JSON.stringify(plan), by: 'me' }];
    }

    job(number = this.revisions.length): Job {
        const document = JSON.parse(this.revisions[number - 1]?.plan ?? '') as JobDocument;
        return {
            id: 'job',
            name: document.name,
            revision: number,
            kept_at: '2026-11-29T10:00:00Z',
            kept_by: this.revisions[number - 1]?.by ?? '',
            can_undo: number > 1,
            can_redo: this.undone.length > 0,
            document,
            evaluation: this.evaluation(document, []),
        };
    }

    readonly happened = (): void => undefined;

    readonly evaluate: Server['evaluate'] = (document, said, signal) =>
        this.call(signal, () => {
            this.evaluations++;
            const plan = JSON.parse(JSON.stringify(document)) as Plan;
            const run = plan.runs.find((one) => one.id === said?.run);
            if (said && run)
                run.legs = said.text === '' ? [] : said.text.split(' / ').map((what, i) => ({ id: `l${i + 1}`, what }));
            if (this.refuses(plan)) return { ...PROBLEM, status: 422 };
            const read = plan as unknown as JobDocument;
            return {
                ok: true,
                data: {
                    document: read,
                    evaluation: this.evaluation(read, said ? [said.text] : []),
                } satisfies Evaluated,
            };
        });

    /** parts that were wanted, and those that an answer brought */
    wanted: readonly string[] = [];
    brought: readonly string[] = [];

    readonly want: Server['want'] = (parts) => {
        this.wanted = parts;
    };

    readonly isMissing: Server['isMissing'] = () => this.wanted.some((part) => !this.brought.includes(part));

    readonly save: Server['save'] = (write, signal) =>
        this.call(signal, () =>
            this.once(write.key, JSON.stringify(write), () => {
                this.saves++;
                return this.from(write.from) ?? this.append(write);
            }),
        );

    readonly step: Server['step'] = (_, way, from, key, signal) =>
        this.call(signal, () =>
            this.once(key, `${way} ${from}`, () => {
                const stale = this.from(from);
                if (stale) return stale;
                const target = way === 'undo' ? this.revisions.length - 2 : (this.undone.pop() ?? 0);
                if (way === 'undo') this.undone.push(this.revisions.length - 1);
                this.revisions.push({ plan: this.revisions[target]?.plan ?? '', by: 'me' });
                return { ok: true, data: this.job() };
            }),
        );

    /** Somebody else changes the job. */
    changedBy(by: string, edit: (plan: Plan) => void): void {
        const plan = JSON.parse(this.revisions.at(-1)?.plan ?? '') as Plan;
        edit(plan);
        this.revisions.push({ plan: JSON.stringify(plan), by });
    }

    private append({ document }: Write): Result<Job> {
        this.undone = [];
        this.revisions.push({ plan: JSON.stringify(document), by: 'me' });
        return { ok: true, data: this.job() };
    }

    private from(from: number): Result<Job> | null {
        if (from === this.revisions.length) return null;
        const others = this.revisions.slice(from).map((revision) => revision.by);
        const changed_by = [...new Set(others.filter((by) => by !== 'me'))];
        return {
            ...PROBLEM,
            status: 409,
            body: { code: 'stale', message: 'changed', changed_by, current: this.job() },
        };
    }

    private once(key: string, words: string, write: () => Result<Job>): Result<Job> {
        const before = this.answered.get(key);
        if (before)
            return before.words === words ? before.result : { ...PROBLEM, status: 422, message: 'another write' };
        const result = write();
        if (result.ok) this.answered.set(key, { words, result });
        return result;
    }

    private async call<T>(signal: AbortSignal, carryOut: () => Result<T>): Promise<Result<T>> {
        const fate = this.fate();
        const wait = (ms: number): Promise<void> =>
            new Promise((resolve, reject) => {
                setTimeout(resolve, ms);
                signal.addEventListener('abort', () => reject(new Error('called off')));
            });
        await wait(5);
        if (fate === 'is lost on its way') {
            await wait(40);
            return { ...PROBLEM, status: 0 };
        }
        if (fate === 'meets a restart') return { ...PROBLEM, status: 502 };
        if (!this.signedIn || fate === 'finds nobody signed in') {
            this.signedIn = false;
            return { ...PROBLEM, status: 401 };
        }
        if (fate === 'is late') await wait(400);
        const result = carryOut();
        if (fate === 'is answered and the answer lost') {
            await wait(40);
            return { ...PROBLEM, status: 0 };
        }
        await wait(5);
        return result;
    }

    private evaluation(document: JobDocument, phrases: string[]): Evaluation {
        this.brought = this.wanted;
        return { phrases, of: JSON.stringify(document), parts: this.wanted } as unknown as Evaluation;
    }
}
