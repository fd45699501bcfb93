// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { Route, Routes } from 'react-router';
import { beforeEach, expect, it } from 'vitest';
import type { Account, AuditEntry, CrewPeople, InstallationStatus, Invitation } from '../../api/types';
import { ANNA } from '../../testing/answers';
import { CHOICES, refused, show, standInServer } from '../../testing/screen';
import { AccountPage, NewAddress } from '.';

const server = standInServer();
const user = userEvent.setup();

const TWO: Account = { ...ANNA, crews: [...ANNA.crews, { id: 2, name: 'Mill crew', role: 'owner' }] };
const INVITED: Invitation = {
    id: 7,
    for: 'Ben',
    by: 'Anna',
    role: 'plumber',
    expires_at: '2026-12-07T10:00:00Z',
    state: 'open',
    accepted_by: null,
};

const DONE: AuditEntry[] = [
    { id: 2, by: 'Anna', act: 'role', about: { person: 'Ben', role: 'reader' }, at: '2026-11-30T10:00:00Z' },
    { id: 1, by: 'Anna', act: 'job-deleted', about: { job: 'Mill' }, at: '2026-11-30T09:00:00Z' },
];
const STATUS: InstallationStatus = {
    version: '1.0.0',
    ready: true,
    checks: [{ name: 'database', ok: true, says: 'takes writes' }],
    letters_waiting: 1,
    letters_failed: 2,
    backups: [{ kind: 'whole', taken_at: '2026-11-30T02:00:00Z', bytes: 1_048_576, verified_at: null }],
    backup_is_late: true,
};

const crew = (id: number, name: string, invitations: Invitation[] = []) =>
    http.get(`/api/crews/${id}`, () =>
        HttpResponse.json<CrewPeople>({
            id,
            name,
            people: [{ id: 1, name: 'Anna', email: ANNA.email, role: 'owner' }],
            invitations,
        }),
    );

beforeEach(() => {
    server.use(
        http.get('/api/account/devices', () =>
            HttpResponse.json({
                devices: [
                    { device: 'Firefox on Windows', last_seen: '2026-11-30T10:00:00Z', here: true },
                    { device: 'Chrome or Chromium on Android', last_seen: '2026-11-29T10:00:00Z', here: false },
                ],
            }),
        ),
        http.get('/api/account/audit', () => HttpResponse.json({ entries: [] })),
        http.get('/api/crews/:crew/audit', () => HttpResponse.json({ entries: DONE })),
        http.get('/api/status', () => HttpResponse.json<InstallationStatus>(STATUS)),
        crew(1, 'Weir crew'),
        crew(2, 'Mill crew'),
    );
});

const section = async (name: string) => within(await screen.findByRole('region', { name }));

it('changes the password, and says at its field that the one of now is another', async () => {
    const sent: unknown[] = [];
    server.use(
        http.put('/api/account/password', async ({ request }) => {
            sent.push(await request.json());
            return sent.length === 1
                ? refused('current', 'This is not your password of now.')
                : new HttpResponse(null, { status: 204 });
        }),
    );
    show(<AccountPage />, '/account', CHOICES, TWO);
    const at = await section('Password');
    await user.type(at.getByLabelText('Your password now'), 'wrong');
    await user.type(at.getByLabelText('A new one'), 'longer than before');
    await user.click(at.getByRole('button', { name: 'Change the password' }));
    await at.findByText('This is not your password of now.');
    expect(at.getByLabelText<HTMLInputElement>('A new one').value).toBe('longer than before');
    await user.clear(at.getByLabelText('Your password now'));
    await user.type(at.getByLabelText('Your password now'), 'right');
    await user.click(at.getByRole('button', { name: 'Change the password' }));
    await at.findByText('Saved. Every other device is signed out.');
    expect(sent[1]).toEqual({ current: 'right', password: 'longer than before' });
    expect(at.getByLabelText<HTMLInputElement>('A new one').value).toBe('');
});

it('asks for another address, and says that nothing changes until the letter is opened', async () => {
    const sent: unknown[] = [];
    server.use(
        http.post('/api/account/address', async ({ request }) => {
            sent.push(await request.json());
            return sent.length === 1
                ? refused('current', 'This is not your password of now.')
                : new HttpResponse(null, { status: 204 });
        }),
    );
    server.use(http.get('/api/entrance', () => HttpResponse.json({ first: false, letters: 'kept', sign_up: false })));
    show(<AccountPage />, '/account', CHOICES, TWO);
    const at = await section('Address');
    at.getByText(`You sign in with ${TWO.email}`);
    await user.type(at.getByLabelText('Another address'), 'anna@firm.example');
    await user.type(at.getByLabelText('Your password'), 'wrong');
    await user.click(at.getByRole('button', { name: 'Send a letter there' }));
    await at.findByText('This is not your password of now.');
    expect(at.getByLabelText<HTMLInputElement>('Another address').value).toBe('anna@firm.example');
    await user.clear(at.getByLabelText('Your password'));
    await user.type(at.getByLabelText('Your password'), 'right');
    await user.click(at.getByRole('button', { name: 'Send a letter there' }));
    await at.findByText(
        'A letter to anna@firm.example is on its way. Its link opens for a day; until then nothing changes.',
    );
    await at.findByText('bin/artisan mail:read');
    expect(sent[1]).toEqual({ current: 'right', email: 'anna@firm.example' });
});

