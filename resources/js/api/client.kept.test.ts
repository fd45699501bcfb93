import { afterEach, expect, it, vi } from 'vitest';
import { away, call, keptBy, slow, type Keeper } from './client';

const answer = (body: unknown, status = 200): Response =>
    new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

/** What a device keeps, in memory. */
function keeper() {
    const all = new Map<string, unknown>();
    const people: (string | null)[] = [];
    const key = (method: string, path: string): string => `${method} ${path}`;
    const by: Keeper = {
        keep: (method, path, _, kept) => Promise.resolve(void all.set(key(method, path), kept)),
        find: (method, path) => Promise.resolve(all.get(key(method, path))),
        keepWhole: () => Promise.resolve(),
        keepPicture: () => Promise.resolve(),
        setAlong: () => Promise.resolve(),
        alongIn: () => Promise.resolve(null),
        sizes: () => Promise.resolve(new Map()),
        forget: () => Promise.resolve(all.clear()),
        signedIn: (who) => Promise.resolve(void people.push(who)),
    };
    keptBy(Promise.resolve(by));
    return { all, people };
}

vi.stubGlobal('document', { cookie: '' });

afterEach(() => {
    keptBy(Promise.resolve(null));
    vi.unstubAllGlobals();
    vi.stubGlobal('document', { cookie: '' });
});

it('gives what was answered before where no answer comes, and says that it is from this device', async () => {
    keeper();
    const fetched = vi.fn(() => Promise.resolve(answer({ a: 1 })));
    vi.stubGlobal('fetch', fetched);
    await call('GET', '/api/choices');
    await vi.waitFor(async () => {
        fetched.mockRejectedValueOnce(new TypeError('no connection'));
        expect(await call('GET', '/api/choices')).toEqual({ ok: true, data: { a: 1 }, fromDevice: true });
    });
    expect(away.snapshot()).toBe(true);
    await call('GET', '/api/choices');
    expect(away.snapshot()).toBe(false);
});

it('has no answer to what was never asked, and none in place of a refusal', async () => {
    const { all } = keeper();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no connection')));
    expect(await call('GET', '/api/choices')).toMatchObject({ ok: false, status: 0 });
    all.set('GET /api/choices', { a: 1 });
    vi.stubGlobal('fetch', () => Promise.resolve(answer({ message: 'not yours' }, 404)));
    expect(await call('GET', '/api/choices')).toMatchObject({ ok: false, status: 404 });
});

it('takes an answer that was cut off for none', async () => {
    const { all } = keeper();
    all.set('GET /api/choices', { a: 1 });
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('{"a":', { status: 200 })));
    expect(await call('GET', '/api/choices')).toEqual({ ok: true, data: { a: 1 }, fromDevice: true });
});

it('says who is signed in, and that nobody is any more', async () => {
    const { people } = keeper();
    vi.stubGlobal('fetch', () => Promise.resolve(answer({ email: 'lead@mill-row.example' })));
    await call('POST', '/api/session', {});
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 204 })));
    await call('DELETE', '/api/session');
    await vi.waitFor(() => expect(people).toEqual(['lead@mill-row.example', null]));
});

it('shows that somebody waits for longer than a second, and for nothing that nobody waits for', async () => {
    vi.useFakeTimers();
    const answers: (() => void)[] = [];
    vi.stubGlobal('fetch', () => new Promise((done) => answers.push(() => done(answer({})))));
    const seen = vi.fn();
    const off = slow.subscribe(seen);
    const asked = call('GET', '/api/choices');
    const behind = call('GET', '/api/starts', undefined, { background: true });
    await vi.advanceTimersByTimeAsync(900);
    expect(slow.snapshot()).toBe(false);
    await vi.advanceTimersByTimeAsync(200);
    expect(slow.snapshot()).toBe(true);
    answers.forEach((then) => then());
    await Promise.all([asked, behind]);
    expect(slow.snapshot()).toBe(false);
    expect(seen).toHaveBeenCalledTimes(2);
    off();
    vi.useRealTimers();
});
