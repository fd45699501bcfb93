/// <reference lib="webworker" />
/*
 * Opens the application where there is no connection: keeps what its pages are made of, and the pictures that were
 * looked at. What pages ask the server for they ask by themselves. It imports nothing: it is served as one script.
 */

/** What the pages of this version are made of; put before this script as it is served. */
declare const SHELL: { version: string; files: string[] };

const scope = self as unknown as ServiceWorkerGlobalScope;

const PREFIX = 'fall-bend.shell.';
const SHELL_CACHE = `${PREFIX}${SHELL.version}`;
const PICTURES = 'fall-bend.pictures';

/** Every address of the interface is the same page. */
const PAGE = '/';

/** So long a page waits for the server before it is opened from this device. */
const PATIENCE_MS = 120;

const isOfBuild = (path: string): boolean => path.startsWith('/build/');
const isPicture = (path: string): boolean => /^\/api\/jobs\/[^/]+\/photographs\/[0-9a-f]{64}$/.test(path);

scope.addEventListener('install', (event) => event.waitUntil(install()));
scope.addEventListener('activate', (event) => event.waitUntil(activate()));
scope.addEventListener('fetch', (event) => {
    const { pathname, origin } = new URL(event.request.url);
    if (event.request.method !== 'GET' || origin !== scope.location.origin) return;
    if (isPicture(pathname)) event.respondWith(once(event.request, PICTURES));
    else if (isOfBuild(pathname) || SHELL.files.includes(pathname)) event.respondWith(once(event.request, SHELL_CACHE));
    else if (event.request.mode === 'navigate' && !pathname.startsWith('/api/')) event.respondWith(page(event.request));
});

/** Nothing is open from this version yet, so that nobody loses what they were entering when it takes over. */
async function install(): Promise<void> {
    try {
        await fetchShell(await caches.open(SHELL_CACHE));
    } catch (error) {
        // Half of a version is none: else it counted as the one before the next.
        await caches.delete(SHELL_CACHE);
        throw error;
    }
    await scope.skipWaiting();
}

async function fetchShell(cache: Cache): Promise<void> {
    await Promise.all(
        [PAGE, ...SHELL.files].map(async (path) => {
            // A file of a build never changes: what an earlier version has of it is the same.
            const before = isOfBuild(path) ? await caches.match(path) : undefined;
            const answer = before ?? (await fetch(path, { cache: 'no-cache' }));
            if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
            await cache.put(path, answer);
        }),
    );
}

/** The version before this one stays: a page of it may be open, and ask for a part that it did not need until now. */
async function activate(): Promise<void> {
    const shells = (await caches.keys()).filter((name) => name.startsWith(PREFIX) && name !== SHELL_CACHE);
    await Promise.all(shells.slice(0, -1).map((name) => caches.delete(name)));
    await scope.clients.claim();
}

/** What never changes: from this device where it is there. */
async function once(request: Request, into: string): Promise<Response> {
    const kept = await caches.match(request.url);
    if (kept) return kept;
    const answer = await fetch(request);
    if (answer.ok) {
        const copy = answer.clone();
        // Without room it is only not there the next time.
        void caches
            .open(into)
            .then((cache) => cache.put(request.url, copy))
            .catch(() => undefined);
    }
    return answer;
}

/** A page: from the server, or from this device where it does not answer, or not soon. */
async function page(request: Request): Promise<Response> {
    const kept = await (await caches.open(SHELL_CACHE)).match(PAGE);
    if (!kept) return fetch(request);
    const late = new Promise<Response>((open) => setTimeout(() => open(kept), PATIENCE_MS));
    const asked = fetch(request).then(
        (answer) => (answer.status >= 500 ? kept : answer),
        () => kept,
    );
    return Promise.race([asked, late]);
}
