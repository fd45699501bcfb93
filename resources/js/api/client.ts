import { t } from '@lingui/core/macro';
import { forget, jobOf, slimmed } from './differences';
import { takeEarly } from './early';

/** What a call came to: the answer, or what was wrong. Never both. A status of 0 means that no answer came. */
export type Result<T> =
    | {
          ok: true;
          data: T;
          /** no answer came: this is the one that the device had kept */
          fromDevice?: boolean;
          /** whether the device has kept it; said where `keeps` asked for it */
          isKept?: boolean;
      }
    | { ok: false; status: number; code: string; message: string; errors: Record<string, string[]>; body: unknown };

interface ProblemBody {
    message?: string;
    code?: string;
    errors?: Record<string, string[]>;
}

export interface Options {
    signal?: AbortSignal | undefined;
    /** of this write alone: sent again with the same key it is carried out once, and answered as before */
    key?: string | undefined;
    /** what a heavy question is called off by */
    question?: string | undefined;
    /** is sent though the page is left */
    keepalive?: boolean;
    /** nobody waits for it: that it takes long is not shown */
    background?: boolean;
    /** what the page says of itself to others who have the same job open */
    here?: string;
    /** waits until the device has kept the answer, and says whether it has */
    keeps?: boolean;
}

type Read = (response: Response) => Promise<unknown>;

/** What keeps answers on this device, and gives them where none comes from the server. */
export interface Keeper {
    keep: (method: string, path: string, body: unknown, answer: unknown) => Promise<void>;
    find: (method: string, path: string, body: unknown) => Promise<unknown>;
    /** keeps a job with all parts of its evaluation */
    keepWhole: (job: string, answer: unknown) => Promise<void>;
    /** keeps a picture that was not looked at yet */
    keepPicture: (path: string) => Promise<void>;
    /** a job was taken along as it is in a revision */
    setAlong: (job: string, revision: number) => Promise<void>;
    /** the revision that a job was taken along in; null where it was not */
    alongIn: (job: string) => Promise<number | null>;
    /** how much is kept, in bytes by job; '' is what belongs to none */
    sizes: () => Promise<Map<string, number>>;
    /** lets go of what is kept of a job, or of everything */
    forget: (job?: string) => Promise<void>;
    /** somebody is signed in, or nobody any more */
    signedIn: (who: string | null) => Promise<void>;
}

let keeper: Promise<Keeper | null> = Promise.resolve(null);

/** Says what keeps answers; they are asked for once it is there. */
export function keptBy(opened: Promise<Keeper | null>): void {
    keeper = opened;
}

/** What keeps answers on this device; null where nothing does. */
export const theKeeper = (): Promise<Keeper | null> => keeper;

/** Something that screens watch. */
function watched<T>(now: T) {
    const listeners = new Set<() => void>();
    return {
        snapshot: (): T => now,
        subscribe: (listener: () => void): (() => void) => {
            listeners.add(listener);
            return () => listeners.delete(listener);
        },
        set: (next: T): void => {
            if (next === now) return;
            now = next;
            listeners.forEach((listener) => listener());
        },
    };
}

/** Whether what was read last came from this device, since no answer came from the server. */
export const away = watched(false);

/** After so long it is shown that something is on its way. */
const SLOW_MS = 1_000;

/** Whether somebody waits for an answer for longer than a second. */
export const slow = watched(false);

let slowCalls = 0;

/** Begins to wait for an answer; gives what ends it. */
function wait(): () => void {
    const count = (by: number): void => {
        slowCalls += by;
        slow.set(slowCalls > 0);
    };
    let isSlow = false;
    const timer = setTimeout(() => {
        isSlow = true;
        count(1);
    }, SLOW_MS);
    return () => {
        clearTimeout(timer);
        if (isSlow) count(-1);
    };
}

const json: Read = (response) => (response.status === 204 ? Promise.resolve(null) : response.json());

/** Calls the API of the same origin. */
export async function call<T>(method: string, path: string, body?: unknown, options: Options = {}): Promise<Result<T>> {
    return ask<T>(method, path, body, options, json);
}

const file: Read = (response) => (response.ok ? response.blob() : response.json());

/** The same for an answer that is a file. */
export async function callFile(path: string, body: unknown, options: Options = {}): Promise<Result<Blob>> {
    return ask<Blob>('POST', path, body, options, file);
}

