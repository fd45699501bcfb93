// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { expect, it } from 'vitest';
import { useGuide } from '../../shared/guide';
import { show, standInServer } from '../../testing/screen';
import { Guided } from '.';
import { STOPS } from './stops';

standInServer();
const user = userEvent.setup();

function Page() {
    const guide = useGuide();
    return (
        <>
            <input aria-label="a field" />
            <button type="button" onClick={() => guide.showRound('job-1', 'run-2')}>
                Show me round
            </button>
        </>
    );
}

const inside = (
    <Routes>
        <Route element={<Guided />}>
            <Route path="*" element={<Page />} />
        </Route>
    </Routes>
);

it('opens keys and words at a question mark, and not while somebody types one', async () => {
    show(inside);
    await user.type(screen.getByLabelText('a field'), '?');
    expect(screen.queryByRole('dialog')).toBeNull();
    (document.activeElement as HTMLElement).blur();
    await user.keyboard('?');
    await screen.findByRole('heading', { name: 'Keys and words' });
    await user.type(screen.getByLabelText('Find a word'), 'siphon itself');
    expect(screen.getByText('s trap')).toBeTruthy();
    expect(screen.queryByText('standpipe')).toBeNull();
    await user.clear(screen.getByLabelText('Find a word'));
    await user.type(screen.getByLabelText('Find a word'), 'nothing like it');
    expect(screen.getByText('No word is like that.')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Close' }));
    await waitFor(() => expect(screen.queryByRole('heading', { name: 'Keys and words' })).toBeNull());
});

it('leads from one station to the next, back, and ends where it is left', async () => {
    show(inside);
    const address = (): string | null => screen.getByLabelText('address').textContent;
    await user.click(screen.getByRole('button', { name: 'Show me round' }));
    for (const [n, stop] of STOPS.entries()) {
        await screen.findByRole('heading', { name: stop.title });
        await waitFor(() => expect(address()).toBe(`/jobs/job-1/runs/run-2/${stop.station}`));
        expect(screen.getByText(`${n + 1} of ${STOPS.length}`)).toBeTruthy();
        // The keyboard alone goes on.
        if (n < STOPS.length - 1) await user.keyboard('{Enter}');
    }
    await user.click(screen.getByRole('button', { name: 'Back' }));
    await screen.findByRole('heading', { name: STOPS.at(-2)?.title ?? '' });
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('region', { name: 'Tour' })).toBeNull();
});
