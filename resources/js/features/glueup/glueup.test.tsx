// @vitest-environment jsdom
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { beforeEach, expect, it, vi } from 'vitest';
import type { LogEntry, RunDay, RunReport } from '../../api/types';
import { DayLine } from '../../drawing/day/DayLine';
import { evaluatedRuns } from '../../drawing/section/testRuns';
import { source } from '../../testing/answers';
import { Edited, emptyJob, show, standInServer } from '../../testing/screen';
import type { JobEditor } from '../../editing';
import { withZone } from './asked';
import { GlueUpStation } from './GlueUpStation';
import { handsInWords } from './words';
import { madeNow } from './troubles';

const server = standInServer();
const user = userEvent.setup();
const run = evaluatedRuns(31, 25).filter((one) => one.joints.length > 2)[0] as RunReport;
const [first, second] = run.joints.map((joint) => String(joint.number));
let asked: { people?: number; start?: string; closed_to_house?: { from: string; until: string } }[] = [];

const time = (clock: string): string => `2026-11-25T${clock}+01:00`;

const step = (joint: string | undefined, from: string, until: string, filled: string | null) => ({
    joint: joint ?? '',
    what: 'join' as const,
    who: [1],
    from: time(from),
    until: time(until),
    push_by: time('08:05:12'),
    hold_until: time(until),
    may_move: filled === null ? time(until) : time('08:35:30'),
    may_fill: filled === null ? time(until) : time(filled),
});

const answer = (other: Partial<RunDay> = {}): RunDay => ({
    goes: true,
    unsettled: [],
    day: {
        steps: [
            { ...step(first, '08:00:00', '08:01:00', null), what: 'dry-fit', push_by: null, hold_until: null },
            step(first, '08:02:00', '08:05:30', '09:05:30'),
            step(second, '08:35:30', '08:39:00', null),
        ],
        waits: [{ who: 1, from: time('08:05:30'), until: time('08:35:30') }],
        closed_from: time('08:35:30'),
        open_again: time('08:39:00'),
        hands_on_min: 8,
        earliest_test: time('09:05:30'),
        critical: [{ joint: second ?? '', cause: 'set', after: first ?? '' }],
        bound: time('09:00:00'),
        optimal: false,
    },
    hands: [
        { joint: first ?? '', who: 1, does: 'keeps the tee still against the push' },
        { joint: first ?? '', who: 2, does: 'brings piece B home' },
    ],
    made: [],
    findings: [],
    sources: [source('hands-on.dry-fit')],
    wrong: [],
    repairs: [],
    singles: [],
    ...other,
});

const answering = (day: RunDay): void =>
    server.use(
        http.post('/api/day', async ({ request }) => {
            asked.push((await request.json()) as (typeof asked)[number]);
            return HttpResponse.json(day);
        }),
    );

const entry = (other: Partial<LogEntry>): LogEntry => ({
    number: 1,
    key: 'key-00001',
    kind: 'joint',
    run: run.id,
    joint: Number(first),
    note: '',
    entry: null,
    said: {},
    by: 'Anna',
    device: 'phone',
    made_at: time('08:00:00'),
    happened_at: time('08:00:00'),
    kept_at: time('08:00:00'),
    hash: '',
    ...other,
});

let logged: LogEntry[] = [];
let said: {
    kind: string;
    run?: string;
    joint?: number;
    entry?: number;
    age_s: number;
    depth?: boolean;
}[] = [];
let isAway = false;

beforeEach(() => {
    asked = [];
    logged = [];
    said = [];
    isAway = false;
    localStorage.clear();
    answering(answer());
    const now = (): string => new Date().toISOString();
    server.use(
        http.get('/api/jobs/:job/log', ({ request }) => {
            const after = Number(new URL(request.url).searchParams.get('after'));
            const entries = logged.filter((one) => one.number > after);
            return HttpResponse.json({ entries, length: logged.length, now: now() });
        }),
        http.post('/api/jobs/:job/log', async ({ request }) => {
            if (isAway) return HttpResponse.error();
            const body = (await request.json()) as { entries: typeof said };
            said.push(...body.entries);
            return HttpResponse.json({ entries: [], length: logged.length + said.length, now: now() });
        }),
    );
});