/** Heavy questions that are on their way. */
const asked = new Set<string>();

/**
 * A heavy question, which waits for its turn: asked again where too much was asked at once, and called off where nobody
 * waits for it any more.
 */
export const callInTurn = <T>(path: string, body: unknown, signal?: AbortSignal, keeps = false): Promise<Result<T>> =>
    askInTurn<T>(path, body, signal, json, keeps);

/** The same for an answer that is a file. */
export const callFileInTurn = (path: string, body: unknown, signal?: AbortSignal, keeps = false) =>
    askInTurn<Blob>(path, body, signal, file, keeps);

async function askInTurn<T>(
    path: string,
    body: unknown,
    signal: AbortSignal | undefined,
    read: Read,
    keeps = false,
): Promise<Result<T>> {
    const question = newKey();
    const off = (): void => callOff(question);
    signal?.addEventListener('abort', off);
    asked.add(question);
    try {
        let result = await ask<T>('POST', path, body, { signal, question, keeps }, read);
        for (const pause of [700, 1500, 3000]) {
            if (result.ok || (result.status !== 429 && result.status !== 503) || signal?.aborted) break;
            await new Promise((resolve) => setTimeout(resolve, pause));
            result = await ask<T>('POST', path, body, { signal, question, keeps }, read);
        }
        return result;
    } finally {
        signal?.removeEventListener('abort', off);
        asked.delete(question);
    }
}

function callOff(question: string): void {
    void send('DELETE', `/api/questions/${question}`, undefined, { keepalive: true }).catch(() => undefined);
}

if (typeof window !== 'undefined') window.addEventListener('pagehide', () => asked.forEach(callOff));

/** Keys of writes that no answer came to yet, by what was asked. */
const unanswered = new Map<string, string>();

/**
 * A write that is carried out once, however often it is asked for: where no answer came, it is tried twice more with
 * the same key, and the same
 * write asked for again later has it too.
 */
export async function write<T>(method: string, path: string, body?: unknown): Promise<Result<T>> {
    const asked = `${method} ${path} ${JSON.stringify(body ?? null)}`;
    const key = unanswered.get(asked) ?? newKey();
    unanswered.set(asked, key);
    let result = await call<T>(method, path, body, { key });
    for (const pause of [400, 1200]) {
        if (result.ok || !isNoAnswer(result.status)) break;
        await new Promise((resolve) => setTimeout(resolve, pause));
        result = await call<T>(method, path, body, { key });
    }
    if (result.ok || !isNoAnswer(result.status)) unanswered.delete(asked);
    return result;
}

/**
 * Whether nobody knows what became of a call: no answer, or one of a server that stands before the one that was asked.
 */
export const isNoAnswer = (status: number): boolean =>
    status === 0 || status === 408 || status === 429 || status >= 500;

/** How long to wait before the same is asked again, after so many tries without an answer. */
export const retryAfterMs = (tries: number): number => Math.min(500 * 2 ** tries, 8000);

/** Why a call was refused: the reason at the first place that is wrong, or what was said of the whole. */
export const reasonOf = ({ message, errors }: { message: string; errors: Record<string, string[]> }): string =>
    Object.values(errors).flat()[0] ?? message;

/** A key that nothing else has. */
export function newKey(): string {
    const part = (): string => Math.random().toString(36).slice(2, 10);
    return `${Date.now().toString(36)}-${part()}${part()}`;
}

let signedOut: () => void = () => undefined;

/** Says what is to be done when a call finds that the session has ended. */
export function whenSignedOut(then: () => void): void {
    signedOut = then;
}

async function ask<T>(method: string, path: string, body: unknown, options: Options, read: Read): Promise<Result<T>> {
    const { background, here, keeps } = options;
    const over = background || keeps || here !== undefined ? null : wait();
    try {
        return await answered<T>(method, path, body, options, read);
    } finally {
        over?.();
    }
}

