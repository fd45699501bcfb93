import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import {
    call,
    callFile,
    callFileInTurn,
    callInTurn,
    isNoAnswer,
    retryAfterMs,
    write,
    type Result,
    newKey,
} from './client';
import { zoneOf } from './zone';
import { serverHas } from './differences';
import { pathOfJob } from './early';
import { partsAnew, partsOf, withChange, type Asked } from './parts';
import type {
    Account,
    Amendments,
    BoardPage,
    BookDifference,
    CataloguePage,
    Choices,
    CoverageRow,
    CrewPrices,
    CutInInput,
    CutInOutput,
    CuttingReport,
    Evaluated,
    Finding,
    HangingReport,
    HowTo,
    HowToAnswer,
    IdentifyInput,
    IdentifyOutput,
    Job,
    JobDocument,
    JobMove,
    JobRecord,
    JointCard,
    JointOutput,
    KeptAmendments,
    KeptPrices,
    LogEntry,
    MadeUp,
    Materials,
    NewShare,
    OfJob,
    OwnEntry,
    RunClosing,
    RunDay,
    RunOrder,
    RunReport,
    Schemas,
    Share,
    SharedRecord,
    SiteEvent,
    Stale,
    Start,
    StartAnswer,
    TestedSystem,
    Testing,
    TrapArmInput,
    TrapArmOutput,
    TrapFitInput,
    TrapFitOutput,
    TrapSealInput,
    TrapSealOutput,
    Units,
} from './types';

/** A failed call, thrown where a query wants an error. */
export class CallFailed extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly body: unknown = null,
    ) {
        super(message);
    }
}

/** What a query answers: a call that failed is thrown. */
export async function orThrow<T>(result: Promise<Result<T>>): Promise<T> {
    const settled = await result;
    if (!settled.ok) throw new CallFailed(settled.status, settled.message, settled.body);
    return settled.data;
}

/** Whether a query failed because no answer came to it, or none of the application's own. */
export const hadNoAnswer = (error: unknown): boolean => error instanceof CallFailed && isNoAnswer(error.status);

/**
 * A question that no answer came to is asked again until one does; what was answered last stays meanwhile. A refusal
 * stands as it is.
 */
const untilAnswered = {
    retry: (tries: number, error: Error): boolean =>
        hadNoAnswer(error) && ((error as CallFailed).status !== 500 || tries < 2),
    retryDelay: retryAfterMs,
};

export const accountQuery = queryOptions({
    queryKey: ['account'],
    queryFn: () => orThrow(call<Account>('GET', '/api/session')),
    retry: false,
    staleTime: Infinity,
});

/** What there is to choose from in forms: it is fetched before anything with a form is shown. */
export const choicesQuery = queryOptions({
    queryKey: ['choices'],
    queryFn: () => orThrow(call<Choices>('GET', '/api/choices')),
    ...untilAnswered,
    staleTime: Infinity,
    gcTime: Infinity,
});

/** Tasks that a job can begin with. */
export const startsQuery = queryOptions({
    queryKey: ['starts'],
    queryFn: () => orThrow(call<{ starts: Start[] }>('GET', '/api/starts')),
    ...untilAnswered,
    staleTime: Infinity,
});

/** How things are done that are no run of pipe. */
export const howTosQuery = (units: Units) =>
    queryOptions({
        queryKey: ['how-tos', units],
        queryFn: () => orThrow(call<{ how_to: HowTo[] }>('GET', `/api/how-to?units=${units}`)),
        ...untilAnswered,
        staleTime: Infinity,
    });

/** What follows from what was measured for one of them. */
export const howToQuery = (id: string, values: Record<string, string>, units: Units) =>
    queryOptions({
        queryKey: ['how-to', id, values, units],
        queryFn: () => orThrow(call<HowToAnswer>('POST', `/api/how-to/${id}`, { values, units })),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });

interface Answers {
    values: Record<string, string>;
    name: string;
    rulebook: string;
}

/** The job that the answers to a start make. */
export const makeStart = (start: string, answers: Answers) =>
    call<{ answer: StartAnswer; document: JobDocument | null }>('POST', `/api/starts/${start}`, answers);

/** The same while they are given. */
export const startedQuery = (start: string, answers: Answers) =>
    queryOptions({
        queryKey: ['started', start, answers],
        queryFn: () => orThrow(makeStart(start, answers)),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });

