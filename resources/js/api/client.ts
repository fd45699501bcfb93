/** What a call came to: the answer, or what was wrong. Never both. */
export type Result<T> =
    { ok: true; data: T } | { ok: false; status: number; code: string; message: string; errors: Record<string, string[]>; body: unknown };

interface ProblemBody {
    message?: string;
    code?: string;
    errors?: Record<string, string[]>;
}

/** Calls the API of the same origin. A status of 0 means that no answer came. */
export async function call<T>(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<Result<T>> {
    return ask<T>(method, path, body, signal, (response) => (response.status === 204 ? Promise.resolve(null) : response.json()));
}

/** The same for an answer that is a file. */
export async function callFile(path: string, body: unknown): Promise<Result<Blob>> {
    return ask<Blob>('POST', path, body, undefined, (response) => (response.ok ? response.blob() : response.json()));
}

async function ask<T>(
    method: string,
    path: string,
    body: unknown,
    signal: AbortSignal | undefined,
    read: (response: Response) => Promise<unknown>,
): Promise<Result<T>> {
    let response: Response;
    try {
        response = await fetch(path, {
            method,
            credentials: 'same-origin',
            headers: {
                Accept: 'application/json',
                ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
                ...(method === 'GET' ? {} : { 'X-XSRF-TOKEN': token() }),
            },
            ...(body === undefined ? {} : { body: JSON.stringify(body) }),
            ...(signal ? { signal } : {}),
        });
    } catch (error) {
        if (signal?.aborted) throw error;
        return problem(0, { code: 'no-answer', message: 'No answer from the server.' });
    }
    const answer: unknown = await read(response).catch(() => null);
    return response.ok ? { ok: true, data: answer as T } : problem(response.status, answer);
}

function problem<T>(status: number, body: unknown): Result<T> {
    const { message, code, errors } = (body ?? {}) as ProblemBody;
    const plain = status === 401 ? 'You are no longer signed in.' : 'That did not work. Try again.';
    return { ok: false, status, code: code ?? `http-${status}`, message: message || plain, errors: errors ?? {}, body };
}

function token(): string {
    const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='));
    return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}