const glue = (): void => {
    show(
        <Edited document={emptyJob()} evaluation={{}} onDocument={() => undefined}>
            {(editor) => <GlueUpStation run={run} editor={editor} base="/jobs/j/runs/r" />}
        </Edited>,
    );
};

it('says when it can be tested, and each joint with its clocks', async () => {
    glue();
    expect(await screen.findByText(/It can be tested from 09:05/)).toBeTruthy();
    expect(screen.getByText(/Nobody flushes from 08:35 to 08:39/)).toBeTruthy();
    expect(screen.getAllByText('home by 08:05:12')).toHaveLength(2);
    expect(screen.getByText('no water before 09:05 (1 h)')).toBeTruthy();
    expect(screen.getByText('water at once')).toBeTruthy();
    expect(screen.getByText(/Nothing to join from 08:05 to 08:35, 30 min/)).toBeTruthy();
    expect(screen.getByText(/Try everything dry/).textContent).toContain('08:00 to 08:01');
});

it('says who holds what of the joint at hand', () => {
    const [one, two] = answer().hands;
    if (!one || !two) throw new Error('no hands');
    expect([handsInWords(one, true), handsInWords(two, true)]).toEqual([
        'Person 1 keeps the tee still against the push.',
        'Person 2 brings piece B home.',
    ]);
    expect(handsInWords(one, false)).toBe('One person keeps the tee still against the push.');
    expect(handsInWords(two, false)).toBe('Person 2 brings piece B home.');
});

it('says what decides it, and that not all orders were gone through', async () => {
    glue();
    await user.click(await screen.findByText('What decides when it can be tested'));
    expect(
        screen.getByText(`Joint 1.${second} at 08:35: joint 1.${first} has to set before it is moved.`),
    ).toBeTruthy();
    expect(screen.getByText(/at best it could be tested at 09:00/)).toBeTruthy();
});

it('asks anew for two people, and for a line that is closed for a while', async () => {
    glue();
    await user.click(await screen.findByLabelText('two'));
    await waitFor(() => expect(asked.at(-1)?.people).toBe(2));
    const day = asked.at(-1)?.start?.slice(0, 10) ?? '';
    const before = asked.length;
    await user.type(screen.getByLabelText(/can do without its line/), '09:00');
    expect(await screen.findByText('Say from when and until when the line is closed.')).toBeTruthy();
    expect(asked.length).toBe(before);
    await user.type(screen.getByLabelText('until'), '10:15');
    await waitFor(() =>
        expect(asked.at(-1)?.closed_to_house).toEqual({
            from: withZone(`${day}T09:00`),
            until: withZone(`${day}T10:15`),
        }),
    );
});

it('says that a joint is made, and asks for the day anew', async () => {
    glue();
    await user.click(await screen.findByRole('button', { name: `Joint 1.${first} is made` }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'joint', joint: Number(first) }]));
    await waitFor(() => expect(asked.length).toBeGreaterThan(1));
});

it('keeps what is tapped while the line is cut, and says so', async () => {
    isAway = true;
    glue();
    await user.click(await screen.findByRole('button', { name: `Joint 1.${second} is made` }));
    expect(await screen.findByText(/kept on this device and not sent yet/)).toBeTruthy();
    const button = screen.getByRole('button', { name: 'Kept, not sent yet' });
    expect(button.hasAttribute('disabled')).toBe(true);
    expect(localStorage.getItem(Object.keys(localStorage).find((key) => key.includes('log')) ?? '')).toContain(
        `"joint":${second}`,
    );
});