/** Which jobs of the board are asked for; what is empty asks for any. */
export interface BoardAsked {
    shelf: keyof BoardPage['shelves'];
    search: string;
    station: string;
    person: string;
    project: string;
    order: 'kept' | 'name';
}

/** The board, a page at a time. */
export const boardQuery = (asked: BoardAsked) =>
    infiniteQueryOptions({
        queryKey: ['jobs', asked],
        queryFn: ({ pageParam }) => {
            const said = Object.entries({ ...asked, after: pageParam ?? '' }).filter(([, value]) => value !== '');
            return orThrow(call<BoardPage>('GET', `/api/jobs?${new URLSearchParams(said).toString()}`));
        },
        initialPageParam: null as string | null,
        getNextPageParam: (page) => page.next,
        placeholderData: keepPreviousData,
    });

/** A job with the parts of its evaluation that a screen shows first. */
export const jobQuery = (id: string, wanted: readonly string[]) =>
    queryOptions({
        queryKey: ['job', id],
        queryFn: ({ signal }) => orThrow(openJob(id, wanted, signal)),
        retry: false,
        staleTime: 0,
        gcTime: 0,
        refetchOnWindowFocus: false,
    });

async function openJob(id: string, wanted: readonly string[], signal: AbortSignal): Promise<Result<Job>> {
    const parts = partsAnew(id);
    parts.want(wanted);
    const asked = parts.asked();
    const path = pathOfJob(id, Object.keys(asked.want));
    const result = await call<Schemas['JobInParts']>('GET', path, undefined, { signal });
    return result.ok ? jobOf(result.data, asked, result.data.document, signal) : result;
}

/** A job whose parts were answered, put together; what the answer left out is asked for. */
async function jobOf(
    answer: Schemas['JobInParts'] | Schemas['KeptInParts'],
    asked: Asked,
    document: JobDocument,
    signal?: AbortSignal,
): Promise<Result<Job>> {
    const result = await whole(answer.id, document, asked, answer, signal);
    if (!result.ok) return result;
    const { id, name, revision, kept_at, kept_by, can_undo, can_redo } = answer;
    serverHas(id, revision, document);
    return { ok: true, data: { id, name, revision, kept_at, kept_by, can_undo, can_redo, ...result.data } };
}

/** An evaluation whose parts were answered, put together; a large one comes in several answers. */
async function whole(
    job: string,
    document: JobDocument,
    asked: Asked,
    answer: Schemas['EvaluatedInParts'] | Schemas['JobInParts'] | Schemas['KeptInParts'],
    signal?: AbortSignal,
): Promise<Result<Evaluated>> {
    const parts = partsOf(job);
    let left = parts.take(asked, answer);
    while (left.length > 0) {
        const more = parts.asked(new Set(left));
        const result = await call<Schemas['EvaluatedInParts']>(
            'POST',
            '/api/evaluate',
            { job, document, want: more.want },
            { signal },
        );
        if (!result.ok) return result;
        const still = parts.take(more, result.data, true);
        // Each answer carries something, or nobody waits for it.
        left = still.length < left.length ? still : [];
    }
    return { ok: true, data: { document, evaluation: parts.evaluation(answer.phrases) } };
}

export type CatalogueAsk = { kind: string; search?: string; system?: string; size?: string; rulebook?: string };

export const catalogueQuery = (ask: CatalogueAsk) =>
    queryOptions({
        queryKey: ['catalogue', ask],
        queryFn: () =>
            orThrow(
                call<CataloguePage>(
                    'GET',
                    `/api/catalogue?${new URLSearchParams(ask as Record<string, string>).toString()}`,
                ),
            ),
        placeholderData: keepPreviousData,
    });

/** The pipe systems and the rulebooks, without rows that nobody asked for. */
export const systemsQuery = { ...catalogueQuery({ kind: 'lubricants' }), staleTime: Infinity };

export const ownQuery = queryOptions({
    queryKey: ['own'],
    queryFn: async () => (await orThrow(call<{ own: OwnEntry[] }>('GET', '/api/catalogue/own'))).own,
});

export const keepOwn = (kind: OwnEntry['kind'], entry: Record<string, unknown>) =>
    write<OwnEntry>('POST', '/api/catalogue/own', { kind, entry });
/** What towns and inspectors have otherwise than the books, as the crew keeps it. */
export const amendmentsQuery = queryOptions({
    queryKey: ['amendments'],
    queryFn: async () => (await orThrow(call<{ amendments: KeptAmendments[] }>('GET', '/api/amendments'))).amendments,
});
export const keepAmendments = (amendments: Amendments) =>
    write<{ amendments: KeptAmendments[] }>('PUT', '/api/amendments', amendments);
