// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { beforeEach, expect, it } from 'vitest';
import type { BoardPage, JobRow } from '../../api/types';
import { ANNA } from '../../testing/answers';
import { refused, show, standInServer } from '../../testing/screen';
import { Board } from './Board';

const server = standInServer();
const user = userEvent.setup();
/** What was asked of the board, in turn. */
let asked: URLSearchParams[] = [];

const NOTHING = { pieces: 0, pieces_cut: 0, joints: 0, joints_made: 0, test_begun: false, signed: false };
const PEOPLE = [{ id: 1, name: 'Anna' }];
const SHELVES = { open: 1, archived: 0, deleted: 0 };

const row = (id: string, name: string, more: Partial<JobRow> = {}): JobRow => ({
    id,
    name,
    project: '',
    revision: 1,
    kept_at: '2026-11-02T08:00:00Z',
    kept_by: 'Anna',
    summary: {
        units: 'inch',
        rulebook: 'IRC 2021',
        runs: 0,
        drawn_fill: 0.5,
        run: null,
        station: 'route',
        done: NOTHING,
    },
    unreadable: null,
    deleted_by: null,
    gone_on: null,
    ...more,
});

/** Two pages of jobs; what is looked for is looked for in their names. */
function boardOf(first: JobRow[], second: JobRow[] = []): void {
    server.use(
        http.get('/api/jobs', ({ request }) => {
            const query = new URL(request.url).searchParams;
            asked.push(query);
            const all = [...first, ...second];
            const found = all.filter((job) => job.name.includes(query.get('search') ?? ''));
            const isFirst = query.get('after') === null;
            const more = isFirst && second.length > 0 && found.length === all.length;
            const jobs = more ? first : isFirst ? found : second;
            return HttpResponse.json<BoardPage>({
                jobs,
                count: found.length,
                next: more ? 'page-2' : null,
                shelves: SHELVES,
                people: PEOPLE,
                projects: all.some((job) => job.project !== '') ? [{ name: 'Mill flats', jobs: 12, signed: 3 }] : [],
            });
        }),
    );
}

beforeEach(() => {
    asked = [];
    server.use(http.get('/api/session', () => HttpResponse.json(ANNA)));
});

const many = (count: number, from: number): JobRow[] =>
    Array.from({ length: count }, (_, i) => row(`j${from + i}`, `Flat ${from + i}`));

it('shows each job with what comes next, and leads to the run that the act is for', async () => {
    const counts = { legs: 3, stops: 1, warnings: 0, not_known: 0, pieces: 4, pieces_to_cut: 4 };
    const next = { severity: 'stop', why: 'It rises.', remedy: 'Lower the outlet' } as const;
    boardOf([
        row('a', 'Weir Cottage', {
            summary: {
                units: 'inch',
                rulebook: 'IRC 2021',
                runs: 2,
                drawn_fill: 0.5,
                run: {
                    id: 'r2',
                    number: 2,
                    name: 'Kitchen sink',
                    counts: { ...counts, joints: 5, joints_open: 0, joints_refused: 0 },
                    next,
                    drawing: null,
                },
                station: 'route',
                done: NOTHING,
            },
        }),
        row('b', 'Mill Row'),
    ]);
    show(<Board />);
    const link = await screen.findByRole('link', { name: 'Weir Cottage' });
    expect(link.getAttribute('href')).toBe('/jobs/a/runs/r2');
    const first = within(link.closest('article') as HTMLElement);
    expect(first.getByText('Lower the outlet')).toBeTruthy();
    expect(first.getByText('It rises.')).toBeTruthy();
    expect(first.getByText('run 2 of 2, kitchen sink')).toBeTruthy();
    const second = within(screen.getByRole('link', { name: 'Mill Row' }).closest('article') as HTMLElement);
    expect(second.getByText('Say where the first run starts and ends')).toBeTruthy();
});

it('keeps a job that cannot be opened on the board, with the reason', async () => {
    boardOf([row('a', 'Old barn', { summary: null, unreadable: 'Version 9 is newer than this application.' })]);
    show(<Board />);
    await screen.findByText('This job cannot be opened');
    expect(screen.getByText('Version 9 is newer than this application.')).toBeTruthy();
});