it('takes another address by letter, once it is said, and says where it opens nothing', async () => {
    let asked = 0;
    server.use(
        http.put('/api/account/address/sealed', () => {
            asked++;
            return asked === 1
                ? HttpResponse.json({ message: 'This link opens nothing any more.' }, { status: 404 })
                : HttpResponse.json<Account>({ ...ANNA, email: 'anna@firm.example' });
        }),
    );
    show(
        <Routes>
            <Route path="/address/:letter" element={<NewAddress />} />
        </Routes>,
        '/address/sealed',
        CHOICES,
        TWO,
    );
    const take = await screen.findByRole('button', { name: 'Sign in with it from now on' });
    expect(asked).toBe(0);
    await user.click(take);
    await screen.findByText('This link opens nothing any more.');
    await user.click(take);
    await screen.findByText('You sign in with anna@firm.example from now on.');
});

it('shows where somebody is signed in, and signs out everywhere else', async () => {
    let ended = false;
    server.use(
        http.delete('/api/account/devices', () => {
            ended = true;
            return new HttpResponse(null, { status: 204 });
        }),
    );
    show(<AccountPage />, '/account', CHOICES, TWO);
    const at = await section('Devices');
    await at.findByText('Chrome or Chromium on Android');
    await user.click(at.getByRole('button', { name: 'Sign out everywhere else' }));
    await at.findByText('Signed out everywhere else.');
    expect(ended).toBe(true);
});

it('makes an invitation, shows its link this once, and withdraws it', async () => {
    let withdrawn = false;
    server.use(
        http.post('/api/crews/1/invitations', () => {
            server.use(crew(1, 'Weir crew', [INVITED]));
            return HttpResponse.json({ invitation: INVITED, link: 'http://localhost/invited/abc' }, { status: 201 });
        }),
        http.delete('/api/crews/1/invitations/7', () => {
            withdrawn = true;
            server.use(crew(1, 'Weir crew', [{ ...INVITED, state: 'withdrawn' }]));
            return new HttpResponse(null, { status: 204 });
        }),
    );
    show(<AccountPage />, '/account', CHOICES, TWO);
    const at = await section('Crew Weir crew');
    await user.type(at.getByLabelText('Who is it'), 'Ben');
    await user.click(at.getByRole('button', { name: 'Make a link' }));
    expect((await at.findByRole('link', { name: 'http://localhost/invited/abc' })).getAttribute('href')).toBe(
        'http://localhost/invited/abc',
    );
    await user.click(await at.findByRole('button', { name: 'Withdraw' }));
    await at.findByText('withdrawn');
    expect(withdrawn).toBe(true);
    expect(at.queryByRole('button', { name: 'Withdraw' })).toBeNull();
});

it('offers to copy a link only where the browser can', async () => {
    server.use(
        http.post('/api/crews/1/invitations', () =>
            HttpResponse.json({ invitation: INVITED, link: 'http://localhost/invited/abc' }, { status: 201 }),
        ),
    );
    const clipboard = Object.getOwnPropertyDescriptor(navigator, 'clipboard');
    Reflect.deleteProperty(navigator, 'clipboard');
    show(<AccountPage />, '/account', CHOICES, TWO);
    const at = await section('Crew Weir crew');
    await user.type(at.getByLabelText('Who is it'), 'Ben');
    await user.click(at.getByRole('button', { name: 'Make a link' }));
    await at.findByRole('link', { name: 'http://localhost/invited/abc' });
    expect(at.queryByRole('button', { name: 'Copy it' })).toBeNull();
    if (clipboard) Object.defineProperty(navigator, 'clipboard', clipboard);
});

it('works for another crew, and starts one', async () => {
    server.use(
        http.post('/api/crews/2/choose', () => HttpResponse.json({ ...TWO, crew: 2 })),
        http.post('/api/crews', () =>
            HttpResponse.json(
                { ...TWO, crew: 3, crews: [...TWO.crews, { id: 3, name: 'Third', role: 'owner' }] },
                { status: 201 },
            ),
        ),
        crew(3, 'Third'),
    );
    show(<AccountPage />, '/account', CHOICES, TWO);
    const mill = await section('Crew Mill crew');
    await user.click(mill.getByRole('button', { name: 'Work for this crew' }));
    await mill.findByText(/You work for it now/);
    await waitFor(() => expect(screen.getAllByRole('button', { name: 'Work for this crew' })).toHaveLength(1));
    const another = await section('Another crew');
    await user.type(another.getByLabelText('What it is called'), 'Third');
    await user.click(another.getByRole('button', { name: 'Start the crew' }));
    await (await section('Crew Third')).findByText(/You work for it now/);
});

