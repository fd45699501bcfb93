/**
 * What a device keeps of jobs, so that they are read where there is no connection: a job with its evaluation when it is
 * opened, and all that its stations ask for when it is taken along.
 */
import { call, callFile, callFileInTurn, callInTurn, theKeeper, type Result } from './client';
import { EVERY_RUN } from './parts';
import type { DayAsked, LogAnswer } from './queries';
import type { components } from './schema.generated';
import type { JointCard, OfJob, Testing } from './types';
import { zoneOf } from './zone';

type Schemas = components['schemas'];

/** All parts of a job's evaluation that its screens show, whichever they are. */
const PARTS = ['job', 'places', EVERY_RUN, 'fixtures', 'pipes', 'crossings', 'singles'];

/** Nobody waits for it. */
const BACKGROUND = { background: true };

/** What this page kept of each job last: of the next revision only what differs is asked. */
const wholes = new Map<string, Schemas['JobInParts']>();

/** Asks for a job with all parts of its evaluation, so that it can be kept whole: all screens are read from it. */
async function wholeJob(id: string, runs: readonly string[]): Promise<Result<Schemas['JobInParts']>> {
    const before = wholes.get(id);
    const all = [...PARTS, ...runs.map((run) => `cut:${run}`)];
    const want = new URLSearchParams({ want: before ? 'job' : all.join(',') });
    const path = `/api/jobs/${id}?${want.toString()}`;
    const first = await call<Schemas['JobInParts']>('GET', path, undefined, BACKGROUND);
    if (!first.ok || first.fromDevice) return first;
    const { document } = first.data;
    const parts = before ? {} : { ...first.data.parts };
    const ofRuns = document.runs.flatMap((run) => [`run:${run.id}`, `cut:${run.id}`]);
    let later = before ? [...PARTS.filter((name) => name !== EVERY_RUN), ...ofRuns] : first.data.later;
    while (later.length > 0) {
        const asked = later;
        const held = Object.fromEntries(asked.map((name) => [name, before?.parts[name]?.hash ?? '']));
        const body = { job: id, document, want: held };
        const more = await call<Schemas['EvaluatedInParts']>('POST', '/api/evaluate', body, BACKGROUND);
        if (!more.ok) return more;
        // Each answer carries something, or nobody waits for it.
        later = more.data.later.length < asked.length ? more.data.later : [];
        for (const name of asked) {
            const part = more.data.parts[name] ?? (more.data.later.includes(name) ? undefined : before?.parts[name]);
            if (part) parts[name] = part;
        }
        Object.assign(parts, more.data.parts);
    }
    const whole = { ...first.data, parts, later };
    wholes.set(id, whole);
    return { ok: true, data: whole };
}

/** What became of something that this device was to keep. */
export type Kept = { how: 'kept' | 'no-answer' | 'no-room' } | { how: 'refused'; why: string };

const KEPT: Kept = { how: 'kept' };

/** Keeps a job on this device, as it stands on the server: all its screens are read from it without a connection. */
export async function keepWholeJob(id: string, runs: readonly string[]): Promise<Kept> {
    const keeper = await theKeeper();
    if (!keeper) return { how: 'no-room' };
    const whole = await wholeJob(id, runs);
    const came = howCame(whole);
    if (came.how !== 'kept' || !whole.ok) return came;
    return stored(keeper.keepWhole(id, whole.data));
}

/** What became of an answer on its way here. */
function howCame(answer: Result<unknown>): Kept {
    if (answer.ok) return { how: answer.fromDevice ? 'no-answer' : answer.isKept === false ? 'no-room' : 'kept' };
    return answer.status === 0 ? { how: 'no-answer' } : { how: 'refused', why: answer.message };
}

const stored = (keeping: Promise<void>): Promise<Kept> =>
    keeping.then(
        () => KEPT,
        () => ({ how: 'no-room' }),
    );

type Task = () => Promise<Kept>;

const KEEPS = { keeps: true };

const STAGES: Testing['stage'][] = ['rough-in', 'finished', 'buried'];

