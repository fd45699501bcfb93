// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { beforeEach, expect, it } from 'vitest';
import type { RunReport, SiteTest, TestedSystem, Testing, TestMethod } from '../../api/types';
import { evaluatedRuns } from '../../drawing/section/testRuns';
import { source } from '../../testing/answers';
import { Edited, emptyJob, show, standInServer } from '../../testing/screen';
import { TestStation } from './TestStation';

const server = standInServer();
const user = userEvent.setup();
const run = evaluatedRuns(31, 25).filter((one) => one.joints.length > 2)[0] as RunReport;
const tape = (mm: number) => ({ mm, inch: `${mm / 25.4}`, feet: `${mm / 304.8}'`, metric: `${mm}` });

const method = (other: Partial<TestMethod> = {}): TestMethod => ({
    kind: 'water',
    name: 'Water',
    say: 'Plug and fill.',
    pass: 'The level stays.',
    unit: 'mm',
    reading: 'level',
    caution: 'Stand beside the plug.',
    required: 3048,
    required_length: tape(3048),
    applied: null,
    stand_min: 0,
    minutes: 15,
    loss_most: 0,
    error: 2,
    per_degree: null,
    refused: null,
    sources: [source('test.rough-in.head')],
    ...other,
});

const system = (other: Partial<TestedSystem> = {}): TestedSystem => ({
    id: run.id,
    name: 'House drain',
    runs: [{ id: run.id, name: 'House drain' }],
    length: tape(9000),
    state: 'ready',
    ready_at: null,
    fill: {
        whole: true,
        where: 'roof',
        standpipe: null,
        above_lowest: tape(6096),
        litres: 161,
        litres_known: true,
        minutes: 13.4,
        kg: 161,
    },
    openings: [
        {
            run: run.id,
            what: 'roof',
            kind: 'roof',
            size: '3',
            do: 'Open: here it runs over.',
            is_fill: true,
            head: tape(0),
            kpa: 0,
            push_n: 0,
        },
        {
            run: run.id,
            what: 'sewer',
            kind: 'socket',
            size: '4',
            do: 'Test plug.',
            is_fill: false,
            head: tape(6096),
            kpa: 59.8,
            push_n: 543,
        },
    ],
    loads: [{ run: run.id, name: 'House drain', litres: 161, hanger_kg: 12, hanger_at: tape(1000) }],
    methods: [method()],
    joints: [
        {
            run: run.id,
            joint: 1,
            mark: '7.1',
            name: 'A into the tee',
            method_name: 'PVC cement',
            check: 'A bead all round.',
            state: 'ready',
            may_fill: null,
            dry: null,
            by: null,
        },
    ],
    checks: [
        { key: 'paper', do: 'Dry paper', say: 'A quarter of an hour.', asked: false, ok: null, by: null, at: null },
    ],
    tests: [],
    findings: [],
    sources: [],
    ...other,
});

const ran = (other: Partial<SiteTest> = {}): SiteTest => ({
    key: 'test-key',
    number: 5,
    what: 'water',
    begun_at: new Date(Date.now() - 300_000).toISOString(),
    by: 'Anna',
    readings: [{ at: new Date(Date.now() - 240_000).toISOString(), value: 0, air_c: null, by: 'Anna', number: 6 }],
    state: 'holding',
    from: new Date(Date.now() - 240_000).toISOString(),
    until: new Date(Date.now() + 660_000).toISOString(),
    loss: 0,
    warmed_c: null,
    ...other,
});

let asked: { stage?: string; hose_l_per_min?: number }[] = [];
let said: { kind: string; value?: number; dry?: boolean; what?: string; check?: string; ok?: boolean }[] = [];

const answering = (tested: TestedSystem, ...others: TestedSystem[]): void =>
    server.use(
        http.post('/api/test', async ({ request }) => {
            const body = (await request.json()) as (typeof asked)[number];
            asked.push(body);
            const answer: Testing = {
                stage: 'rough-in',
                stages: [
                    { key: 'rough-in', name: 'Rough-in', say: '' },
                    { key: 'finished', name: 'Finished', say: '' },
                ],
                book: 'IPC 2021',
                hose_l_per_min: body.hose_l_per_min ?? 12,
                system: tested,
                others: others.map(({ id, name, state }) => ({ id, name, state })),
                singles: [],
            };
            return HttpResponse.json(answer);
        }),
    );

beforeEach(() => {
    asked = [];
    said = [];
    const now = (): string => new Date().toISOString();
    server.use(
        http.get('/api/jobs/:job/log', () => HttpResponse.json({ entries: [], length: said.length, now: now() })),
        http.post('/api/jobs/:job/log', async ({ request }) => {
            said.push(...((await request.json()) as { entries: typeof said }).entries);
            return HttpResponse.json({ entries: [], length: said.length, now: now() });
        }),
    );
});

const test = (): void => {
    show(
        <Edited document={emptyJob()} evaluation={{}} onDocument={() => undefined}>
            {(editor) => <TestStation run={run} editor={editor} job="j" />}
        </Edited>,
    );
};

