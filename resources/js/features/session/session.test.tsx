// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { Route, Routes } from 'react-router';
import { expect, it } from 'vitest';
import { call } from '../../api/client';
import { ANNA } from '../../testing/answers';
import { refused, show, standInServer } from '../../testing/screen';
import { SignedIn } from './SignedIn';

const server = standInServer();
const user = userEvent.setup();

const signedOut = http.get('/api/session', () => HttpResponse.json({ message: 'Unauthenticated.' }, { status: 401 }));
const signedIn = http.get('/api/session', () => HttpResponse.json(ANNA));
const choices = http.get('/api/choices', () => HttpResponse.json({ rulebooks: [] }));
/** Takes one password and no other. */
const door = http.post('/api/session', async ({ request }) => {
    const { email, password } = (await request.json()) as { email: string; password: string };
    return email === ANNA.email && password === 'right'
        ? HttpResponse.json(ANNA)
        : refused('email', 'Address and password do not go together.');
});

const inside = (
    <Routes>
        <Route element={<SignedIn />}>
            <Route path="*" element={<p>the board</p>} />
        </Route>
    </Routes>
);

async function signInWith(password: string): Promise<void> {
    await user.type(await screen.findByLabelText('Address'), ANNA.email);
    await user.type(screen.getByLabelText('Password'), password);
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
}

it('lets nobody in who has not signed in', async () => {
    server.use(signedOut);
    show(inside, '/', null);
    await screen.findByLabelText('Password');
    expect(screen.queryByText('the board')).toBeNull();
});

it('opens what was asked for once address and password go together', async () => {
    server.use(signedOut, door, choices);
    show(inside, '/jobs/7', null);
    await signInWith('right');
    await screen.findByText('the board');
    expect(screen.getByLabelText('address').textContent).toBe('/jobs/7');
});

it('says why it did not let somebody in, and keeps the address that was typed', async () => {
    server.use(signedOut, door);
    show(inside, '/', null);
    await signInWith('wrong');
    expect((await screen.findByRole('alert')).textContent).toContain('do not go together');
    expect(screen.getByLabelText<HTMLInputElement>('Address').value).toBe(ANNA.email);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Sign in' }).disabled).toBe(false);
});

it('does not take a server that is away for somebody who has not signed in', async () => {
    server.use(
        http.get('/api/session', () => HttpResponse.error(), { once: true }),
        signedIn,
        choices,
    );
    show(inside, '/', null);
    expect((await screen.findByRole('alert')).textContent).toContain('No answer from the server.');
    expect(screen.queryByLabelText('Password')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Try again' }));
    await screen.findByText('the board');
});

it('waits for what there is to choose from before it shows a form', async () => {
    let answer = (): void => undefined;
    const later = new Promise<void>((resolve) => (answer = resolve));
    server.use(
        signedIn,
        http.get('/api/choices', async () => {
            await later;
            return HttpResponse.json({ rulebooks: [] });
        }),
    );
    show(inside, '/', null);
    await screen.findByText('One moment.');
    expect(screen.queryByText('the board')).toBeNull();
    answer();
    await screen.findByText('the board');
});

it('keeps the page when the session ends, and goes on once the same person has signed in again', async () => {
    server.use(
        signedIn,
        choices,
        door,
        http.get('/api/jobs', () => HttpResponse.json({}, { status: 401 })),
    );
    show(inside, '/', null);
    await screen.findByText('the board');
    void call('GET', '/api/jobs');
    await screen.findByText('You are no longer signed in');
    expect(screen.getByLabelText<HTMLInputElement>('Email').value).toBe(ANNA.email);
    await user.type(screen.getByLabelText('Password'), 'wrong');
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    await screen.findByText('Address and password do not go together.');
    await user.clear(screen.getByLabelText('Password'));
    await user.type(screen.getByLabelText('Password'), 'right');
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    await waitFor(() => expect(screen.queryByText('You are no longer signed in')).toBeNull());
    expect(screen.getByText('the board')).toBeTruthy();
});
