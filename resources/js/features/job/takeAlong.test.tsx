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

function keeping() {
    const asked: string[] = [];
    const whole: string[] = [];
    const keeper: Keeper = {
        keep: () => Promise.resolve(),
        find: () => Promise.resolve(undefined),
        keepWhole: (job) => Promise.resolve(void whole.push(job)),
        sizes: () => Promise.resolve(new Map()),
        forget: () => Promise.resolve(),
        signedIn: () => Promise.resolve(),
    };
    keptBy(Promise.resolve(keeper));
    server.use(
        http.all('/api/*', ({ request }) => {
            asked.push(new URL(request.url).pathname);
            return HttpResponse.json({ document: emptyJob(), parts: {}, later: [] });
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
    for (const question of ['hang', 'order', 'day', 'joined', 'test', 'record', 'materials', 'jobs/j/log'])
        expect(asked).toContain(`/api/${question}`);
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
