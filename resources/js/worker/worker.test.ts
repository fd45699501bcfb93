import { beforeEach, expect, it, vi } from 'vitest';

/** What the browser calls of a worker, by the name of the event. */
type Handlers = Record<string, (event: unknown) => void>;

const ORIGIN = 'http://localhost';
let stored: Map<string, Map<string, Response>>;
let isFull: boolean;
let server: (path: string) => Promise<Response>;

const pathOf = (asked: string | Request): string =>
    new URL(typeof asked === 'string' ? asked : asked.url, ORIGIN).pathname;

const cacheOf = (name: string) => ({
    match: (asked: string) => Promise.resolve(stored.get(name)?.get(pathOf(asked))?.clone()),
    put: (asked: string, answer: Response) => {
        if (isFull) return Promise.reject(new DOMException('no room', 'QuotaExceededError'));
        stored.get(name)?.set(pathOf(asked), answer);
        return Promise.resolve();
    },
});

const caches = {
    open: (name: string) => {
        if (!stored.has(name)) stored.set(name, new Map());
        return Promise.resolve(cacheOf(name));
    },
    keys: () => Promise.resolve([...stored.keys()]),
    delete: (name: string) => Promise.resolve(stored.delete(name)),
    match: async (asked: string) => {
        for (const name of stored.keys()) {
            const found = await cacheOf(name).match(asked);
            if (found) return found;
        }
        return undefined;
    },
};

beforeEach(() => {
    stored = new Map();
    isFull = false;
    server = (path) => Promise.resolve(new Response(`the server's ${path}`));
    vi.stubGlobal('caches', caches);
    vi.stubGlobal('fetch', (asked: string | Request) => server(pathOf(asked)));
});

/** A worker of a version that was installed and took over, and how it answers. */
async function worker(version: string, files: string[]) {
    vi.resetModules();
    const handlers: Handlers = {};
    vi.stubGlobal('SHELL', { version, files });
    vi.stubGlobal('self', {
        location: { origin: ORIGIN },
        addEventListener: (kind: string, handler: (event: unknown) => void) => (handlers[kind] = handler),
        skipWaiting: () => Promise.resolve(),
        clients: { claim: () => Promise.resolve() },
    });
    await vi.importActual('./worker');
    const done = async (kind: string): Promise<void> => {
        let until: Promise<void> | undefined;
        handlers[kind]?.({ waitUntil: (promise: Promise<void>) => (until = promise) });
        await until;
    };
    await done('install');
    await done('activate');
    return {
        /** What it answers, or null where the browser asks by itself. */
        says: async (path: string, mode = 'no-cors', method = 'GET'): Promise<string | null> => {
            let answer: Promise<Response> | null = null;
            handlers.fetch?.({
                request: { url: `${ORIGIN}${path}`, method, mode },
                respondWith: (given: Promise<Response>) => (answer = given),
            });
            return answer === null ? null : (await (answer as Promise<Response>)).text();
        },
    };
}

const isCut = (): void => {
    server = () => Promise.reject(new TypeError('no connection'));
};

it('opens every page, and the files that it is made of, where there is no connection', async () => {
    const first = await worker('1', ['/build/a.js', '/icon.svg']);
    isCut();
    expect(await first.says('/jobs/7/runs/glaze/route', 'navigate')).toBe("the server's /");
    expect(await first.says('/build/a.js')).toBe("the server's /build/a.js");
    expect(await first.says('/icon.svg')).toBe("the server's /icon.svg");
});

it('leaves to the page what is asked of the server and what is said to it', async () => {
    const first = await worker('1', []);
    expect(await first.says('/api/jobs/7')).toBeNull();
    expect(await first.says('/api/jobs/7/record.pdf', 'navigate')).toBeNull();
    expect(await first.says('/api/jobs/7/log', 'cors', 'POST')).toBeNull();
});

it('opens from the device where the server is being started', async () => {
    const first = await worker('1', []);
    server = () => Promise.resolve(new Response('<html>', { status: 502 }));
    expect(await first.says('/', 'navigate')).toBe("the server's /");
});

it('keeps what an open page of the version before may still ask for, and lets go of what is older', async () => {
    await worker('1', ['/build/old.js']);
    await worker('2', ['/build/before.js']);
    const third = await worker('3', ['/build/new.js']);
    isCut();
    expect(await third.says('/build/before.js')).toBe("the server's /build/before.js");
    expect(await third.says('/build/new.js')).toBe("the server's /build/new.js");
    await expect(third.says('/build/old.js')).rejects.toThrow('no connection');
});

it('fetches of an update only what is new, and nothing of it counts until all of it is there', async () => {
    await worker('1', ['/build/same.js']);
    const asked: string[] = [];
    server = (path) => {
        asked.push(path);
        return Promise.resolve(new Response('new', { status: path === '/build/new.js' ? 503 : 200 }));
    };
    await expect(worker('2', ['/build/same.js', '/build/new.js'])).rejects.toThrow('/build/new.js: 503');
    expect(asked.sort()).toEqual(['/', '/build/new.js']);
});

it('keeps the version before where an update between the two came half', async () => {
    await worker('1', ['/build/open.js']);
    const line = server;
    server = (path) => (path === '/' ? line(path) : Promise.reject(new TypeError('no connection')));
    await expect(worker('2', ['/build/half.js'])).rejects.toThrow('no connection');
    server = line;
    const third = await worker('3', []);
    isCut();
    expect(await third.says('/build/open.js')).toBe("the server's /build/open.js");
});

it('shows a picture that there is no room to keep', async () => {
    const first = await worker('1', []);
    isFull = true;
    const picture = `/api/jobs/7/photographs/${'a'.repeat(64)}`;
    expect(await first.says(picture)).toBe(`the server's ${picture}`);
    isCut();
    await expect(first.says(picture)).rejects.toThrow('no connection');
});

it('keeps a picture that was looked at', async () => {
    const first = await worker('1', []);
    const picture = `/api/jobs/7/photographs/${'b'.repeat(64)}`;
    await first.says(picture);
    isCut();
    expect(await first.says(picture)).toBe(`the server's ${picture}`);
});
