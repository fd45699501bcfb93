// @vitest-environment jsdom
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { Route, Routes } from 'react-router';
import { beforeEach, expect, it } from 'vitest';
import type { JobRecord, JobRun, RecordedJoint, RunReport, Share } from '../../api/types';
import { evaluatedRuns } from '../../drawing/section/testRuns';
import { Edited, emptyJob, lengthsRead, show, standInServer } from '../../testing/screen';
import { RecordStation } from './RecordStation';
import { ServicesHold } from './ServicesHold';
import { SharedPage } from './SharedPage';

const server = standInServer();
const user = userEvent.setup();
const run = evaluatedRuns(31, 25).filter((one) => one.joints.length > 2)[0] as RunReport;

const joint = (other: Partial<RecordedJoint> = {}): RecordedJoint => ({
    joint: 1,
    mark: '7.1',
    name: 'A into the tee',
    size: '2',
    planned: 'PVC cement',
    method: 'PVC cement',
    part: 'can 7',
    made_at: '2026-11-29T09:00:00+01:00',
    by: 'Anna',
    air_c: null,
    rh_percent: null,
    torque_nm: null,
    dry_at: null,
    depth: true,
    angle: null,
    bead: false,
    note: '',
    trouble: null,
    cut_out: [],
    dry: null,
    dry_by: '',
    located: '',
    pictures: [],
    ...other,
});

const tape = { mm: 100, inch: '4', feet: '4"', metric: '100' };

const record = (other: Partial<JobRecord> = {}): JobRecord => ({
    name: 'Weir Cottage',
    place: 'garden room',
    book: 'IRC 2021',
    units: 'inch',
    from: '2026-11-28T09:00:00+01:00',
    to: '2026-11-29T09:00:00+01:00',
    people: ['Anna'],
    joints: 2,
    made: 1,
    wrong: 0,
    systems: [{ name: 'Basin', stage: 'rough-in', state: 'done' }],
    runs: [
        {
            id: run.id,
            name: 'Basin',
            pipe: 'PVC DWV',
            length: tape,
            fall: tape,
            services: null,
            pieces: [{ letter: 'A', size: '2', cut: tape, came: { ...tape, inch: '3 15/16' } }],
            built: {
                hangers: [
                    { hanger: 1, tape, planned: tape, read: tape, off_mm: 0, move: 'leave' },
                    { hanger: 2, tape, planned: tape, read: tape, off_mm: 6.35, move: 'raise' },
                ],
                error_mm: 1,
                findings: [],
            },
            joints: [
                joint(),
                joint({
                    joint: 2,
                    name: 'tee to B',
                    method: '',
                    part: '',
                    made_at: null,
                    by: '',
                    depth: null,
                    bead: null,
                }),
            ],
            differs: [],
        },
    ],
    tests: [],
    pictures: [{ hash: 'ab', at: '2026-11-29T09:00:00+01:00', by: 'Anna', note: 'The stub' }],
    notes: [{ at: '2026-11-29T09:00:00+01:00', by: 'Anna', note: 'The stub is oval.' }],
    overrides: [{ what: 'fall', value: '10 mm per m', source: 'inspector' }],
    reach: [{ what: 'Basin: cleanout', why: 'Cleanout: room to rod.' }],
    signatures: [
        {
            name: 'R. Halloway',
            role: 'lead',
            at: '2026-11-29T09:00:00+01:00',
            by: 'Anna',
            number: 9,
            hash: 'abc',
            revision: 1,
            brought: false,
            holds: false,
        },
    ],
    entries: 9,
    hash: 'abcdef',
    ...other,
});

const share: Share = {
    id: 3,
    for: 'inspector',
    by: 'Anna',
    created_at: '2026-11-29T09:00:00+01:00',
    expires_at: '2026-12-29T09:00:00+01:00',
    open: true,
};

const emptyRun = (): JobRun => ({ id: 'r', name: 'the branch', legs: [] }) as unknown as JobRun;

