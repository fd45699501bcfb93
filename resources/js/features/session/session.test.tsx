// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { Route, Routes } from 'react-router';
import { beforeEach, expect, it } from 'vitest';
import { call } from '../../api/client';
import type { Account, Entrance } from '../../api/types';
import { ANNA } from '../../testing/answers';
import { refused, show, standInServer } from '../../testing/screen';
import { SignedIn } from '.';
import { Forgotten, Invited, NewPasswordPage, SignedUp, SignUp } from '../entrance';

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

/** Whether nobody has an account yet, and whether letters leave the machine. */
const entrance = (first: boolean, letters: Entrance['letters'] = 'sent') =>
    http.get('/api/entrance', () => HttpResponse.json<Entrance>({ first, letters, sign_up: false }));

beforeEach(() => server.use(entrance(false)));

const inside = (
    <Routes>
        <Route path="/forgotten" element={<Forgotten />} />
        <Route path="/reset/:token" element={<NewPasswordPage />} />
        <Route path="/invited/:token" element={<Invited />} />
        <Route element={<SignedIn />}>
            <Route path="*" element={<p>the board</p>} />
        </Route>
    </Routes>
);

async function signInWith(password: string): Promise<void> {
    await user.type(await screen.findByLabelText('Email'), ANNA.email);
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
    expect(screen.getByLabelText<HTMLInputElement>('Email').value).toBe(ANNA.email);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Sign in' }).disabled).toBe(false);
});

