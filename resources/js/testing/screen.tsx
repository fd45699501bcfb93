import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, configure, render, type RenderResult } from '@testing-library/react';
import { http, HttpResponse } from 'msw';
import { setupServer, type SetupServerApi } from 'msw/node';
import { useCallback, useRef, useState, type ReactNode } from 'react';
import { MemoryRouter, useLocation } from 'react-router';
import { afterAll, afterEach, beforeAll } from 'vitest';
import { accountQuery, choicesQuery } from '../api/queries';
import type { Account, Choices, Evaluation, JobDocument } from '../api/types';
import { onSite, type Happened, type JobEditor, type Pending } from '../editing';

// A machine that does other things beside shows later; what is never shown fails all the same.
configure({ asyncUtilTimeout: 10_000 });

/**
 * A stand-in for the server of one test file: what a test does not say an answer to is an error of that test, and
 * every test begins anew.
 */
export function standInServer(): SetupServerApi {
    // Most crews keep no amendments: who looks at them answers this anew.
    const server = setupServer(http.get('/api/amendments', () => HttpResponse.json({ amendments: [] })));
    beforeAll(() => {
        stubWhatTheDomLacks();
        server.listen({ onUnhandledRequest: 'error' });
    });
    afterEach(() => {
        cleanup();
        server.resetHandlers();
        localStorage.clear();
    });
    afterAll(() => server.close());
    return server;
}

/** The refusal of a form field, as the server answers it. */
export const refused = (field: string, message: string): HttpResponse<object> =>
    HttpResponse.json({ message, code: 'bad-input', errors: { [field]: [message] } }, { status: 422 });

/** Answers lengths in inches: whole ones, halves and quarters, or millimetres; anything else is none. */
export const lengthsRead = http.post('/api/lengths', async ({ request }) => {
    const { texts } = (await request.json()) as { texts: string[] };
    const lengths = texts.map((text) => {
        const mm = mmOf(text);
        return mm === null
            ? { read: null, problem: `“${text}” is no length.` }
            : { read: { mm, inch: `${mm / 25.4}`, metric: `${Math.round(mm)}` }, problem: null };
    });
    return HttpResponse.json({ lengths });
});

function mmOf(text: string): number | null {
    const read = /^(\d+)(?: (\d)\/(\d))?( mm)?$/.exec(text);
    if (!read) return null;
    const [, whole, above, below, isMm] = read;
    const value = Number(whole) + (above && below ? Number(above) / Number(below) : 0);
    return Math.round((isMm ? value : value * 25.4) * 1000) / 1000;
}

/**
 * Shows a part of the interface at an address, with what there is to choose from, and who is signed in, already
 * there.
 */
export function show(
    what: ReactNode,
    at = '/',
    choices: Choices | null = CHOICES,
    account: Account = ACCOUNT,
): RenderResult {
    const client = new QueryClient({ defaultOptions: { queries: { retryDelay: 1 } } });
    if (choices) {
        client.setQueryData(choicesQuery.queryKey, choices);
        client.setQueryData(accountQuery.queryKey, account);
    }
    return render(
        <QueryClientProvider client={client}>
            <MemoryRouter initialEntries={[at]}>
                {what}
                <Address />
            </MemoryRouter>
        </QueryClientProvider>,
    );
}

/** Where the browser would be. */
function Address() {
    const { pathname, search } = useLocation();
    return <address aria-label="address">{`${pathname}${search}`}</address>;
}

interface EditedProps {
    document: JobDocument;
    evaluation: Partial<Evaluation>;
    onDocument: (document: JobDocument) => void;
    onHappened?: (events: Happened[]) => void;
    children: (editor: JobEditor) => ReactNode;
}

/** Shows a station over a job that changes as it is told to, without a server. */
export function Edited({ document, evaluation, onDocument, onHappened, children }: EditedProps) {
    const [now, setNow] = useState(document);
    const newest = useRef(document);
    const [pending, setPending] = useState<Pending[]>([]);
    const heard = useRef(onHappened);
    const happened = useCallback((events: Happened[]): void => {
        setPending((old) => [
            ...old,
            ...events.map((event) => ({ ...event, key: `key-${old.length}`, at: 0, by: 'me' })),
        ]);
        heard.current?.(events);
    }, []);
    const editor = {
        job: { id: 'j' },
        ofJob: { job: 'j', document: now },
        document: now,
        evaluation: { units: document.units, runs: [], standing: [], building: [], ...evaluation },
        site: { ...onSite([], pending), isKnown: true },
        happened,
        change: (edit: (old: JobDocument) => JobDocument): void => {
            newest.current = edit(newest.current);
            setNow(newest.current);
            onDocument(newest.current);
        },
    };
    return children(editor as unknown as JobEditor);
}

/** The job that a station is shown over: nothing but its head. */
export const emptyJob = (): JobDocument => ({
    format: 'fall-bend-job',
    version: 4,
    name: 'Weir Cottage',
    place: '',
    units: 'inch',
    rulebook: BOOK,
    runs: [],
});

const BOOK: JobDocument['rulebook'] = 'irc-2021';

/** Whoever is signed in. */
const ACCOUNT: Account = { name: 'lead', email: 'lead@mill-row.example', crew: null, second_factor: false, crews: [] };

export const CHOICES = {
    rulebooks: [
        { key: BOOK, name: 'IRC 2021', units: 'inch' },
        { key: 'adh-2015', name: 'Approved Document H', units: 'mm' },
    ],
    fixtures: [],
} as unknown as Choices;

/** Here is no window to look at: nothing has a width, and a drawing waits for one. */
function stubWhatTheDomLacks(): void {
    window.matchMedia = (query: string) => ({ matches: true, media: query }) as MediaQueryList;
    Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, get: () => 900 });
    File.prototype.text = function (this: File): Promise<string> {
        return new Promise((resolve) => {
            const reader = new FileReader();
            reader.onload = () => resolve(reader.result as string);
            reader.readAsText(this);
        });
    };
    globalThis.ResizeObserver = class {
        observe(): void {}
        unobserve(): void {}
        disconnect(): void {}
    };
}
