// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it } from 'vitest';
import { keptBy, type Keeper } from '../../api/client';
import { show, standInServer } from '../../testing/screen';
import { OnThisDevice, sizeOf } from './OnThisDevice';

standInServer();

afterEach(() => keptBy(Promise.resolve(null)));

it('says what is kept by job and how large it is, and takes one or all of it off', async () => {
    const user = userEvent.setup();
    const sizes = new Map([
        ['a', 1_234_000],
        ['b', 900],
        ['', 2_000],
    ]);
    const keeper: Keeper = {
        keep: () => Promise.resolve(),
        find: (_, path) => Promise.resolve(path.startsWith('/api/jobs/a?') ? { name: 'Mill Row' } : undefined),
        keepWhole: () => Promise.resolve(),
        keepPicture: () => Promise.resolve(),
        setAlong: () => Promise.resolve(),
        alongIn: () => Promise.resolve(null),
        sizes: () => Promise.resolve(new Map(sizes)),
        forget: (job) => Promise.resolve(job === undefined ? sizes.clear() : void sizes.delete(job)),
        signedIn: () => Promise.resolve(),
    };
    keptBy(Promise.resolve(keeper));
    show(<OnThisDevice />);
    expect(await screen.findByText('Mill Row')).toBeTruthy();
    expect(screen.getByText('1.2 MB')).toBeTruthy();
    expect(screen.getByText('a job that is gone')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Take it off: Mill Row' }));
    await waitFor(() => expect(screen.queryByText('Mill Row')).toBeNull());
    await user.click(screen.getByRole('button', { name: 'Take everything off this device' }));
    await waitFor(() => expect(screen.getByText('In all 0 kB.')).toBeTruthy());
});

it('says where a browser keeps nothing', async () => {
    show(<OnThisDevice />);
    expect(await screen.findByText('This browser keeps nothing.')).toBeTruthy();
});

it('says a size as one reads it', () => {
    expect([0, 1, 999_999, 1_000_000, 59_950_000].map(sizeOf)).toEqual([
        '0 kB',
        '1 kB',
        '1000 kB',
        '1.0 MB',
        '60.0 MB',
    ]);
});