it('gives somebody another role, and says why the only owner keeps theirs', async () => {
    const sent: unknown[] = [];
    server.use(
        http.put('/api/crews/1/people/1', async ({ request }) => {
            sent.push(await request.json());
            return refused('role', 'is the only owner of this crew: make somebody else an owner first');
        }),
    );
    show(<AccountPage />, '/account', CHOICES, ANNA);
    const weir = await section('Crew Weir crew');
    await user.selectOptions(await weir.findByLabelText('Anna is'), 'reader');
    await weir.findByText(/the only owner of this crew/);
    expect(sent).toEqual([{ role: 'reader' }]);
    // What is shown is what the server has.
    expect(weir.getByLabelText('Anna is')).toHaveProperty('value', 'owner');
});

it('shows an owner what was done in the crew, and how the installation is', async () => {
    show(<AccountPage />, '/account', CHOICES, ANNA);
    const weir = await section('Crew Weir crew');
    await weir.findByText(/Anna made Ben reader/);
    weir.getByText(/Anna deleted Mill/);
    const installation = await section('This installation');
    await installation.findByText('Letters: 1 wait, 2 failed');
    installation.getByText(/No backup since yesterday/);
});

it('shows somebody who owns nothing neither, and no way to give roles', async () => {
    server.use(crew(1, 'Weir crew'));
    show(<AccountPage />, '/account', CHOICES, { ...ANNA, crews: [{ id: 1, name: 'Weir crew', role: 'apprentice' }] });
    const weir = await section('Crew Weir crew');
    await weir.findByText('owner');
    expect(weir.queryByLabelText('Anna is')).toBeNull();
    expect(weir.queryByText('Invite somebody')).toBeNull();
    expect(weir.queryByText('What was done in this crew')).toBeNull();
    expect(screen.queryByRole('region', { name: 'This installation' })).toBeNull();
});

it('leaves a crew, or says why not', async () => {
    let tries = 0;
    server.use(
        http.delete('/api/crews/2/membership', () =>
            tries++ === 0
                ? refused('person', 'is the only owner of this crew: make somebody else an owner first')
                : HttpResponse.json<Account>(ANNA),
        ),
    );
    show(<AccountPage />, '/account', CHOICES, TWO);
    const mill = await section('Crew Mill crew');
    await user.click(mill.getByText('Leave this crew'));
    const leave = mill.getByRole('button', { name: 'Leave Mill crew' });
    await user.click(leave);
    await mill.findByText(/the only owner of this crew/);
    await user.click(leave);
    await waitFor(() => expect(screen.queryByRole('region', { name: 'Crew Mill crew' })).toBeNull());
});

it('sets a second factor up: the square, the code, the codes for paper', async () => {
    const sent: unknown[] = [];
    const begun = { secret: 'ABCDEFGH', address: 'otpauth://totp/x?secret=ABCDEFGH' };
    server.use(
        http.post('/api/account/second-factor', () => HttpResponse.json(begun, { status: 201 })),
        http.put('/api/account/second-factor', async ({ request }) => {
            sent.push(await request.json());
            return sent.length === 1
                ? refused('code', 'That is not the code of now.')
                : HttpResponse.json({ codes: ['aaaaa-bbbbb'] });
        }),
        http.get('/api/session', () => HttpResponse.json<Account>({ ...ANNA, second_factor: true })),
    );
    show(<AccountPage />, '/account', CHOICES, ANNA);
    const factor = await section('Second factor');
    await user.type(factor.getByLabelText('Your password'), 'long enough');
    await user.click(factor.getByRole('button', { name: 'Set it up' }));
    await factor.findByRole('img', { name: 'The secret for a camera' });
    factor.getByText('ABCD EFGH');
    const code = factor.getByLabelText('The code that the phone shows now');
    await user.type(code, '000000');
    await user.click(factor.getByRole('button', { name: 'Turn it on' }));
    await factor.findByText('That is not the code of now.');
    await user.clear(code);
    await user.type(code, '123456');
    await user.click(factor.getByRole('button', { name: 'Turn it on' }));
    await factor.findByText('aaaaa-bbbbb');
    await factor.findByText('A code of your phone is asked for when you sign in.');
    expect(sent).toEqual([{ code: '000000' }, { code: '123456' }]);
});
