// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { Route, Routes } from 'react-router';
import { beforeEach, expect, it } from 'vitest';
import { calledOf } from './called';
import type { CatalogueEntry, CataloguePage, OwnEntry } from '../../api/types';
import { identified, source, system } from '../../testing/answers';
import { lengthsRead, refused, show, standInServer } from '../../testing/screen';
import { BenchPage } from './BenchPage';

const server = standInServer();
const user = userEvent.setup();
/** What was asked of the catalogue, in turn. */
let asked: URLSearchParams[] = [];
/** What was kept as the crew's own, in turn. */
let kept: unknown[] = [];

const threshold = { id: 'arm.most', title: 'Longest trap arm', unit: 'mm', note: '', source: source('arm') };
const PAGE: CataloguePage = {
    entries: [],
    systems: [
        system('pvc-dwv-40', 'PVC 40'),
        system('abs-dwv-40', 'ABS 40'),
        system('ci-hub-service', 'Iron hub', { sizes: ['2', '3', '4'], ends: ['plain', 'hub'] }),
        system('cpvc-cts', 'Water tube', { drain: false }),
        system('pvcu-soil', 'Soil', { region: 'uk', sizes: ['110'] }),
    ],
    rulebooks: [
        {
            id: 'irc-2021',
            name: 'IRC 2021',
            units: 'inch',
            thresholds: [{ ...threshold, value: 1829, own_id: null }],
        },
        { id: 'adh-2015', name: 'Approved Document H', units: 'mm', thresholds: [] },
    ],
};

const entry = (row: string, name: string): CatalogueEntry => ({
    table: 'fittings',
    group: 'bends',
    row,
    name,
    maker_name: 'quarter bend',
    also: ['ninety'],
    size: '2',
    system: 'pvc-dwv-40',
    material: 'pvc',
    pattern: 'bend',
    turn_deg: 90,
    family: 'bend',
    numbers: [
        {
            field: 'take_off_mm',
            label: 'take-off',
            value: 58,
            said: '2 1/4 in',
            doubt: null,
            instead_of: null,
            own_id: null,
        },
    ],
    lies: [],
    drawn: {},
    facts: [],
    doubtful: false,
    own: false,
    note: '',
    source: source(row),
});

beforeEach(() => {
    asked = [];
    kept = [];
    const entries = [entry('bend-90', 'quarter bend'), entry('bend-45', 'eighth bend')];
    server.use(
        lengthsRead,
        http.post('/api/reckon/identify', () => HttpResponse.json(identified())),
        http.get('/api/catalogue', ({ request }) => {
            const query = new URL(request.url).searchParams;
            if (query.get('kind') === 'lubricants' && query.size === 1) return HttpResponse.json(PAGE);
            asked.push(query);
            const found = entries.filter((one) => one.name.includes(query.get('search') ?? ''));
            return HttpResponse.json({ ...PAGE, entries: found });
        }),
    );
});

/** The bench at one of its tabs. */
function bench(at: string): void {
    show(
        <Routes>
            <Route path="/bench/:tab" element={<BenchPage />} />
        </Routes>,
        at,
    );
}

it('takes a pipe that was identified to what joins it', async () => {
    server.use(http.post('/api/joint', () => refused('document', 'not asked here')));
    bench('/bench/identify');
    await user.type(screen.getByLabelText('Across it'), '2 3/8{Enter}');
    await user.click(await screen.findByRole('button', { name: 'What joins PVC 40 to mine' }));
    const there = within(await screen.findByRole('region', { name: 'The two ends' }));
    await waitFor(() => expect(there.getByLabelText<HTMLSelectElement>('Pipe').value).toBe('pvc-dwv-40'));
    expect(screen.getByText('Say what your own pipe is.')).toBeTruthy();
});

it('asks what joins two ends as a job of this one joint, under the book that was chosen', async () => {
    const joints: { document: { rulebook: string; single_joints: unknown[] } }[] = [];
    server.use(
        http.post('/api/joint', async ({ request }) => {
            joints.push((await request.json()) as (typeof joints)[number]);
            return refused('document', 'not asked here');
        }),
    );
    bench('/bench/joins?b=ci-hub-service&size=3&end=hub');
    const ends = within(await screen.findByRole('region', { name: 'The two ends' }));
    expect(joints).toEqual([]);
    await user.click(await ends.findByRole('button', { name: 'PVC 40' }));
    await waitFor(() => expect(joints.length).toBeGreaterThan(0));
    expect(joints.at(-1)?.document.single_joints).toMatchObject([
        {
            a: { system: 'pvc-dwv-40', size: '3', end: 'plain' },
            b: { system: 'ci-hub-service', size: '3', end: 'hub', fixed: true },
            place: { ground: 'above', access: 'open' },
        },
    ]);
    await user.selectOptions(ends.getByLabelText('Ground'), 'buried');
    await user.selectOptions(ends.getByLabelText('Rulebook'), 'adh-2015');
    await waitFor(() => expect(joints.at(-1)?.document.rulebook).toBe('adh-2015'));
    expect(joints.at(-1)?.document.single_joints).toMatchObject([{ place: { ground: 'buried' } }]);
});

