// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { afterEach, expect, it, vi } from 'vitest';
import { keptBy, type Keeper } from '../../api/client';
import type { JobRun } from '../../api/types';
import { Edited, emptyJob, show, standInServer } from '../../testing/screen';
import { TakeAlong } from './TakeAlong';

const server = standInServer();

afterEach(() => keptBy(Promise.resolve(null)));

const run = { id: 'r' } as JobRun;

function keeping(more: Partial<Keeper> = {}) {
    const asked: string[] = [];
    const whole: string[] = [];
    const keeper: Keeper = {
        keep: () => Promise.resolve(),
        find: () => Promise.resolve(undefined),
        keepWhole: (job) => Promise.resolve(void whole.push(job)),
        keepPicture: () => Promise.resolve(),
        setAlong: () => Promise.resolve(),
        alongIn: () => Promise.resolve(null),
        sizes: () => Promise.resolve(new Map()),
        forget: () => Promise.resolve(),
        signedIn: () => Promise.resolve(),
        ...more,
    };
    keptBy(Promise.resolve(keeper));
    server.use(
        http.all('/api/*', ({ request }) => {
            asked.push(new URL(request.url).pathname);
            const cards = [{ key: 'tie-in' }];
            return HttpResponse.json({ document: emptyJob(), parts: {}, later: [], cards });
        }),
    );
    return { asked, whole };
}

const along = (onClose = vi.fn()) =>
    show(
        <Edited document={{ ...emptyJob(), runs: [run] }} evaluation={{}} onDocument={() => undefined}>
            {(editor) => <TakeAlong editor={editor} onClose={onClose} />}
        </Edited>,
    );

it('asks all that the stations of a job ask, keeps the job whole, and says when it is here', async () => {
    const { asked, whole } = keeping();
    along();
    expect(await screen.findByText('It is on this device, and is read without a connection.')).toBeTruthy();
    expect(whole).toEqual(['j']);
    const questions = ['hang', 'order', 'day', 'joined', 'test', 'record', 'materials', 'jobs/j/log', 'wrap', 'ticket'];
    for (const question of questions) expect(asked).toContain(`/api/${question}`);
});

it('keeps the card of each joint as the answer to the question for it, and the pictures of the log', async () => {
    const kept: [string, unknown][] = [];
    const pictures: string[] = [];
    const hash = 'a'.repeat(64);
    keeping({
        keep: (_, path, body) => Promise.resolve(void kept.push([path, body])),
        find: () => Promise.resolve({ entries: [{ said: {} }, { said: { hash } }] }),
        keepPicture: (path) => Promise.resolve(void pictures.push(path)),
    });
    along();
    await screen.findByText(/^It is on this device/);
    const cards = kept.filter(([path]) => path === '/api/joint').map(([, body]) => body);
    const document = { ...emptyJob(), runs: [run] };
    expect(cards).toEqual([
        { job: 'j', document, single: 'tie-in' },
        { job: 'j', document, run: 'r', joint: 'tie-in' },
    ]);
    expect(pictures).toEqual([`/api/jobs/j/photographs/${hash}`]);
});

const full = () => Promise.reject(new Error('no room'));

it.each<[string, Partial<Keeper>]>([
    ['the job itself', { keepWhole: full }],
    ['an answer', { keep: full }],
    ['that it was taken along', { setAlong: full }],
])('says that there is no room where %s is not kept', async (_, more) => {
    keeping(more);
    along();
    expect(await screen.findByText(/^There is no room on this device: \d+ of \d+ are here/)).toBeTruthy();
});

it.each<[string, Error, RegExp]>([
    ['has no room', new DOMException('full', 'QuotaExceededError'), /^There is no room on this device/],
    ['does not come', new TypeError('no connection'), /^No answer from the server/],
])('says what is wrong where a picture %s', async (_, error, said) => {
    keeping({
        find: () => Promise.resolve({ entries: [{ said: { hash: 'a' } }] }),
        keepPicture: () => Promise.reject(error),
    });
    along();
    expect(await screen.findByText(said)).toBeTruthy();
});

it('takes an answer that the device gives for none', async () => {
    keeping({ find: () => Promise.resolve({ document: emptyJob(), parts: {}, later: [], entries: [] }) });
    server.use(http.all('/api/*', () => HttpResponse.error()));
    along();
    expect(await screen.findByText(/^No answer from the server: 0 of \d+ are here/)).toBeTruthy();
});

it('says what the server refused, and goes on with the rest', async () => {
    const taken: number[] = [];
    const { asked } = keeping({ setAlong: (_, revision) => Promise.resolve(void taken.push(revision)) });
    server.use(http.post('/api/order', () => HttpResponse.json({ message: 'No order.' }, { status: 422 })));
    along();
    const said = await screen.findByText(/Of the rest the server said: No order\.$/);
    const [here, of] =
        /^(\d+) of (\d+) are on this device/
            .exec(said.textContent ?? '')
            ?.slice(1)
            .map(Number) ?? [];
    expect(here).toBe((of ?? 0) - 1);
    expect(asked).toContain('/api/test');
    expect(taken, 'it is taken along as far as it can be').toHaveLength(1);
});

it('says how far it came where the connection is lost, and is closed', async () => {
    const user = userEvent.setup();
    keeping();
    server.use(http.post('/api/record', () => HttpResponse.error()));
    const close = vi.fn();
    along(close);
    expect(await screen.findByText(/^No answer from the server: 2 of \d+ are here/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Close' }));
    expect(close).toHaveBeenCalled();
});

it('says where a browser keeps nothing', async () => {
    along();
    await waitFor(() => expect(screen.getByText(/This browser keeps nothing/)).toBeTruthy());
});
