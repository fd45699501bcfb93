// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import type { Pending, SiteLog, SiteLogState } from '../../editing';
import { Waiting } from './Waiting';

afterEach(cleanup);

const log = { isMine: (one: Pending) => one.by === 'me' } as SiteLog;
const at = Date.parse('2026-12-01T08:05:00');
const state = (pending: Partial<Pending>[], more: object = {}): SiteLogState =>
    ({
        pending: pending.map((one, i) => ({ key: `${i}`, at, by: 'me', ...one })),
        refused: [],
        isStored: true,
        ...more,
    }) as unknown as SiteLogState;

it('shows what waits, entry by entry, with when it was said', () => {
    render(
        <Waiting
            log={log}
            state={state([
                { kind: 'joint', joint: 3 },
                { kind: 'note', note: 'The stub is oval.' },
                { kind: 'note', note: 'of another', by: 'other' },
            ])}
        />,
    );
    expect(screen.getByText(/2 entries are kept on this device and not sent yet/)).toBeTruthy();
    const entries = screen.getAllByRole('listitem').map((one) => one.textContent ?? '');
    expect(entries).toHaveLength(2);
    expect(entries[0]).toMatch(/8:05.* a joint made: 3$/);
    expect(entries[1]).toMatch(/a note: The stub is oval\.$/);
    expect(screen.getByText(/Kept on this device until they sign in again/).textContent).toContain('an entry of other');
});

it('says where there is no room for it, and nothing where nothing waits', () => {
    const { container, rerender } = render(<Waiting log={log} state={state([])} />);
    expect(container.textContent).toBe('');
    rerender(<Waiting log={log} state={state([{ kind: 'photograph' }], { isStored: false })} />);
    expect(screen.getByText(/no room on this device: leave this page open/)).toBeTruthy();
});