it('says what is filled from where, and what the water does to each plug', async () => {
    answering(system(), system({ id: 'other', name: 'Yard drain', runs: [{ id: 'other', name: 'Yard drain' }] }));
    test();
    expect(
        await screen.findByText(/Fill from roof until it runs over: 43 gal, 13 min from the hose, 355 lb/),
    ).toBeTruthy();
    expect(screen.getByText(/122 lb on the plug/)).toBeTruthy();
    expect(screen.getByText('fill here')).toBeTruthy();
    expect(screen.getByText(/most on the hanger at 3 ft 3 in: 26 lb/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Yard drain' }).getAttribute('href')).toBe('/jobs/j/runs/other/test');
});

it('asks anew for another stage and another hose, and says what is no flow', async () => {
    answering(system());
    test();
    await user.click(await screen.findByLabelText('Finished'));
    await waitFor(() => expect(asked.at(-1)?.stage).toBe('finished'));
    const hose = screen.getByLabelText(/The hose gives/);
    await user.clear(hose);
    expect(await screen.findByText(/fill a bucket/)).toBeTruthy();
    await user.type(hose, '5');
    await waitFor(() => expect(asked.at(-1)?.hose_l_per_min).toBeCloseTo(18.93, 2));
});

it('begins no test that is refused, and begins the other', async () => {
    const why = {
        rule: 'test.airOnPlastic',
        severity: 'stop',
        where: { leg: null, leg_id: null, piece: null, joint: null, tape_mm: null },
        measured: null,
        limit: null,
        params: {},
        title: 'no air on plastic',
        why: 'PVC is tested here.',
        remedy: 'Test with water.',
        source: null,
    } as const;
    answering(system({ methods: [method(), method({ kind: 'air', name: 'Compressed air', refused: why })] }));
    test();
    expect(await screen.findByText(/PVC is tested here/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /compressed air/ })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Begin: water' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'test-begun', what: 'water' }]));
});

it('takes a reading, says what is none, and ends the test', async () => {
    answering(system({ state: 'running', tests: [ran()] }));
    test();
    expect((await screen.findByRole('timer')).textContent).toMatch(/^1[01]:\d\duntil it has held$/);
    expect(screen.getByText(/lost so far: nothing/)).toBeTruthy();
    await user.type(screen.getByLabelText('The level has fallen by (in)'), 'low');
    await user.click(screen.getByRole('button', { name: 'It shows that now' }));
    expect(await screen.findByText(/a number, such as 0/)).toBeTruthy();
    expect(said).toEqual([]);
    await user.clear(screen.getByLabelText('The level has fallen by (in)'));
    await user.type(screen.getByLabelText('The level has fallen by (in)'), '1/8');
    await user.click(screen.getByRole('button', { name: 'It shows that now' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'reading', test: 'test-key' }]));
    expect(said[0]?.value).toBeCloseTo(-3.175, 9);
    await user.click(screen.getByRole('button', { name: 'End this test' }));
    await waitFor(() => expect(said.at(-1)?.kind).toBe('test-ended'));
});

it('takes how warm it is with a gauge that warmth moves, and says where that is all that moved it', async () => {
    const gas = method({ kind: 'low-air', name: 'Air', unit: 'mm of water', required: 38, minutes: 3, per_degree: 36 });
    const cold = ran({ key: 'before', what: 'low-air', state: 'unsteady', loss: 30, warmed_c: -1, until: null });
    answering(system({ state: 'running', methods: [gas], tests: [ran({ what: 'low-air' }), cold] }));
    test();
    expect(
        await screen.findByText(/One °F warmer or colder moves this gauge by about 13\/16 in of water/),
    ).toBeTruthy();
    expect(
        screen.getByText(/Not judged: it got 1.8 °F colder, which alone moves the gauge by about 1 7\/16 in/),
    ).toBeTruthy();
    await user.type(screen.getByLabelText('The gauge shows (in of water)'), '1 1/2');
    const warmth = screen.getByLabelText('Beside the pipe it is (°F)');
    await user.type(warmth, 'mild');
    await user.click(screen.getByRole('button', { name: 'It shows that now' }));
    expect(await screen.findByText(/The temperature: a number of °F, or nothing/)).toBeTruthy();
    await user.clear(warmth);
    await user.type(warmth, '68');
    await user.click(screen.getByRole('button', { name: 'It shows that now' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'reading', air_c: 20 }]));
});

it('opens at the stage of the last test', async () => {
    server.use(
        http.get('/api/jobs/:job/log', () => {
            const entry = { number: 1, key: 'k', kind: 'test-begun', said: { stage: 'finished' } };
            return HttpResponse.json({ entries: [entry], length: 1, now: new Date().toISOString() });
        }),
    );
    answering(system());
    test();
    await waitFor(() => expect(asked.map((one) => one.stage)).toEqual(['finished']));
});

it('has a test without a gauge judged by whoever looks', async () => {
    const seen = method({ kind: 'seen', name: 'Run and look', unit: '', minutes: null, required: null });
    answering(system({ methods: [seen], tests: [ran({ what: 'seen', state: 'begun', until: null, from: null })] }));
    test();
    await user.click(await screen.findByRole('button', { name: 'Not so: not passed' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'check', check: 'seen', ok: false }]));
});

it('says of a test that is over how it ended, and offers the next', async () => {
    answering(system({ state: 'failed', tests: [ran({ state: 'failed', loss: 12.7, until: null })] }));
    test();
    expect(await screen.findByText(/Not passed: 1\/2 in lost/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Begin: water' })).toBeTruthy();
});

it('keeps what was seen of each joint and of what else is tried', async () => {
    answering(system());
    test();
    const walk = within(await screen.findByRole('region', { name: 'Look at every joint' }));
    await user.click(walk.getByRole('button', { name: 'Wet' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'walk', joint: 1, dry: false }]));
    await user.click(walk.getByRole('button', { name: 'Done' }));
    await waitFor(() => expect(said.at(-1)).toMatchObject({ kind: 'check', check: 'paper', ok: true }));
});