it('fetches more jobs when they are asked for, and says how many are shown', async () => {
    boardOf(many(7, 1), many(2, 8));
    show(<Board />);
    await user.click(await screen.findByRole('button', { name: 'More jobs: 7 of 9 are shown' }));
    await screen.findByRole('link', { name: 'Flat 9' });
    expect(asked.at(-1)?.get('after')).toBe('page-2');
    expect(screen.queryByRole('button', { name: /^More jobs/ })).toBeNull();
});

it('looks for a name once it stands still, and offers to order by name', async () => {
    boardOf([...many(7, 1), row('m', 'Mill Row')]);
    show(<Board />);
    await user.type(await screen.findByRole('searchbox'), 'Mill');
    await screen.findByRole('link', { name: 'Mill Row' });
    await waitFor(() => expect(screen.queryByRole('link', { name: 'Flat 1' })).toBeNull());
    expect(asked.map((query) => query.get('search'))).toEqual([null, 'Mill']);
    expect(screen.queryByRole('link', { name: 'Flat 1' })).toBeNull();
    await user.selectOptions(screen.getByLabelText('Order'), 'name');
    await waitFor(() => expect(asked.at(-1)?.get('order')).toBe('name'));
    await user.type(screen.getByRole('searchbox'), 'x');
    await screen.findByText('No job has “Millx” in its name.');
});

it('says that there is no job yet, and offers no search among none', async () => {
    boardOf([]);
    show(<Board />);
    await screen.findByText('No job yet. Name the first one above.');
    expect(screen.queryByRole('searchbox')).toBeNull();
});

it('says when the jobs could not be fetched, and fetches them when told', async () => {
    server.use(http.get('/api/jobs', () => HttpResponse.json({ message: 'The database is away.' }, { status: 422 })));
    show(<Board />);
    expect((await screen.findByRole('alert')).textContent).toContain('The database is away.');
    boardOf([row('a', 'Weir Cottage')]);
    await user.click(screen.getByRole('button', { name: 'Try again' }));
    await screen.findByRole('link', { name: 'Weir Cottage' });
});

it('starts a job with the book that was chosen, in that book’s units', async () => {
    boardOf([]);
    let started: unknown;
    server.use(
        http.post('/api/jobs', async ({ request }) => {
            started = await request.json();
            return HttpResponse.json({ id: 'new', name: 'Lock House' }, { status: 201 });
        }),
    );
    show(<Board />);
    await user.type(screen.getByLabelText(/New job/), '  Lock House ');
    await user.click(screen.getByLabelText(/Approved Document H/));
    await user.click(screen.getByRole('button', { name: 'Start the job' }));
    await waitFor(() => expect(screen.getByLabelText('address').textContent).toBe('/jobs/new'));
    expect(started).toEqual({ name: 'Lock House', place: '', units: 'mm', rulebook: 'adh-2015', want: {} });
});

it('starts no job without a name, and says what is missing', async () => {
    boardOf([]);
    show(<Board />);
    await user.click(screen.getByRole('button', { name: 'Start the job' }));
    expect((await screen.findByRole('alert')).textContent).toContain('Say what the job is called.');
});

it('names the file that could not be taken in, with the reason', async () => {
    boardOf([]);
    server.use(http.post('/api/jobs/import', () => refused('text', 'This is no job file.')));
    show(<Board />);
    await user.upload(screen.getByLabelText('Job file'), new File(['{}'], 'barn.json', { type: 'application/json' }));
    expect((await screen.findByRole('alert')).textContent).toContain('barn.json: This is no job file.');
});

it('says which jobs this browser still holds something of', async () => {
    boardOf([row('a', 'Weir Cottage')]);
    localStorage.setItem('fall-bend draft a tab-1', '{}');
    show(<Board />);
    const status = await screen.findByRole('status');
    expect(status.textContent).toContain('Not saved yet, stored on this device');
    await waitFor(() => expect(within(status).getByRole('link').textContent).toBe('Weir Cottage'));
    expect(within(status).getByRole('link').getAttribute('href')).toBe('/jobs/a');
});

it('deletes a job, says so, and puts it back', async () => {
    boardOf([row('a', 'Weir Cottage')]);
    const did: string[] = [];
    server.use(
        http.delete('/api/jobs/a', () => {
            did.push('deleted');
            return new HttpResponse(null, { status: 204 });
        }),
        http.post('/api/jobs/a/put-back', () => {
            did.push('put back');
            return new HttpResponse(null, { status: 204 });
        }),
    );
    show(<Board />);
    await user.click(await screen.findByRole('button', { name: 'More for Weir Cottage' }));
    await user.click(screen.getByRole('button', { name: 'Delete it' }));
    await screen.findByText(/“Weir Cottage” is deleted\. For 30 days/);
    await user.click(screen.getByRole('button', { name: 'Undo' }));
    await screen.findByText('“Weir Cottage” stands on the board again.');
    expect(did).toEqual(['deleted', 'put back']);
    expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull();
});

