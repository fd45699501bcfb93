import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { call, callInTurn, whenSignedOut, write } from './client';

const answers: Response[] = [];
const asked: [string, RequestInit][] = [];

beforeEach(() => {
    vi.stubGlobal('document', { cookie: 'other=1; XSRF-TOKEN=abc%3D%3D' });
    vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
        asked.push([path, init]);
        const answer = answers.shift();
        // A call that no test set up fails the test.
        return answer ? Promise.resolve(answer) : Promise.reject(new TypeError('no route'));
    });
});

afterEach(() => {
    answers.length = 0;
    asked.length = 0;
    vi.unstubAllGlobals();
});

const json = (body: unknown, status = 200): Response =>
    new Response(status === 204 ? null : JSON.stringify(body), { status });

describe('calling the API', () => {
    it('gives the answer, and sends the token of the cookie with every change', async () => {
        answers.push(json({ a: 1 }));
        expect(await call('POST', '/api/x', { b: 2 })).toEqual({ ok: true, data: { a: 1 } });
        const headers = asked[0]?.[1].headers as Record<string, string>;
        expect(headers['X-XSRF-TOKEN']).toBe('abc==');
        expect(asked[0]?.[1].body).toBe('{"b":2}');
    });

    it('sends no token with a question', async () => {
        answers.push(json({}));
        await call('GET', '/api/x');
        expect((asked[0]?.[1].headers as Record<string, string>)['X-XSRF-TOKEN']).toBeUndefined();
    });

    it('gives what was wrong as data, with the place', async () => {
        answers.push(
            json({ message: 'runs.0.size is wrong', code: 'bad-input', errors: { 'runs.0.size': ['is wrong'] } }, 422),
        );
        const result = await call('PUT', '/api/x', {});
        expect(result).toMatchObject({
            ok: false,
            status: 422,
            code: 'bad-input',
            message: 'runs.0.size is wrong',
            errors: { 'runs.0.size': ['is wrong'] },
        });
    });

    it('tells a server that does not answer from one that refuses', async () => {
        expect(await call('GET', '/api/x')).toMatchObject({ ok: false, status: 0, code: 'no-answer' });
        answers.push(new Response('<html>', { status: 502 }));
        expect(await call('GET', '/api/x')).toMatchObject({
            ok: false,
            status: 502,
            message: 'That did not work. Try again.',
        });
        answers.push(json({ message: '' }, 401));
        expect(await call('GET', '/api/x')).toMatchObject({ status: 401, message: 'You are no longer signed in.' });
    });

    it('takes an answer without a body', async () => {
        answers.push(json(null, 204));
        expect(await call('DELETE', '/api/session')).toEqual({ ok: true, data: null });
    });

    it('takes an answer that was cut off on its way for none', async () => {
        answers.push(new Response('{"a":', { status: 200 }));
        expect(await call('GET', '/api/x')).toMatchObject({ ok: false, status: 0, code: 'no-answer' });
    });

    it('fetches another token where the session has ended, and asks again', async () => {
        answers.push(json({}, 419), json({ name: 'lead' }), json({ a: 1 }));
        expect(await call('POST', '/api/x', { b: 2 })).toEqual({ ok: true, data: { a: 1 } });
        expect(asked.map(([path]) => path)).toEqual(['/api/x', '/api/session', '/api/x']);
    });

    it('says when nobody is signed in any more, but not of the question who is', async () => {
        const out = vi.fn();
        whenSignedOut(out);
        answers.push(json({}, 401), json({}, 401));
        await call('GET', '/api/session');
        expect(out).not.toHaveBeenCalled();
        await call('GET', '/api/jobs');
        expect(out).toHaveBeenCalledOnce();
        whenSignedOut(() => undefined);
    });

    it('lets a call that was called off go', async () => {
        const controller = new AbortController();
        controller.abort();
        await expect(call('GET', '/api/x', undefined, { signal: controller.signal })).rejects.toThrow();
    });
});

describe('writing', () => {
    const keys = (): (string | undefined)[] =>
        asked.map(([, init]) => (init.headers as Record<string, string>)['Idempotency-Key']);
    beforeEach(() => vi.useFakeTimers());
    afterEach(() => vi.useRealTimers());
    const written = async (path: string, body: unknown): Promise<unknown> => {
        const result = write('POST', path, body);
        await vi.runAllTimersAsync();
        return result;
    };

    it('is tried again with the same key where no answer came, and is carried out once', async () => {
        answers.push(new Response('', { status: 502 }));
        const result = write('POST', '/api/jobs', { name: 'a' });
        await vi.advanceTimersByTimeAsync(10);
        answers.push(json({ id: 'j' }, 201));
        await vi.runAllTimersAsync();
        expect(await result).toEqual({ ok: true, data: { id: 'j' } });
        expect(keys()).toHaveLength(2);
        expect(new Set(keys()).size).toBe(1);
    });

    it('keeps the key of a write that nobody answered, for the next time that the same is asked', async () => {
        expect(await written('/api/jobs', { name: 'b' })).toMatchObject({ status: 0 });
        const [first] = keys();
        answers.push(json({ id: 'j' }, 201));
        await written('/api/jobs', { name: 'b' });
        expect(keys().at(-1)).toBe(first);
        answers.push(json({ id: 'k' }, 201));
        await written('/api/jobs', { name: 'b' });
        expect(keys().at(-1), 'once answered, the next one is another write').not.toBe(first);
    });

    it('is not tried again where it was refused', async () => {
        answers.push(json({ message: 'no' }, 422));
        expect(await written('/api/jobs', { name: 'c' })).toMatchObject({ status: 422 });
        expect(asked).toHaveLength(1);
    });
});

describe('a heavy question', () => {
    beforeEach(() => vi.useFakeTimers());
    afterEach(() => vi.useRealTimers());

    it('is asked again where too much was asked at once', async () => {
        answers.push(json({ message: 'wait' }, 429), json({ message: 'wait' }, 503), json({ a: 1 }));
        const result = callInTurn('/api/order', {});
        await vi.runAllTimersAsync();
        expect(await result).toEqual({ ok: true, data: { a: 1 } });
        expect(asked).toHaveLength(3);
    });

    it('is called off by its key where nobody waits for it any more', async () => {
        const controller = new AbortController();
        vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
            asked.push([path, init]);
            return new Promise((_, reject) =>
                init.signal?.addEventListener('abort', () => reject(new Error('called off'))),
            );
        });
        const result = callInTurn('/api/order', {}, controller.signal);
        controller.abort();
        await expect(result).rejects.toThrow();
        const key = (asked[0]?.[1].headers as Record<string, string>)['Question-Key'];
        expect(asked[1]?.[0]).toBe(`/api/questions/${key}`);
        expect(asked[1]?.[1]).toMatchObject({ method: 'DELETE', keepalive: true });
    });
});