it('asks for the code of a second factor once the password was right, and says that one opened nothing', async () => {
    const sent: unknown[] = [];
    server.use(
        signedOut,
        http.post('/api/session', async ({ request }) => {
            sent.push(await request.json());
            return sent.length < 3 ? refused('code', 'Type the code.') : HttpResponse.json<Account>(ANNA);
        }),
        choices,
    );
    show(inside, '/', null);
    expect(screen.queryByLabelText(/Code of your phone/)).toBeNull();
    await signInWith('right');
    await user.type(await screen.findByLabelText(/Code of your phone/), '000000');
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    await screen.findByRole('alert');
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    await screen.findByText('the board');
    expect(sent.map((one) => (one as { code?: string }).code)).toEqual([undefined, '000000', '000000']);
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

it('makes the first account where there is none, and says what is wrong at its field', async () => {
    const sent: unknown[] = [];
    server.use(
        signedOut,
        choices,
        entrance(true),
        http.post('/api/entrance/first', async ({ request }) => {
            sent.push(await request.json());
            return sent.length === 1
                ? refused('password', 'It is too short.')
                : HttpResponse.json(ANNA, { status: 201 });
        }),
    );
    show(inside, '/', null);
    await user.type(await screen.findByLabelText('Your name, as others see it'), 'Anna');
    await user.type(screen.getByLabelText('Email'), ANNA.email);
    await user.type(screen.getByLabelText('Password'), 'short');
    await user.type(screen.getByLabelText('What your crew is called'), 'Weir crew');
    await user.click(screen.getByRole('button', { name: 'Make the account' }));
    await screen.findByText('It is too short.');
    const password = screen.getByLabelText<HTMLInputElement>('Password');
    expect(password.getAttribute('aria-invalid')).toBe('true');
    expect(password.getAttribute('aria-describedby')).toContain('new-password-wrong');
    expect(screen.getByLabelText<HTMLInputElement>('What your crew is called').value).toBe('Weir crew');
    await user.clear(password);
    await user.type(password, 'long enough');
    await user.click(screen.getByRole('button', { name: 'Make the account' }));
    await screen.findByText('the board');
    expect(sent[1]).toEqual({ name: 'Anna', email: ANNA.email, password: 'long enough', crew: 'Weir crew' });
});

it('asks for a letter, and says where letters are where none are sent', async () => {
    server.use(
        signedOut,
        entrance(false, 'kept'),
        http.post('/api/entrance/forgotten', () => new HttpResponse(null, { status: 204 })),
    );
    show(inside, '/', null);
    await user.click(await screen.findByRole('link', { name: 'Forgotten your password?' }));
    await user.type(screen.getByLabelText('Email'), ANNA.email);
    await user.click(screen.getByRole('button', { name: 'Send the letter' }));
    await screen.findByText(
        `If ${ANNA.email} has an account here, a letter is on its way. Its link opens for an hour.`,
    );
    await screen.findByText('bin/artisan mail:read');
});

it('chooses a new password with the link of a letter', async () => {
    let sent: unknown;
    server.use(
        signedOut,
        choices,
        http.post('/api/entrance/reset', async ({ request }) => {
            sent = await request.json();
            return HttpResponse.json(ANNA);
        }),
    );
    show(inside, '/reset/abc?email=anna%40weir.example', null);
    await user.type(await screen.findByLabelText('New password'), 'another long one');
    await user.click(screen.getByRole('button', { name: 'Save it, and sign in' }));
    await screen.findByText('the board');
    expect(sent).toEqual({ email: 'anna@weir.example', token: 'abc', password: 'another long one' });
});

it('asks for the code of a second factor before it takes a new password by letter', async () => {
    const sent: unknown[] = [];
    server.use(
        signedOut,
        http.post('/api/entrance/reset', async ({ request }) => {
            sent.push(await request.json());
            return sent.length === 1 ? refused('code', 'Type the code.') : HttpResponse.json<Account>(ANNA);
        }),
    );
    show(
        <Routes>
            <Route path="/reset/:token" element={<NewPasswordPage />} />
            <Route path="/" element={<p>inside</p>} />
        </Routes>,
        '/reset/abc?email=anna%40weir.example',
        null,
    );
    await user.type(screen.getByLabelText('New password'), 'longer than before');
    await user.click(screen.getByRole('button', { name: 'Save it, and sign in' }));
    await user.type(await screen.findByLabelText(/Code of your phone/), '123456');
    await user.click(screen.getByRole('button', { name: 'Save it, and sign in' }));
    await screen.findByText('inside');
    expect(sent.map((one) => (one as { code?: string }).code)).toEqual([undefined, '123456']);
});

it('makes an account by letter, and says what is wrong at its field', async () => {
    const sent: unknown[] = [];
    server.use(
        signedOut,
        entrance(false, 'kept'),
        http.post('/api/entrance/sign-up', () => new HttpResponse(null, { status: 204 })),
        http.post('/api/entrance/sign-up/sealed', async ({ request }) => {
            sent.push(await request.json());
            return sent.length === 1 ? refused('crew', 'must be said') : HttpResponse.json<Account>(ANNA);
        }),
    );
    const asked = show(<SignUp />, '/sign-up', null);
    await user.type(screen.getByLabelText('Email'), 'new@weir.example');
    await user.click(screen.getByRole('button', { name: 'Send the letter' }));
    await screen.findByText(/A letter to new@weir.example is on its way/);
    await screen.findByText('bin/artisan mail:read');
    asked.unmount();
    show(
        <Routes>
            <Route path="/sign-up/:letter" element={<SignedUp />} />
            <Route path="/" element={<p>inside</p>} />
        </Routes>,
        '/sign-up/sealed',
        null,
    );
    await user.type(screen.getByLabelText('Your name, as others see it'), 'New');
    await user.type(screen.getByLabelText('Password'), 'long enough');
    await user.type(screen.getByLabelText('What your crew is called'), 'Mine');
    await user.click(screen.getByRole('button', { name: 'Make the account' }));
    await screen.findByText('must be said');
    await user.click(screen.getByRole('button', { name: 'Make the account' }));
    await screen.findByText('inside');
    expect(sent.at(-1)).toEqual({ name: 'New', password: 'long enough', crew: 'Mine' });
});

it('says that a link opens nothing any more, and offers a new one', async () => {
    server.use(
        signedOut,
        http.post('/api/entrance/reset', () => refused('token', 'This link opens nothing any more.')),
    );
    show(inside, '/reset/abc?email=anna%40weir.example', null);
    await user.type(await screen.findByLabelText('New password'), 'another long one');
    await user.click(screen.getByRole('button', { name: 'Save it, and sign in' }));
    expect((await screen.findByRole('alert')).textContent).toBe('This link opens nothing any more.');
    expect(screen.getByRole('link', { name: 'Ask for a new link' }).getAttribute('href')).toBe('/forgotten');
});

const invited = http.get('/api/invitations/abc', () =>
    HttpResponse.json({ crew: 'Weir crew', by: 'Ben', for: 'Anna', expires_at: '2026-12-07T10:00:00Z' }),
);

it('lets somebody in who is invited and has no account', async () => {
    let sent: unknown;
    server.use(
        signedOut,
        choices,
        invited,
        http.post('/api/invitations/abc', async ({ request }) => {
            sent = await request.json();
            return HttpResponse.json(ANNA, { status: 201 });
        }),
    );
    show(inside, '/invited/abc', null);
    expect((await screen.findByLabelText<HTMLInputElement>('Your name, as others see it')).value).toBe('Anna');
    await user.type(screen.getByLabelText('Email'), ANNA.email);
    await user.type(screen.getByLabelText('Password'), 'long enough');
    await user.click(screen.getByRole('button', { name: 'Join Weir crew' }));
    await screen.findByText('the board');
    expect(sent).toEqual({ name: 'Anna', email: ANNA.email, password: 'long enough' });
});

it('joins with the account that is signed in', async () => {
    let sent: unknown;
    server.use(
        signedIn,
        choices,
        invited,
        http.post('/api/invitations/abc', async ({ request }) => {
            sent = await request.json();
            return HttpResponse.json(ANNA);
        }),
    );
    show(inside, '/invited/abc', null);
    await screen.findByText('Anna', { selector: 'b' });
    await user.click(screen.getByRole('button', { name: 'Join Weir crew' }));
    await screen.findByText('the board');
    expect(sent).toEqual({});
});

it('says that an invitation opens nothing any more', async () => {
    server.use(
        signedOut,
        http.get('/api/invitations/abc', () =>
            HttpResponse.json(
                { message: 'This invitation opens nothing any more. Ask for a new one.' },
                { status: 404 },
            ),
        ),
    );
    show(inside, '/invited/abc', null);
    await screen.findByText('This invitation opens nothing any more. Ask for a new one.');
});