/** What the stations of a job ask for beside its evaluation. */
function stationTasks(of: OfJob & { job: string }, runs: readonly string[], day: DayAsked): Task[] {
    const zone = zoneOf(new Date());
    const post =
        (path: string, body: object): Task =>
        async () =>
            howCame(await call('POST', path, body, KEEPS));
    const inTurn =
        (path: string, body: object): Task =>
        async () =>
            howCame(await callInTurn(path, body, undefined, true));
    const ofRun = (run: string): Task[] => [
        post('/api/hang', { ...of, run }),
        inTurn('/api/order', { ...of, run }),
        inTurn('/api/day', { ...of, run, ...day }),
        post('/api/joined', { ...of, run }),
        ...STAGES.map((stage) => post('/api/test', { ...of, run, stage, zone })),
        () => keepCards(of, run),
        async () => howCame(await callFile('/api/wrap', { ...of, run, format: 'pdf' }, KEEPS)),
        async () =>
            howCame(await callFileInTurn('/api/ticket', { ...of, run, on: day.start.slice(0, 10) }, undefined, true)),
    ];
    return [
        async () => howCame(await call('GET', `/api/jobs/${of.job}/log?after=0`, undefined, KEEPS)),
        post('/api/record', { ...of, zone }),
        inTurn('/api/materials', { ...of }),
        () => keepCards(of, null),
        ...runs.flatMap(ofRun),
        () => keepPictures(of.job),
    ];
}

/** Keeps the cards of all joints of a run, or of all single ones, each as the answer to the question for it. */
async function keepCards(of: OfJob, run: string | null): Promise<Kept> {
    const keeper = await theKeeper();
    const answer = await callInTurn<{ cards: JointCard[] }>('/api/joints', { ...of, ...(run === null ? {} : { run }) });
    if (!answer.ok || !keeper) return howCame(answer);
    for (const card of answer.data.cards) {
        const which = run === null ? { single: card.key } : { run, joint: card.key };
        const kept = await stored(keeper.keep('POST', '/api/joint', { ...of, ...which }, card));
        if (kept.how !== 'kept') return kept;
    }
    return KEPT;
}

/** How a browser says that it has no room. */
const FULL = 'QuotaExceededError';

/** Keeps the pictures of a job that its log knows. */
async function keepPictures(job: string): Promise<Kept> {
    const keeper = await theKeeper();
    const log = (await keeper?.find('GET', `/api/jobs/${job}/log?after=0`, undefined)) as LogAnswer | undefined;
    for (const { said } of log?.entries ?? []) {
        if (said.hash === undefined) continue;
        const path = `/api/jobs/${job}/photographs/${said.hash}`;
        try {
            await keeper?.keepPicture(path);
        } catch (error) {
            // It did not come, or there is no room for it.
            return { how: error instanceof DOMException && error.name === FULL ? 'no-room' : 'no-answer' };
        }
    }
    return KEPT;
}

/** How far a job is taken along. */
export interface Along {
    /** how much was asked */
    done: number;
    of: number;
    /** what of it the server refused: a run that is not finished is asked nothing, say */
    refused: string[];
}

/**
 * Takes a job along as it is in a revision: asks all that its stations ask, one after the other, and keeps it. Gives
 * 'kept' where all of it is here, or what stopped it; what is refused is told with how far it is and stops nothing. It
 * is stopped by `signal`.
 */
export async function takeAlong(
    revision: number,
    of: OfJob & { job: string },
    day: DayAsked,
    signal: AbortSignal,
    told: (along: Along) => void = () => undefined,
): Promise<'kept' | 'no-answer' | 'no-room' | 'stopped'> {
    const runs = of.document.runs.map((run) => run.id);
    const tasks = [() => keepWholeJob(of.job, runs), ...stationTasks(of, runs, day)];
    const along: Along = { done: 0, of: tasks.length, refused: [] };
    for (const task of tasks) {
        if (signal.aborted) return 'stopped';
        told({ ...along });
        const kept = await task();
        if (kept.how === 'refused') along.refused.push(kept.why);
        else if (kept.how !== 'kept') return kept.how;
        along.done++;
    }
    told({ ...along });
    if (signal.aborted) return 'stopped';
    const said = await stored((await theKeeper())?.setAlong(of.job, revision) ?? Promise.resolve());
    return said.how === 'no-room' ? 'no-room' : 'kept';
}

/** What is kept on this device: how large it is, by job, with the names of those; null where nothing is. */
export async function onThisDevice() {
    const keeper = await theKeeper();
    if (!keeper) return null;
    const sizes = await keeper.sizes();
    const jobs = await Promise.all(
        [...sizes]
            .filter(([job]) => job !== '')
            .map(async ([job, bytes]) => {
                const whole = (await keeper.find('GET', `/api/jobs/${job}?want=job`, undefined)) as
                    { name?: string } | undefined;
                return { job, bytes, name: whole?.name ?? null };
            }),
    );
    return { jobs, bytes: [...sizes.values()].reduce((sum, one) => sum + one, 0) };
}

/** Takes a job off this device, or all that is kept on it. */
export const clearDevice = async (job?: string): Promise<void> => (await theKeeper())?.forget(job);
