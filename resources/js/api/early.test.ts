// @vitest-environment jsdom
import { afterEach, expect, it, vi } from 'vitest';
import { call } from './client';
import { askEarly, OWNER, pathOfJob, takeEarly } from './early';

const answer = (body: unknown, status = 200): Response =>
    new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

function server(session: () => Promise<Response>) {
    const asked: string[] = [];
    vi.stubGlobal('fetch', (path: string) => {
        asked.push(path);
        return path === '/api/session' ? session() : Promise.resolve(answer({ of: path }));
    });
    return asked;
}

afterEach(() => {
    ['/api/session', '/api/choices'].forEach((path) => void takeEarly(path)?.catch(() => undefined));
    vi.unstubAllGlobals();
    localStorage.clear();
});

it('asks all at once where somebody was signed in, and an answer is taken once', async () => {
    localStorage.setItem(OWNER, 'lead@mill-row.example');
    const asked = server(() => Promise.resolve(answer({})));
    askEarly(['/api/choices']);
    expect(asked).toEqual(['/api/session', '/api/choices']);
    expect(await call('GET', '/api/choices')).toEqual({ ok: true, data: { of: '/api/choices' } });
    expect(asked).toHaveLength(2);
    await call('GET', '/api/choices');
    expect(asked, 'then it is asked anew').toHaveLength(3);
});

it.each([200, 401])('asks the rest only of somebody who is signed in: %i', async (status) => {
    const asked = server(() => Promise.resolve(answer({}, status)));
    askEarly(['/api/choices']);
    await new Promise((then) => setTimeout(then, 5));
    expect(asked.slice(1)).toEqual(status === 200 ? ['/api/choices'] : []);
});

it('asks again what was refused, and hears of a connection that failed', async () => {
    localStorage.setItem(OWNER, 'lead@mill-row.example');
    const asked: string[] = [];
    let status = 401;
    vi.stubGlobal('fetch', (path: string) => {
        asked.push(path);
        return Promise.resolve(answer({}, status));
    });
    askEarly(['/api/choices']);
    status = 200;
    expect(await call('GET', '/api/choices')).toMatchObject({ ok: true });
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no connection')));
    askEarly([]);
    expect(await call('GET', '/api/session')).toMatchObject({ ok: false, status: 0 });
});

it('names a job with what each screen has of it, once', () => {
    expect(pathOfJob('a', ['job', 'run:r'])).toBe('/api/jobs/a?want=job%2Cplaces%2Crun%3Ar');
});