it('offers no water tube to join with', async () => {
    bench('/bench/joins');
    const other = within(await screen.findByLabelText('Another pipe'));
    await other.findByRole('option', { name: 'Iron hub' });
    expect(other.queryByRole('option', { name: 'Water tube' })).toBeNull();
});

it('finds a fitting by what it is called on site, and shows the one that is chosen', async () => {
    bench('/bench/catalogue');
    await screen.findByRole('button', { name: /eighth bend/ });
    expect(Object.fromEntries(asked[0] ?? [])).toMatchObject({ kind: 'fittings', system: 'pvc-dwv-40', size: '2' });
    await user.click(screen.getByRole('button', { name: /eighth bend/ }));
    expect(screen.getByRole('button', { name: /eighth bend/ }).getAttribute('aria-current')).toBe('true');
    await user.type(screen.getByLabelText('What it is called on site'), 'quarter');
    await waitFor(() => expect(screen.queryByRole('button', { name: /eighth bend/ })).toBeNull());
    expect(screen.getByRole('button', { name: /quarter bend/ })).toBeTruthy();
    await user.type(screen.getByLabelText('What it is called on site'), 'x');
    await screen.findByText(/^Nothing by that name here/);
});

it('asks for no size where a kind has none', async () => {
    bench('/bench/catalogue');
    await screen.findByRole('button', { name: /eighth bend/ });
    await user.selectOptions(screen.getByLabelText('Kind'), 'cements');
    await waitFor(() => expect(asked.at(-1)?.get('kind')).toBe('cements'));
    expect(asked.at(-1)?.has('size')).toBe(false);
    expect(asked.at(-1)?.has('system')).toBe(false);
    expect(screen.queryByLabelText('Size')).toBeNull();
});

/** The crew's own entries, of which the first cannot be used any more. */
function ownOf(entries: OwnEntry[]): void {
    server.use(
        http.get('/api/catalogue/own', () => HttpResponse.json({ own: entries })),
        http.post('/api/catalogue/own', async ({ request }) => {
            kept.push(await request.json());
            return HttpResponse.json({}, { status: 201 });
        }),
    );
}

const OWN = {
    id: 4,
    kind: 'threshold',
    entry: { rulebook: 'irc-2021', threshold: 'fall.least', value: 21 },
    by: 'Anna',
    at: '2026-11-02T08:00:00Z',
    unusable: 'There is no such threshold.',
} as unknown as OwnEntry;

it('says which of the crew’s own numbers cannot be used, and takes one back', async () => {
    ownOf([OWN]);
    let gone = '';
    server.use(
        http.delete('/api/catalogue/own/:id', ({ params }) => {
            gone = String(params.id);
            ownOf([]);
            return new HttpResponse(null, { status: 204 });
        }),
    );
    bench('/bench/own');
    await screen.findByText('irc-2021, fall.least: 21');
    expect(screen.getByText(/There is no such threshold/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Take it back' }));
    await screen.findByText('Nothing yet.');
    expect(gone).toBe('4');
});

it('sets a threshold of the crew’s own, with a comma or a point, and no word for a number', async () => {
    ownOf([]);
    bench('/bench/own');
    const field = await screen.findByDisplayValue('72.0079');
    await user.clear(field);
    await user.type(field, 'long');
    await user.click(screen.getByRole('button', { name: 'Set ours' }));
    await screen.findByText('must be a number');
    expect(kept).toEqual([]);
    await user.clear(field);
    await user.type(field, '59,5');
    await user.click(screen.getByRole('button', { name: 'Set ours' }));
    await waitFor(() => expect(kept).toHaveLength(1));
    // 59 1/2 in; the book is kept in millimetres.
    expect(kept[0]).toMatchObject({
        kind: 'threshold',
        entry: { rulebook: 'irc-2021', threshold: 'arm.most', value: expect.closeTo(1511.3, 6) as number },
    });
    expect(screen.queryByText('must be a number')).toBeNull();
});

it('says at the threshold why it was not kept', async () => {
    ownOf([]);
    server.use(http.post('/api/catalogue/own', () => refused('value', 'must be at least 0')));
    bench('/bench/own');
    const field = await screen.findByDisplayValue('72.0079');
    await user.clear(field);
    await user.type(field, '-3{Enter}');
    await screen.findByText('must be at least 0');
    expect((field as HTMLInputElement).value).toBe('-3');
});

it('calls a part size first', () => {
    expect(calledOf({ name: '22-1/2', size: '2' })).toBe('2 in 22-1/2');
    expect(calledOf({ name: 'san tee', size: '3 × 1-1/2' })).toBe('3 × 1-1/2 in san tee');
    expect(calledOf({ name: 'swept tee', size: '110 × 50' })).toBe('110 × 50 mm swept tee');
    expect(calledOf({ name: 'primer', size: '' })).toBe('primer');
});
