// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { beforeEach, expect, it } from 'vitest';
import type { Account, CrewPeople, Invitation } from '../../api/types';
import { ANNA } from '../../testing/answers';
import { CHOICES, refused, show, standInServer } from '../../testing/screen';
import { AccountPage } from '.';

const server = standInServer();
const user = userEvent.setup();

const TWO: Account = { ...ANNA, crews: [...ANNA.crews, { id: 2, name: 'Mill crew' }] };
const INVITED: Invitation = {
    id: 7,
    for: 'Ben',
    by: 'Anna',
    expires_at: '2026-12-07T10:00:00Z',
    state: 'open',
    accepted_by: null,
};

const crew = (id: number, name: string, invitations: Invitation[] = []) =>
    http.get(`/api/crews/${id}`, () =>
        HttpResponse.json<CrewPeople>({
            id,
            name,
            people: [{ id: 1, name: 'Anna', email: ANNA.email }],
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
            HttpResponse.json({ ...TWO, crew: 3, crews: [...TWO.crews, { id: 3, name: 'Third' }] }, { status: 201 }),
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
