import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { call, callFile, callFileInTurn, callInTurn, isNoAnswer, retryAfterMs, write, type Result } from './client';
import type {
    Account,
    BoardPage,
    CataloguePage,
    CrewPrices,
    Evaluated,
    IdentifyInput,
    IdentifyOutput,
    Job,
    JobDocument,
    JointCard,
    JointOutput,
    OwnEntry,
    Tape,
    TrapArmInput,
    TrapArmOutput,
    TrapSealInput,
    TrapSealOutput,
    CutInInput,
    TrapFitInput,
    TrapFitOutput,
    CutInOutput,
    MadeUp,
    CuttingReport,
    HangingReport,
    JobMove,
    KeptPrices,
    MaterialRow,
    RunClosing,
    RunOrder,
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

async function orThrow<T>(result: Promise<Result<T>>): Promise<T> {
    const settled = await result;
    if (!settled.ok) throw new CallFailed(settled.status, settled.message, settled.body);
    return settled.data;
}

/** Whether a query failed because no answer came to it, or none of the application's own. */
export const hadNoAnswer = (error: unknown): boolean => error instanceof CallFailed && isNoAnswer(error.status);

/** A question that no answer came to is asked again until one does; what was answered last stays meanwhile. A refusal stands as it is. */
const untilAnswered = {
    retry: (tries: number, error: Error): boolean => hadNoAnswer(error) && ((error as CallFailed).status !== 500 || tries < 2),
    retryDelay: retryAfterMs,
};

export const accountQuery = queryOptions({
    queryKey: ['account'],
    queryFn: () => orThrow(call<Account>('GET', '/api/session')),
    retry: false,
    staleTime: Infinity,
});

/** The board, a page at a time. */
export const boardQuery = infiniteQueryOptions({
    queryKey: ['jobs'],
    queryFn: ({ pageParam }) =>
        orThrow(
            call<BoardPage>('GET', pageParam === null ? '/api/jobs' : `/api/jobs?${new URLSearchParams({ after: pageParam }).toString()}`),
        ),
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
});

export const jobQuery = (id: string) =>
    queryOptions({
        queryKey: ['job', id],
        queryFn: () => orThrow(call<Job>('GET', `/api/jobs/${id}`)),
        retry: false,
        staleTime: 0,
        gcTime: 0,
        refetchOnWindowFocus: false,
    });

export type CatalogueAsk = { kind: string; search?: string; system?: string; size?: string; rulebook?: string };

export const catalogueQuery = (ask: CatalogueAsk) =>
    queryOptions({
        queryKey: ['catalogue', ask],
        queryFn: () =>
            orThrow(call<CataloguePage>('GET', `/api/catalogue?${new URLSearchParams(ask as Record<string, string>).toString()}`)),
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

export const jointCardQuery = (document: JobDocument, which: { run: string; joint: string } | { single: string } | null) =>
    queryOptions({
        queryKey: ['joint-card', which, document],
        queryFn: () => orThrow(call<JointCard>('POST', '/api/joint', { document, ...which })),
        enabled: which !== null,
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });

export const signIn = (email: string, password: string) => call<Account>('POST', '/api/session', { email, password });
export const signOut = () => call<null>('DELETE', '/api/session');
export const startJob = (given: { name: string; place: string; units: 'inch' | 'mm'; rulebook: string }) =>
    write<Job>('POST', '/api/jobs', given);
export const copyJob = (document: JobDocument) => write<Job>('POST', '/api/jobs', { document });
export const importJob = (text: string) => write<Job>('POST', '/api/jobs/import', { text });
export const keepJob = (id: string, from: number, gesture: string, document: JobDocument, key: string, signal?: AbortSignal) =>
    call<Job>('PUT', `/api/jobs/${id}`, { from, gesture, document }, { key, signal });
/** Saves one change of a job beside its editing. */
export const saveJob = (id: string, from: number, gesture: string, document: JobDocument) =>
    write<Job>('PUT', `/api/jobs/${id}`, { from, gesture, document });
export const goBackTo = (id: string, from: number, to: number) => write<Job>('POST', `/api/jobs/${id}/back`, { from, to });
export const stepJob = (id: string, step: 'undo' | 'redo', from: number, key: string, signal?: AbortSignal) =>
    call<Job>('POST', `/api/jobs/${id}/${step}`, { from }, { key, signal });
export const evaluate = (document: JobDocument, callOut?: { run: string; text: string }, signal?: AbortSignal) =>
    call<Evaluated>('POST', '/api/evaluate', callOut ? { document, call_out: callOut } : { document }, { signal });
export const readLength = (text: string, units: 'inch' | 'mm') => call<Tape>('POST', '/api/length', { text, units });
export const repeatGroup = (document: JobDocument, run: string, step_mm: number, times: number, mirrored: boolean) =>
    call<Evaluated>('POST', '/api/repeat', { document, run, step_mm, times, mirrored });
/** What is asked of the ways between two ends of a run. */
export interface MakeUpAsked {
    run: string;
    from_leg?: string;
    to: { leg: string } | { along_mm: number; over_mm: number; down_mm: number; turn_deg: number; fall_mm_per_m?: number; plumb?: boolean };
    max_bends?: number;
    clearance_mm?: number;
    obstacles?: NonNullable<Extract<JobMove, { kind: 'ends' }>['obstacles']>;
}
export const makeUp = (document: JobDocument, asked: MakeUpAsked) => callInTurn<MadeUp>('/api/make-up', { document, ...asked });
interface Order {
    order: RunOrder | null;
    closing: RunClosing | null;
}
/** In what order a run goes together where its ends stand, and which joint is best made last. */
export const orderQuery = (document: JobDocument, run: string) =>
    queryOptions({
        queryKey: ['order', run, document],
        queryFn: ({ signal }) => orThrow(callInTurn<Order>('/api/order', { document, run }, signal)),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
export type RunView = 'plan' | 'section' | 'isometric';
/** A run as a drawing in an open format; the model has no view, on paper there are all. */
export const runDrawing = (document: JobDocument, run: string, format: 'dxf' | 'svg' | 'gltf' | 'pdf', view: RunView) =>
    callFile('/api/drawing', { document, run, format, ...(format === 'gltf' || format === 'pdf' ? {} : { view }) });
/** The cut ticket of a run on paper, with the day that stands on it. */
export const ticketPdf = (document: JobDocument, run: string, on: string) => callFileInTurn('/api/ticket', { document, run, on });
export type JobList = 'cut' | 'materials' | 'joints' | 'hangers' | 'levels' | 'sticks';
/** One list of the job as a table. */
export const jobCsv = (document: JobDocument, list: JobList) => callFileInTurn('/api/csv', { document, list });
/** All that the job takes, by shelf. */
export const materialsQuery = (document: JobDocument) =>
    queryOptions({
        queryKey: ['materials', document],
        queryFn: ({ signal }) => orThrow(callInTurn<{ rows: MaterialRow[]; total: number | null }>('/api/materials', { document }, signal)),
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
export const askCut = (document: JobDocument, run: string, signal?: AbortSignal) =>
    callInTurn<CuttingReport>('/api/cut', { document, run }, signal);
export const cutQuery = (document: JobDocument, run: string) =>
    queryOptions({
        queryKey: ['cut', run, document],
        queryFn: ({ signal }) => orThrow(askCut(document, run, signal)),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
/** Where a run is hung, and what hangs between two hangers. */
export const hangQuery = (document: JobDocument, run: string) =>
    queryOptions({
        queryKey: ['hang', run, document],
        queryFn: () => orThrow(call<HangingReport>('POST', '/api/hang', { document, run })),
        ...untilAnswered,
        placeholderData: keepPreviousData,
    });
export const trapFit = (input: TrapFitInput) => call<TrapFitOutput>('POST', '/api/reckon/trap-fit', input);
export const cutIn = (input: CutInInput) => call<CutInOutput>('POST', '/api/reckon/cut-in', input);
/** Wrap strips in full size: of one piece as SVG, of all of a run as PDF. */
export const wrapStrips = (document: JobDocument, run: string, piece: string | null) =>
    callFile('/api/wrap', piece === null ? { document, run, format: 'pdf' } : { document, run, format: 'svg', piece });
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