export const dropAmendments = (id: number) => write<null>('DELETE', `/api/amendments/${id}`);

export const takeBackOwn = (id: number) => write<null>('DELETE', `/api/catalogue/own/${id}`);

/** What a pipe is. Asked again whenever the evidence changes; the last answer stays until the next is there. */
export const identifyQuery = (input: IdentifyInput | null) =>
    queryOptions({
        queryKey: ['identify', input],
        queryFn: () => orThrow(call<IdentifyOutput>('POST', '/api/reckon/identify', input)),
        enabled: input !== null,
        ...untilAnswered,
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });

export const jointQuery = (input: Record<string, unknown> | null) =>
    queryOptions({
        queryKey: ['joint', input],
        queryFn: () => orThrow(call<JointOutput>('POST', '/api/reckon/joint', input)),
        enabled: input !== null,
        ...untilAnswered,
        staleTime: Infinity,
    });

export const jointCardQuery = (of: OfJob, which: { run: string; joint: string } | { single: string } | null) =>
    queryOptions({
        queryKey: ['joint-card', which, of],
        queryFn: () => orThrow(call<JointCard>('POST', '/api/joint', { ...of, ...which })),
        enabled: which !== null,
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });

/** `code`: of a second factor, where one is asked for */
export const signIn = (email: string, password: string, code = '') =>
    call<Account>('POST', '/api/session', { email, password, ...(code === '' ? {} : { code }) });
export const signOut = () => call<null>('DELETE', '/api/session');
/** Of a job that is started the name of its page is wanted, and nothing else. */
interface Started {
    id: string;
    name: string;
}
export const startJob = (given: { name: string; place: string; units: 'inch' | 'mm'; rulebook: string }) =>
    write<Started>('POST', '/api/jobs', { ...given, want: {} });
export const copyJob = (document: JobDocument) => write<Started>('POST', '/api/jobs', { document, want: {} });
/** A new job with the plan of another, and nothing of what was done there. */
export const copyOfJob = (id: string, name: string) =>
    write<Started>('POST', `/api/jobs/${id}/copy`, { name, want: {} });
/** What a job belongs to; empty: to nothing. */
export const putIntoProject = (id: string, project: string) =>
    call<null>('PUT', `/api/jobs/${id}/project`, { project });
export const archiveJob = (id: string) => call<null>('POST', `/api/jobs/${id}/archive`);
export const deleteJob = (id: string) => call<null>('DELETE', `/api/jobs/${id}`);
export const putJobBack = (id: string) => call<null>('POST', `/api/jobs/${id}/put-back`);
export const importJob = (text: string) => write<Started>('POST', '/api/jobs/import', { text, want: {} });
export async function keepJob(
    id: string,
    from: number,
    gesture: string,
    document: JobDocument,
    key: string,
    signal?: AbortSignal,
): Promise<Result<Job>> {
    const asked = partsOf(id).asked();
    const body = { from, gesture, document, want: asked.want };
    const result = await call<Schemas['KeptInParts']>('PUT', `/api/jobs/${id}`, body, { key, signal });
    return result.ok
        ? jobOf(result.data, asked, withChange(document, result.data.changed), signal)
        : met(result, asked, signal);
}
/** Saves one change of a job beside its editing. */
export const saveJob = (id: string, from: number, gesture: string, document: JobDocument) =>
    write<{ revision: number }>('PUT', `/api/jobs/${id}`, { from, gesture, document, want: {} });
export const goBackTo = (id: string, from: number, to: number) =>
    write<{ id: string }>('POST', `/api/jobs/${id}/back`, { from, to, want: {} });
export async function stepJob(
    id: string,
    step: 'undo' | 'redo',
    from: number,
    key: string,
    signal?: AbortSignal,
): Promise<Result<Job>> {
    const asked = partsOf(id).asked();
    const body = { from, want: asked.want };
    const result = await call<Schemas['JobInParts']>('POST', `/api/jobs/${id}/${step}`, body, { key, signal });
    return result.ok ? jobOf(result.data, asked, result.data.document, signal) : met(result, asked, signal);
}
/** A refusal; where the job was changed since, with the other state put together. */
async function met(refused: Result<never>, asked: Asked, signal?: AbortSignal): Promise<Result<Job>> {
    if (refused.ok || refused.status !== 409) return refused;
    const body = refused.body as Schemas['Stale'];
    // Asked in parts it is answered in parts.
    const current = body.current as unknown as Schemas['JobInParts'];
    const job = await jobOf(current, asked, current.document, signal);
    return job.ok ? { ...refused, body: { ...body, current: job.data } satisfies Stale } : job;
}
/**
 * Reads a document, optionally with a line called out for one of its runs, as far as the screens of the job show it.
 */
