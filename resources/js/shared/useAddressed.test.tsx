// @vitest-environment jsdom
import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useNavigate } from 'react-router';
import { expect, it } from 'vitest';
import { show, standInServer } from '../testing/screen';
import { useAddressed } from './useAddressed';

standInServer();
const user = userEvent.setup();

function Page() {
    const [said, say] = useAddressed({ search: '', kind: 'pipes' });
    const navigate = useNavigate();
    return (
        <>
            <input aria-label="search" value={said.search} onChange={(event) => say({ search: event.target.value })} />
            <p>kind {said.kind}</p>
            <button type="button" onClick={() => say({ kind: 'traps' }, true)}>
                traps
            </button>
            <button type="button" onClick={() => void navigate(-1)}>
                back
            </button>
        </>
    );
}

const address = (): string | null => screen.getByLabelText('address').textContent;

it('loses nothing of what is typed quickly, and its address follows', async () => {
    show(<Page />, '/bench?search=a&other=1');
    const field = screen.getByLabelText<HTMLInputElement>('search');
    expect(field.value).toBe('a');
    for (const text of ['s', 'sh', 'sho', 'shor', 'short']) fireEvent.change(field, { target: { value: text } });
    expect(field.value).toBe('short');
    await waitFor(() => expect(address()).toBe('/bench?search=short&other=1'));
    expect(field.value).toBe('short');
    fireEvent.change(field, { target: { value: '' } });
    await waitFor(() => expect(address()).toBe('/bench?other=1'));
});

it('goes back to what was chosen before', async () => {
    show(<Page />, '/bench');
    await user.click(screen.getByRole('button', { name: 'traps' }));
    await screen.findByText('kind traps');
    expect(address()).toBe('/bench?kind=traps');
    await user.click(screen.getByRole('button', { name: 'back' }));
    await screen.findByText('kind pipes');
});