it('says why a job could not be archived', async () => {
    boardOf([row('a', 'Weir Cottage')]);
    server.use(http.post('/api/jobs/a/archive', () => refused('id', 'The database is away.')));
    show(<Board />);
    await user.click(await screen.findByRole('button', { name: 'More for Weir Cottage' }));
    await user.click(screen.getByRole('button', { name: 'Archive it' }));
    expect((await screen.findByRole('alert')).textContent).toContain('Weir Cottage: The database is away.');
});

it('asks for the jobs of a station and of a person, and keeps that in the address', async () => {
    boardOf(many(7, 1));
    show(<Board />);
    await user.selectOptions(await screen.findByLabelText('Station'), 'Glue-up');
    await waitFor(() => expect(asked.at(-1)?.get('station')).toBe('glue-up'));
    await user.selectOptions(screen.getByLabelText('Who worked on it'), 'Anna');
    await waitFor(() => expect(asked.at(-1)?.get('person')).toBe('1'));
    expect(screen.getByLabelText('address').textContent).toBe('/?station=glue-up&person=1');
});

it('takes in the files that are dropped on it, and says which it could not', async () => {
    boardOf([row('a', 'Weir Cottage')]);
    server.use(
        http.post('/api/jobs/import', async ({ request }) => {
            const { text } = (await request.json()) as { text: string };
            return text === 'good'
                ? HttpResponse.json({ id: 'b', name: 'Brought' }, { status: 201 })
                : refused('file', 'The file is no job.');
        }),
    );
    show(<Board />);
    await screen.findByRole('link', { name: 'Weir Cottage' });
    const files = [new File(['good'], 'a.json'), new File(['bad'], 'b.json'), new File(['good'], 'c.json')];
    const dataTransfer = { types: ['Files'], files };
    fireEvent.dragOver(window, { dataTransfer });
    await screen.findByText('Let go: each job file becomes a job on the board.');
    fireEvent.drop(window, { dataTransfer });
    await screen.findByText('2 jobs came in.');
    expect(screen.getByRole('alert').textContent).toContain('b.json: The file is no job.');
});

it('copies a job under a name of its own, and opens the copy', async () => {
    boardOf([row('a', 'Weir Cottage')]);
    server.use(
        http.post('/api/jobs/a/copy', async ({ request }) => {
            const { name } = (await request.json()) as { name: string };
            return HttpResponse.json({ id: 'copy', name }, { status: 201 });
        }),
    );
    show(<Board />);
    await user.click(await screen.findByRole('button', { name: 'More for Weir Cottage' }));
    await user.click(screen.getByRole('button', { name: 'Copy it, to begin another' }));
    const name = await screen.findByLabelText<HTMLInputElement>('Name of the new job');
    expect(name.value).toBe('Weir Cottage, copy');
    await user.click(screen.getByRole('button', { name: 'Make the copy' }));
    await waitFor(() => expect(screen.getByLabelText('address').textContent).toBe('/jobs/copy'));
});

it('puts a job into a project, and asks for the jobs of one', async () => {
    const sent: unknown[] = [];
    server.use(
        http.put('/api/jobs/7/project', async ({ request }) => {
            sent.push(await request.json());
            return new HttpResponse(null, { status: 204 });
        }),
    );
    boardOf([row('7', 'Flat 1', { project: 'Mill flats' })]);
    show(<Board />);
    await screen.findByText('of Mill flats');
    await user.selectOptions(screen.getByLabelText('Project'), 'Mill flats');
    await waitFor(() => expect(asked.at(-1)?.get('project')).toBe('Mill flats'));
    screen.getByRole('option', { name: 'Mill flats: 3 of 12 signed' });
    await user.click(await screen.findByRole('button', { name: 'More for Flat 1' }));
    await user.click(await screen.findByText('Put it into a project'));
    const name = await screen.findByLabelText('Project; empty: none');
    await user.clear(name);
    await user.type(name, 'Weir site');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(sent).toEqual([{ project: 'Weir site' }]));
    await waitFor(() => expect(screen.queryByLabelText('Project; empty: none')).toBeNull());
});