it('runs the clocks of what is made, and takes a tap back', async () => {
    logged = [entry({})];
    const after = (minutes: number): string => new Date(Date.now() + minutes * 60_000).toISOString();
    const made = [{ joint: first ?? '', at: time('08:00:00'), may_move: after(5), may_fill: after(65) }];
    answering(answer({ made }));
    glue();
    const timer = await screen.findByRole('timer');
    expect(timer.textContent).toMatch(/^(5:0[01]|4:5\d)joint 1\.\d+ must not be moved$/);
    expect(screen.getByText(/not moved for (5:0[01]|4:5\d)/)).toBeTruthy();
    await user.click(await screen.findByRole('button', { name: 'Not made: take it back' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'taken-back', entry: 1 }]));
});

it('leads to where a joint gets its method', async () => {
    answering(answer({ day: null, unsettled: [4] }));
    glue();
    const link = await screen.findByRole('link', { name: 'choose how it is joined' });
    expect(link.getAttribute('href')).toBe('/jobs/j/runs/r/joints');
    expect(screen.queryByText(/It can be tested/)).toBeNull();
});

it('lets a joint be said to be made where there is no day', async () => {
    answering(answer({ day: null, goes: false }));
    glue();
    await user.click(await screen.findByRole('button', { name: `Joint 1.${second} is made` }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'joint', joint: Number(second) }]));
});

it('leads to what frees a run that does not go together', async () => {
    answering(answer({ day: null, goes: false }));
    glue();
    expect((await screen.findByRole('link', { name: 'Make-up' })).getAttribute('href')).toBe('/jobs/j/runs/r/make-up');
});

it('draws a line for each joint, and marks the joint that is tapped', async () => {
    const { day } = answer();
    const onSelect = vi.fn<(joint: string) => void>();
    if (!day) throw new Error('no day');
    const { container } = render(
        <DayLine day={day} width={600} selected={null} onSelect={onSelect} markOf={(joint) => `7.${joint}`} />,
    );
    const lines = [...container.querySelectorAll('[data-joint]')];
    expect(lines.map((line) => line.querySelector('.day-n')?.textContent)).toEqual([`7.${first}`, `7.${second}`]);
    expect(lines.map((line) => line.getAttribute('data-joint'))).toEqual([first, second]);
    const width = (line: Element | undefined, kind: string): number =>
        Number(line?.querySelector(`.${kind}`)?.getAttribute('width') ?? 0);
    expect(width(lines[0], 'day-cure')).toBeGreaterThan(width(lines[0], 'day-set'));
    expect(width(lines[1], 'day-cure')).toBe(0);
    expect(container.querySelector('.day-closed')).not.toBeNull();
    const line = lines[1];
    if (!line) throw new Error('no line');
    await user.click(line);
    expect(onSelect).toHaveBeenCalledWith(second);
});

const wrong = (other: Partial<RunDay['wrong'][number]> = {}): RunDay['wrong'][number] => ({
    joint: first ?? '',
    entry: 7,
    what: 'moved',
    at: time('08:00:00'),
    by: 'Anna',
    note: 'Crept out.',
    now: 'Push it back.',
    then: 'Cut the joint out.',
    act: 'cut-out',
    ...other,
});

it('leads from what is wrong to what to do, and cuts out what is lost with its fitting', async () => {
    const cemented = run.joints.find((one) => one.fitting !== null && one.method?.startsWith('solvent-'));
    const beside = run.joints.filter((one) => one.fitting === cemented?.fitting).map((one) => String(one.number));
    const made = beside.map((one) => ({ joint: one, at: time('08:00:00'), may_move: null, may_fill: null }));
    answering(answer({ wrong: [wrong({ joint: String(cemented?.number) })], made }));
    glue();
    expect(await screen.findByText(/Crept out/)).toBeTruthy();
    expect(screen.getByText('Push it back.')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'It is cut out' }));
    await waitFor(() => expect(said.map((one) => String(one.joint)).sort()).toEqual(beside.sort()));
    expect(said.every((one) => one.kind === 'cut-out')).toBe(true);
});