let said: { kind: string; name?: string; note?: string; from_mm?: number }[] = [];
let shares: Share[] = [];

beforeEach(() => {
    said = [];
    shares = [];
    const now = (): string => new Date().toISOString();
    server.use(
        lengthsRead,
        http.post('/api/record', () => HttpResponse.json(record())),
        http.get('/api/jobs/:job/shares', () => HttpResponse.json({ shares })),
        http.get('/api/jobs/:job/log', () => HttpResponse.json({ entries: [], length: 0, now: now() })),
        http.post('/api/jobs/:job/log', async ({ request }) => {
            said.push(...((await request.json()) as { entries: typeof said }).entries);
            return HttpResponse.json({ entries: [], length: said.length, now: now() });
        }),
    );
});

const open = (): void => {
    show(
        <Edited document={emptyJob()} evaluation={{}} onDocument={() => undefined}>
            {(editor) => <RecordStation run={run} editor={editor} job="j" />}
        </Edited>,
    );
};

it('shows what stands, what was seen, what is other, and that a signature does not hold any more', async () => {
    open();
    expect(await screen.findByText('1 of 2 joints made. 1 of 1 tested and looked at. Not signed.')).toBeTruthy();
    expect(screen.getByText('PVC cement, can 7')).toBeTruthy();
    expect(screen.getByText('depth mark; bead all round not seen')).toBeTruthy();
    expect(screen.getByText('planned: PVC cement')).toBeTruthy();
    expect(screen.getByText(/came out/)).toBeTruthy();
    expect(screen.getByAltText('The stub').getAttribute('src')).toBe('/api/jobs/j/photographs/ab');
    expect(screen.getByText(/hanger 2 is to be raised by 1\/4 in\./)).toBeTruthy();
    expect(screen.getByText(/Something was added or changed since/)).toBeTruthy();
    for (const text of [/The stub is oval/, /10 mm per m/, /Basin: cleanout/])
        expect(screen.getByText(text)).toBeTruthy();
});

it('is signed with a name, and not without one', async () => {
    open();
    await user.click(await screen.findByRole('button', { name: 'Sign it' }));
    expect(await screen.findByText(/Your name/)).toBeTruthy();
    expect(said).toEqual([]);
    await user.type(screen.getByLabelText('Name'), 'R. Halloway');
    await user.click(screen.getByRole('button', { name: 'Sign it' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'signed', name: 'R. Halloway' }]));
});

it('keeps a note, and where a covered joint lies', async () => {
    open();
    await user.type(await screen.findByLabelText(/What was agreed/), 'Seen by the inspector.');
    await user.click(screen.getByRole('button', { name: 'Note it' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'note', note: 'Seen by the inspector.' }]));
    await user.click(screen.getByText('Where a covered joint lies'));
    await user.click(screen.getByRole('button', { name: 'Keep it' }));
    expect(await screen.findByText(/Two points that will still stand/)).toBeTruthy();
    await user.type(screen.getByLabelText('First fixed point'), 'corner');
    await user.type(screen.getByLabelText('from it'), '40');
    await user.type(screen.getByLabelText('Second fixed point'), 'post');
    await user.type(screen.getByLabelText('from that one'), '60');
    await user.click(screen.getByRole('button', { name: 'Keep it' }));
    await waitFor(() => expect(said.at(-1)).toMatchObject({ kind: 'located', from: 'corner', from_mm: 1016 }));
});