export async function evaluate(
    job: string,
    document: JobDocument,
    callOut?: { run: string; text: string },
    signal?: AbortSignal,
): Promise<Result<Evaluated>> {
    const asked = partsOf(job).asked();
    const body = { job, document, ...(callOut ? { call_out: callOut } : {}), want: asked.want };
    const result = await call<Schemas['EvaluatedInParts']>('POST', '/api/evaluate', body, { signal });
    return result.ok ? whole(job, withChange(document, result.data.changed), asked, result.data, signal) : result;
}
/** One run of a document as it would be, beside what the screens of the job show. */
export async function evaluateRun(of: OfJob, run: string, signal?: AbortSignal): Promise<Result<RunReport | null>> {
    const name = `run:${run}`;
    const result = await call<Schemas['EvaluatedInParts']>(
        'POST',
        '/api/evaluate',
        { ...of, want: { [name]: '' } },
        { signal },
    );
    return result.ok ? { ok: true, data: (result.data.parts[name]?.value ?? null) as RunReport | null } : result;
}
export async function repeatGroup(
    job: string,
    document: JobDocument,
    run: string,
    step_mm: number,
    times: number,
    mirrored: boolean,
): Promise<Result<Evaluated>> {
    const asked = partsOf(job).asked();
    const body = { job, document, run, step_mm, times, mirrored, want: asked.want };
    const result = await call<Schemas['EvaluatedInParts']>('POST', '/api/repeat', body);
    return result.ok ? whole(job, withChange(document, result.data.changed), asked, result.data) : result;
}
/** What is asked of the ways between two ends of a run. */
export interface MakeUpAsked {
    run: string;
    from_leg?: string;
    to:
        | { leg: string }
        | {
              along_mm: number;
              over_mm: number;
              down_mm: number;
              turn_deg: number;
              fall_mm_per_m?: number;
              plumb?: boolean;
          };
    max_bends?: number;
    clearance_mm?: number;
    obstacles?: NonNullable<Extract<JobMove, { kind: 'ends' }>['obstacles']>;
}
export const makeUp = (of: OfJob, asked: MakeUpAsked) => callInTurn<MadeUp>('/api/make-up', { ...of, ...asked });
interface Order {
    order: RunOrder | null;
    closing: RunClosing | null;
}
/** In what order a run goes together where its ends stand, and which joint is best made last. */
export const orderQuery = (of: OfJob, run: string) =>
    queryOptions({
        queryKey: ['order', run, of],
        queryFn: ({ signal }) => orThrow(callInTurn<Order>('/api/order', { ...of, run }, signal)),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
/** How many join, from when, and when the house can do without its line. */
export interface DayAsked {
    people: 1 | 2;
    start: string;
    closed_to_house?: { from: string; until: string };
}
/** The day in which a run is joined; `logged` is the number of the last entry that it rests on. */
export const dayQuery = (of: OfJob, run: string, asked: DayAsked, logged: number) =>
    queryOptions({
        queryKey: ['day', run, asked, of, logged],
        queryFn: ({ signal }) => orThrow(callInTurn<RunDay>('/api/day', { ...of, run, ...asked }, signal)),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
/** Where the plan says something else than what is joined; `logged` is the number of the last entry of the log. */
export const joinedQuery = (of: OfJob, run: string, logged: number) =>
    queryOptions({
        queryKey: ['joined', run, of, logged],
        queryFn: ({ signal }) =>
            orThrow(call<{ findings: Finding[] }>('POST', '/api/joined', { ...of, run }, { signal })),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
const isHolding = ({ tests }: TestedSystem): boolean => tests.some((test) => test.state === 'holding');
/** How the pipes of a run are tested at a stage; `logged` is the number of the last entry that it rests on. */
export const testQuery = (of: OfJob, run: string, stage: Testing['stage'], hose: number | null, logged: number) =>
    queryOptions({
        queryKey: ['test', run, stage, hose, of, logged],
        queryFn: ({ signal }) =>
            orThrow(
                call<Testing>(
                    'POST',
                    '/api/test',
                    { ...of, run, stage, zone: zoneOf(new Date()), ...(hose === null ? {} : { hose_l_per_min: hose }) },
                    { signal },
                ),
            ),
        ...untilAnswered,
        placeholderData: keepPreviousData,
        // Clocks run out by themselves; the time of a test to the second or two.
        refetchInterval: ({ state }) => (state.data?.system && isHolding(state.data.system) ? 2_000 : 15_000),
    });
/** The record of a job; `logged` is the number of the last entry that it rests on. */
export const recordQuery = (of: OfJob, job: string, logged: number) =>
    queryOptions({
        queryKey: ['record', of, job, logged],
        queryFn: ({ signal }) =>
            orThrow(call<JobRecord>('POST', '/api/record', { ...of, job, zone: zoneOf(new Date()) }, { signal })),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
/** The record as a file. */
export const recordFile = (of: OfJob, job: string, format: 'pdf' | 'csv' | 'geojson', more: object) =>
    callFileInTurn('/api/record/file', { ...of, job, format, zone: zoneOf(new Date()), ...more });
/** Sends a picture; the log names it by its hash. */
export const sendPhotograph = (job: string, picture: Blob) =>
    call<{ hash: string }>('POST', `/api/jobs/${job}/photographs`, picture);
/** Links by which the record is read without an account. */
export const sharesQuery = (job: string) =>
    queryOptions({
        queryKey: ['shares', job],
        queryFn: async () => (await orThrow(call<{ shares: Share[] }>('GET', `/api/jobs/${job}/shares`))).shares,
        ...untilAnswered,
    });
export const makeShare = (job: string, whom: string, days: number) =>
    call<NewShare>('POST', `/api/jobs/${job}/shares`, { for: whom, days });
export const withdrawShare = (job: string, share: number) => call<null>('DELETE', `/api/jobs/${job}/shares/${share}`);
/** The record that a link opens. */
export const sharedQuery = (token: string) =>
    queryOptions({
        queryKey: ['shared', token],
        queryFn: () =>
            orThrow(call<SharedRecord>('GET', `/api/shared/${token}?zone=${encodeURIComponent(zoneOf(new Date()))}`)),
        retry: false,
    });
/** The day in which a run is joined, for a calendar. */
export const dayCalendar = (of: OfJob, run: string, asked: DayAsked) =>
    callFileInTurn('/api/day/calendar', { ...of, run, ...asked });
/** Entries of a log, how many it has, and what the clock of the server says. */
export interface LogAnswer {
    entries: LogEntry[];
    length: number;
    now: string;
    /** who else has the job open; a device does not know */
    here?: There[];
    /** when it came, by the clock of this device, where that is not just now */
    came?: number;
}
/** Somebody who has a job open. */
export interface There {
    name: string;
    /** it is another page of whoever looks */
    me: boolean;
    station: string;
}

const PAGE = 'fall-bend.page';

/** What this tab calls itself to others who have the same job open: after a reload it is the same. */
function pageName(): string {
    const fresh = newKey().slice(-12);
    try {
        const known = sessionStorage.getItem(PAGE);
        if (known === null) sessionStorage.setItem(PAGE, fresh);
        return known ?? fresh;
    } catch {
        return fresh;
    }
}

let page: string | null = null;

const here = (): string => `${(page ??= pageName())} ${location.pathname.split('/')[5] ?? 'route'}`;

/** Says what happened on site. */
export const appendToLog = (job: string, device: string, entries: SiteEvent[]) =>
    call<LogAnswer>('POST', `/api/jobs/${job}/log`, { device, entries });
/** What happened on site; asked for anew every few seconds, since another phone may say something. */
export const logQuery = (job: string) =>
    queryOptions({
        queryKey: ['log', job],
        // Entries are never changed: only those after the last that is known are asked for.
        queryFn: async ({ signal, client, queryKey }) => {
            let all = client.getQueryData<LogAnswer>(queryKey)?.entries ?? [];
            for (;;) {
                const path = `/api/jobs/${job}/log?after=${all.at(-1)?.number ?? 0}`;
                const answer = await orThrow(call<LogAnswer>('GET', path, undefined, { signal, here: here() }));
                // A log that is shorter than what is known of it was put back from a copy: it is read from its start.
                if (answer.length < all.length) {
                    all = [];
                    continue;
                }
                all = [...all, ...answer.entries];
                if (answer.entries.length === 0 || all.length >= answer.length)
                    return { ...answer, entries: all, came: answer.came ?? Date.now() };
            }
        },
        ...untilAnswered,
        // What another says is seen within five seconds.
        refetchInterval: 4_000,
        staleTime: 0,
    });
export type RunView = 'plan' | 'section' | 'isometric';
/** A run as a drawing in an open format; the model has no view, on paper there are all. */
export const runDrawing = (of: OfJob, run: string, format: 'dxf' | 'svg' | 'gltf' | 'pdf', view: RunView) =>
    callFile('/api/drawing', { ...of, run, format, ...(format === 'gltf' || format === 'pdf' ? {} : { view }) });
/** The cut ticket of a run on paper, with the day that stands on it. */
export const ticketPdf = (of: OfJob, run: string, on: string) => callFileInTurn('/api/ticket', { ...of, run, on });
export type JobList = 'cut' | 'materials' | 'joints' | 'hangers' | 'levels' | 'sticks';
/** One list of the job as a table. */
export const jobCsv = (of: OfJob, list: JobList) => callFileInTurn('/api/csv', { ...of, list });
/** All that the job takes, by shelf. */
export const materialsQuery = (of: OfJob, logged: number) =>
    queryOptions({
        queryKey: ['materials', of, logged],
        queryFn: ({ signal }) => orThrow(callInTurn<Materials>('/api/materials', { ...of }, signal)),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
/** What of a book is judged here, clause by clause. */
export const coverageQuery = (book: string) =>
    queryOptions({
        queryKey: ['coverage', book],
        queryFn: () => orThrow(call<{ rows: CoverageRow[] }>('GET', `/api/books/${book}`)),
        staleTime: Infinity,
    });
/** What would be said otherwise of the job under another book. */
export const otherBookQuery = (of: OfJob, rulebook: string, amendments?: Amendments) =>
    queryOptions({
        queryKey: ['books', of, rulebook, amendments],
        queryFn: ({ signal }) =>
            orThrow(callInTurn<{ rows: BookDifference[] }>('/api/books', { ...of, rulebook, amendments }, signal)),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
/** What things and sticks cost the crew, whatever the job. */
export const pricesQuery = queryOptions({
    queryKey: ['prices'],
    queryFn: () => orThrow(call<CrewPrices>('GET', '/api/prices')),
    ...untilAnswered,
});
export const keepPrices = (prices: KeptPrices) => write<CrewPrices>('PUT', '/api/prices', prices);
export const dropPrice = (id: number) => write<null>('DELETE', `/api/prices/${id}`);
/** What is to be cut now, and from which sticks; can be given up. */
export const askCut = (of: OfJob, run: string, signal?: AbortSignal) =>
    callInTurn<CuttingReport>('/api/cut', { ...of, run }, signal);
export const cutQuery = (of: OfJob, run: string, logged: number) =>
    queryOptions({
        queryKey: ['cut', run, of, logged],
        queryFn: ({ signal }) => orThrow(askCut(of, run, signal)),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
/** Where a run is hung, and what hangs between two hangers. */
export const hangQuery = (of: OfJob, run: string, logged: number) =>
    queryOptions({
        queryKey: ['hang', run, of, logged],
        queryFn: () => orThrow(call<HangingReport>('POST', '/api/hang', { ...of, run })),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
export const trapFit = (input: TrapFitInput) => call<TrapFitOutput>('POST', '/api/reckon/trap-fit', input);
export const cutIn = (input: CutInInput) => call<CutInOutput>('POST', '/api/reckon/cut-in', input);
/** Wrap strips in full size: of one piece as SVG, of all of a run as PDF. */
export const wrapStrips = (of: OfJob, run: string, piece: string | null) =>
    callFile('/api/wrap', piece === null ? { ...of, run, format: 'pdf' } : { ...of, run, format: 'svg', piece });
/** What one discharge does to the seal of its trap. */
export const sealQuery = (input: TrapSealInput | null) =>
    queryOptions({
        queryKey: ['trap-seal', input],
        queryFn: ({ signal }) => orThrow(callInTurn<TrapSealOutput>('/api/reckon/trap-seal', input, signal)),
        enabled: input !== null,
        ...untilAnswered,
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });
export const armQuery = (input: TrapArmInput | null) =>
    queryOptions({
        queryKey: ['trap-arm', input],
        queryFn: () => orThrow(call<TrapArmOutput>('POST', '/api/reckon/trap-arm', input)),
        enabled: input !== null,
        ...untilAnswered,
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });
