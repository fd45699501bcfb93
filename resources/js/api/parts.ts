import type { CuttingReport, Evaluation, JobDocument, NetworkReport, RunReport, Schemas } from './types';

type Phrases = Evaluation['phrases'];
type Head = Omit<Evaluation, 'phrases' | 'runs' | 'network' | 'singles' | 'cuts'> & { counts_flow: boolean };

interface Part {
    hash: string;
    value: unknown;
}

/** What an answer in parts has, whatever it is an answer to. */
interface Answered {
    phrases: Phrases;
    parts: Record<string, Part>;
    later: string[];
}

/** A request: which parts are wanted, with the hashes of those that were held when it was made. */
export interface Asked {
    want: Record<string, string>;
    held: ReadonlyMap<string, Part>;
    /** how often something had happened on site when it was made */
    stale: number;
}

/** Shown on every screen of a job. */
export const ALWAYS = ['job', 'places'];

export const EVERY_RUN = 'run:*';

/**
 * What a page holds of the evaluation of a job, and which parts of it its screens show. The server is told the hashes
 * of what is held, and
 * answers with what says something else: an answer belongs to the request that it was asked with, however late it
 * comes.
 */
export class JobParts {
    private wanted: ReadonlySet<string> = new Set(ALWAYS);
    private held: ReadonlyMap<string, Part> = new Map();
    /** whether all runs are held, whichever there are */
    private hasEveryRun = false;
    /** how often something happened on site that the evaluation rests on, and how often of that is in what is held */
    private stale = 0;
    private fresh = 0;

    /** Says what the screens show from here on. */
    want(names: readonly string[]): void {
        this.wanted = new Set([...ALWAYS, ...names]);
    }

    /** Says that something happened on site: what is held was reckoned without it. */
    happened(): void {
        this.stale++;
    }

    /** Whether something of what the screens show was never asked for, or not since something happened on site. */
    get isMissing(): boolean {
        if (this.fresh < this.stale) return true;
        return [...this.wanted].some((name) => (name === EVERY_RUN ? !this.hasEveryRun : !this.held.has(name)));
    }

    asked(only: ReadonlySet<string> = this.wanted): Asked {
        const names = new Set(only);
        if (only.has(EVERY_RUN))
            [...this.held.keys()].filter((name) => name.startsWith('run:')).forEach((name) => names.add(name));
        return {
            want: Object.fromEntries([...names].map((name) => [name, this.held.get(name)?.hash ?? ''])),
            held: this.held,
            stale: this.stale,
        };
    }

    /** Takes an answer; gives the names of what it left for another request. */
    take({ want, held, stale }: Asked, { parts, later }: Answered, isMore = false): string[] {
        if (!isMore) this.fresh = Math.max(this.fresh, stale);
        const next = new Map(isMore ? this.held : []);
        for (const name of Object.keys({ ...want, ...parts })) {
            const part = parts[name] ?? held.get(name);
            // A plan of sticks that takes long is asked for by itself: nobody waits for it here.
            if (later.includes(name)) {
                if (name.startsWith('cut:')) next.set(name, { hash: '', value: null });
            } else if (part) next.set(name, part);
        }
        this.held = next;
        this.hasEveryRun = isMore ? this.hasEveryRun : EVERY_RUN in want;
        return later.filter((name) => !name.startsWith('cut:'));
    }

    /** Gives the evaluation as far as it is held; lists that nobody wants are empty. */
    evaluation(phrases: Phrases): Evaluation {
        const { counts_flow, ...head } = this.value<Head>('job') as Head;
        const places = this.value<NetworkReport['places']>('places') ?? [];
        const runs = places.flatMap((place) => this.value<RunReport>(`run:${place.run}`) ?? []);
        const cuts = places.flatMap((place) => {
            const cut = this.value<CuttingReport>(`cut:${place.run}`);
            return cut ? [[place.run, cut] as const] : [];
        });
        return {
            ...head,
            phrases,
            runs,
            singles: this.value('singles') ?? [],
            cuts: Object.fromEntries(cuts),
            network: {
                counts_flow,
                places,
                fixtures: this.value('fixtures') ?? [],
                pipes: this.value('pipes') ?? [],
                crossings: this.value('crossings') ?? [],
            },
        };
    }

    private value<T>(name: string): T | null {
        return (this.held.get(name)?.value ?? null) as T | null;
    }
}

const pages = new Map<string, JobParts>();

/** What this page holds of a job. */
export function partsOf(job: string): JobParts {
    const parts = pages.get(job) ?? new JobParts();
    pages.set(job, parts);
    return parts;
}

/** A page is opened: nothing is held of the job any more, and the address of the request names what is shown alone. */
export function partsAnew(job: string): JobParts {
    pages.delete(job);
    return partsOf(job);
}

/** A document that was sent, with what the server made other in it. */
export function withChange(document: JobDocument, { set, gone, runs }: Schemas['DocumentChange']): JobDocument {
    const changed = new Map(runs.map((run) => [run.id, run]));
    const stays = document.runs.map((run) => changed.get(run.id) ?? run);
    const added = runs.filter((run) => document.runs.every((old) => old.id !== run.id));
    const fields = Object.fromEntries(
        Object.entries({ ...document, ...set }).filter(([field]) => !gone.includes(field)),
    );
    return { ...(fields as unknown as JobDocument), runs: [...stays, ...added] };
}