it('makes a link that is shown once, and withdraws one', async () => {
    let withdrawn = '';
    server.use(
        http.post('/api/jobs/:job/shares', () => {
            shares = [share];
            return HttpResponse.json({ share, link: 'http://localhost/shared/token' }, { status: 201 });
        }),
        http.delete('/api/jobs/:job/shares/:id', ({ params }) => {
            withdrawn = String(params.id);
            shares = [{ ...share, open: false }];
            return new HttpResponse(null, { status: 204 });
        }),
    );
    open();
    await user.type(await screen.findByLabelText('For whom'), 'inspector');
    await user.click(screen.getByRole('button', { name: 'Make a link' }));
    expect((await screen.findByRole('link', { name: /shared\/token/ })).getAttribute('href')).toContain(
        '/shared/token',
    );
    expect(screen.getByRole('img', { name: 'The link for a camera' })).toBeTruthy();
    await user.click(await screen.findByRole('button', { name: 'Withdraw' }));
    expect(await screen.findByText(/opens nothing any more/)).toBeTruthy();
    expect(withdrawn).toBe('3');
});

const shared = (): void => {
    show(
        <Routes>
            <Route path="/shared/:token" element={<SharedPage />} />
        </Routes>,
        '/shared/token',
    );
};

it('is read by a link without anything to be done', async () => {
    server.use(
        http.get('/api/shared/:token', () =>
            HttpResponse.json({ for: 'inspector', expires_at: share.expires_at, record: record() }),
        ),
    );
    shared();
    expect(await screen.findByText('1 of 2 joints made. 1 of 1 tested and looked at. Not signed.')).toBeTruthy();
    expect(screen.queryAllByRole('button')).toEqual([]);
});

it('says so where a link opens nothing', async () => {
    server.use(
        http.get('/api/shared/:token', () =>
            HttpResponse.json({ message: 'This link opens nothing any more.', errors: {} }, { status: 404 }),
        ),
    );
    shared();
    expect((await screen.findByRole('alert')).textContent).toContain('opens nothing');
});

it('holds a run in the ground until it is said that the services were located', async () => {
    const buried = { ...emptyRun(), place: { ground: 'buried' as const, access: 'concealed' as const } };
    show(<ServicesHold job="j" run={buried} />);
    await user.click(await screen.findByRole('button', { name: 'They were located' }));
    await user.click(screen.getByRole('button', { name: 'Tick it off' }));
    expect(await screen.findByText(/Say who located them/)).toBeTruthy();
    expect(said).toEqual([]);
    await user.type(screen.getByLabelText(/By whom, when/), 'The network, ticket 4711, red paint');
    await user.click(screen.getByRole('button', { name: 'Tick it off' }));
    await waitFor(() =>
        expect(said).toMatchObject([{ kind: 'services', run: 'r', note: 'The network, ticket 4711, red paint' }]),
    );
});

it('holds nothing once that is said, and again where it is taken back', async () => {
    const entry = { kind: 'services', said: { run: 'r', note: 'red paint' }, at: '2026-11-29T09:00:00Z', by: 'Anna' };
    const back = { kind: 'taken-back', said: { entry: 1 }, at: '2026-11-29T09:05:00Z', by: 'Anna' };
    let entries: object[] = [{ ...entry, number: 1, key: 'a' }];
    server.use(
        http.get('/api/jobs/:job/log', () =>
            HttpResponse.json({ entries, length: entries.length, now: new Date().toISOString() }),
        ),
    );
    const joint = { ...entry, kind: 'joint', said: { run: 'r', joint: 2 }, number: 1, key: 'a' };
    const { unmount } = show(<ServicesHold job="said" run={emptyRun()} />);
    await new Promise((done) => setTimeout(done, 50));
    expect(screen.queryByText(/Nobody digs/)).toBeNull();
    unmount();
    entries = [...entries, { ...back, number: 2, key: 'b' }];
    show(<ServicesHold job="back" run={emptyRun()} />);
    expect(await screen.findByText(/Nobody digs/)).toBeTruthy();
    cleanup();
    // Once a joint is made there, it was dug.
    entries = [joint];
    show(<ServicesHold job="dug" run={emptyRun()} />);
    await new Promise((done) => setTimeout(done, 50));
    expect(screen.queryByText(/Nobody digs/)).toBeNull();
});