it('takes back what is as it should be after all', async () => {
    answering(answer({ wrong: [wrong()] }));
    glue();
    await user.click(await screen.findByRole('button', { name: 'It is as it should be: take it back' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'taken-back', entry: 7 }]));
});

it('says what goes in where a joint was cut out', async () => {
    const tape = { mm: 38.1, inch: '1 1/2', feet: '1 1/2"', metric: '38' };
    const repair = {
        joint: first ?? '',
        joints: [first ?? '', second ?? ''],
        at: time('08:00:00'),
        by: 'Anna',
        fitting: 'long-sweep 90',
        pieces: [
            { letter: 'A', cut_at: tape, new: tape, coupling: 'coupling', whole: false },
            { letter: 'B', cut_at: null, new: tape, coupling: null, whole: true },
        ],
        slip: true,
        enough: false,
    };
    answering(answer({ repairs: [repair] }));
    glue();
    expect(await screen.findByText(/are cut out: what goes in with a new long-sweep 90/)).toBeTruthy();
    expect(screen.getByText(/the whole piece anew/)).toBeTruthy();
    expect(screen.getByText(/one without a stop/)).toBeTruthy();
    expect(screen.getByText(/too short: another stick/)).toBeTruthy();
});

it('keeps what is seen of a joint that is made, and what is not as it should be', async () => {
    logged = [entry({})];
    answering(answer({ made: [{ joint: first ?? '', at: time('08:00:00'), may_move: null, may_fill: null }] }));
    glue();
    await user.click(await screen.findByRole('button', { name: 'not at its mark' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'seen', depth: false }]));
});

it('says how a joint was made as it was shown: its method, its pieces that are known, the weather', () => {
    const long = evaluatedRuns(31, 25).find((one) => one.pieces.length > 1) as RunReport;
    const known = { ...long, pieces: long.pieces.map((piece, n) => ({ ...piece, known: n > 0 })) };
    const [, piece] = known.pieces;
    const joint = long.joints.find((one) => one.key === piece?.joint_from);
    const document = { ...emptyJob(), conditions: { air_c: 12, rh_percent: 60 } };
    const editor = { document } as unknown as JobEditor;
    expect(madeNow(known, String(joint?.number), editor)).toEqual({
        kind: 'joint',
        run: long.id,
        joint: joint?.number,
        method: joint?.method,
        pieces: { [piece?.key ?? '']: piece?.cut.mm },
        air_c: 12,
        rh_percent: 60,
    });
});

const single = (other: Partial<RunDay['singles'][number]> = {}): RunDay['singles'][number] => ({
    id: 'old-hub',
    run: 'single.old-hub',
    name: 'Short length into the old hub',
    method: 'caulked',
    method_name: 'Oakum and lead',
    family: 'lead',
    made: null,
    wrong: null,
    ...other,
});

it('makes the joints outside the runs too, and says what is wrong with one', async () => {
    const at = time('08:00:00');
    answering(
        answer({
            singles: [
                single(),
                single({
                    id: 'b',
                    run: 'single.b',
                    name: 'Closet',
                    made: { joint: '1', at, may_move: at, may_fill: at },
                }),
                single({ id: 'c', run: 'single.c', name: 'Main', wrong: wrong({ then: 'Tighten each band.' }) }),
            ],
        }),
    );
    glue();
    expect(await screen.findByText('Joints outside the runs: 1 of 3 made')).toBeTruthy();
    expect(screen.getByText(/moved: Tighten each band/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Short length into the old hub: made' }));
    await waitFor(() => expect(said).toMatchObject([{ kind: 'joint', run: 'single.old-hub', joint: 1 }]));
    await user.click(screen.getByRole('button', { name: 'off its line' }));
    await waitFor(() => expect(said.at(-1)).toMatchObject({ kind: 'seen', run: 'single.b', angle: false }));
});