async function answered<T>(
    method: string,
    path: string,
    body: unknown,
    options: Options,
    read: Read,
): Promise<Result<T>> {
    let response: Response;
    try {
        const early = method === 'GET' ? await takeEarly(path) : undefined;
        // What was refused early may have been asked before somebody signed in.
        response = early?.ok ? early : await sendSlim(method, path, body, options);
        // The session ended, and its token with it: the next one is fetched, and says whether somebody is still signed
        // in.
        if (response.status === 419) {
            await send('GET', SESSION, undefined, options);
            response = await sendSlim(method, path, body, options);
        }
    } catch (error) {
        if (options.signal?.aborted) throw error;
        return (await keptAnswer<T>(method, path, body)) ?? noAnswer();
    }
    if (response.status === 401 && path !== SESSION) signedOut();
    const answer: unknown = await read(response).catch(() => UNREADABLE);
    // An answer that was cut off on its way is none.
    if (answer === UNREADABLE && response.ok) return (await keptAnswer<T>(method, path, body)) ?? noAnswer();
    away.set(false);
    // Whoever signs out leaves the page: what is kept of them goes before they hear that they are out.
    if (response.ok && path === SESSION) await toldWho(method === 'DELETE' ? null : emailOf(answer));
    if (!response.ok) return problem(response.status, answer);
    const keeping = toKeep(method, path, body, answer);
    return { ok: true, data: answer as T, ...(options.keeps ? { isKept: await keeping } : {}) };
}

const noAnswer = <T>(): Result<T> => problem(0, { code: 'no-answer', message: t`No answer from the server.` });

/** What was answered before, where this device has it. */
async function keptAnswer<T>(method: string, path: string, body: unknown): Promise<Result<T> | null> {
    const before = await (await keeper)?.find(method, path, body).catch(() => undefined);
    if (before === undefined) return null;
    away.set(true);
    return { ok: true, data: before as T, fromDevice: true };
}

/** Says who is signed in. */
async function toldWho(who: string | null): Promise<void> {
    await (await keeper)?.signedIn(who).catch(() => undefined);
}

/** Keeps an answer on this device, and gives whether it is kept: there may be no room, or no database any more. */
async function toKeep(method: string, path: string, body: unknown, answer: unknown): Promise<boolean> {
    const keeping = (await keeper)?.keep(method, path, body, answer);
    return (
        keeping?.then(
            () => true,
            () => false,
        ) ?? false
    );
}

const emailOf = (account: unknown): string | null =>
    typeof account === 'object' && account !== null && 'email' in account ? String(account.email) : null;

const SESSION = '/api/session';

const UNREADABLE = Symbol('unreadable');

/** A document goes as what differs from what the server has; whole where the server does not know that. */
async function sendSlim(method: string, path: string, body: unknown, options: Options): Promise<Response> {
    const job = jobOf(path, body);
    const slim = job === null ? null : await slimmed(job, body as object).catch(() => null);
    if (job === null || slim === null) return send(method, path, body, options);
    const response = await send(method, path, slim, options);
    if (response.status !== 409 || !(await isBaseUnknown(response))) return response;
    forget(job);
    return send(method, path, body, options);
}

async function isBaseUnknown(response: Response): Promise<boolean> {
    const problem = (await response
        .clone()
        .json()
        .catch(() => null)) as ProblemBody | null;
    return problem?.code === 'base-unknown';
}

function send(
    method: string,
    path: string,
    body: unknown,
    { signal, key, question, keepalive, here }: Options,
): Promise<Response> {
    return fetch(path, {
        method,
        credentials: 'same-origin',
        headers: {
            Accept: 'application/json',
            ...(body === undefined ? {} : { 'Content-Type': typeOf(body) }),
            ...(method === 'GET' ? {} : { 'X-XSRF-TOKEN': token() }),
            ...(key === undefined ? {} : { 'Idempotency-Key': key }),
            ...(question === undefined ? {} : { 'Question-Key': question }),
            ...(here === undefined ? {} : { Here: here }),
        },
        ...(keepalive ? { keepalive } : {}),
        ...(body === undefined ? {} : { body: body instanceof Blob ? body : JSON.stringify(body) }),
        ...(signal ? { signal } : {}),
    });
}

/** What is sent as it is says what it is; anything else is JSON. */
const typeOf = (body: unknown): string => (body instanceof Blob ? body.type : 'application/json');

function problem<T>(status: number, body: unknown): Result<T> {
    const { message, code, errors } = (typeof body === 'object' && body !== null ? body : {}) as ProblemBody;
    const plain = status === 401 ? t`You are no longer signed in.` : t`That did not work. Try again.`;
    return { ok: false, status, code: code ?? `http-${status}`, message: message || plain, errors: errors ?? {}, body };
}

function token(): string {
    const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='));
    return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}
