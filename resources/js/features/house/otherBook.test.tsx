// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { expect, it, vi } from 'vitest';
import type { BookDifference, Finding } from '../../api/types';
import { source } from '../../testing/answers';
import { Edited, emptyJob, show, standInServer } from '../../testing/screen';
import { OtherBook } from './OtherBook';

const server = standInServer();

const finding = (why: string): Finding => ({
    rule: 'arm.long',
    severity: 'stop',
    where: { leg: 1, leg_id: 'l1', piece: null, joint: null, tape_mm: null },
    measured: null,
    limit: null,
    params: {},
    title: 'arm too long',
    why,
    remedy: '',
    source: source('arm'),
});

it('says what another book would say, what it says otherwise and what is gone, and opens the run', async () => {
    const user = userEvent.setup();
    const open = vi.fn();
    const row = { run: 'a', run_name: 'Basin' };
    const rows: BookDifference[] = [
        { ...row, change: 'new', here: null, there: finding('5 ft of 3 ft.') },
        { ...row, change: 'other', here: finding('7 ft of 6 ft.'), there: finding('7 ft of 5 ft.') },
        { ...row, change: 'gone', here: finding('9 ft of 8 ft.'), there: null },
    ];
    const asked: unknown[] = [];
    server.use(
        http.post('/api/books', async ({ request }) => {
            asked.push(((await request.json()) as { rulebook: string }).rulebook);
            return HttpResponse.json({ rows: asked.length > 1 ? [] : rows });
        }),
    );
    show(
        <Edited document={emptyJob()} evaluation={{}} onDocument={() => undefined}>
            {(editor) => <OtherBook editor={editor} onOpen={open} />}
        </Edited>,
    );
    const books = await screen.findByLabelText<HTMLSelectElement>('What another book would say');
    expect(asked).toEqual([]);
    const [first, second] = [...books.options].map((option) => option.value).filter((value) => value !== '');
    expect([...books.options].map((option) => option.value)).not.toContain(emptyJob().rulebook);
    await user.selectOptions(books, first ?? '');
    expect(await screen.findByText(/5 ft of 3 ft/)).toBeTruthy();
    expect(screen.getByText('Here: arm too long. 7 ft of 6 ft.')).toBeTruthy();
    expect(screen.getByText(/9 ft of 8 ft/)).toBeTruthy();
    await user.click(screen.getAllByRole('button', { name: 'Basin' })[0] as HTMLElement);
    expect(open).toHaveBeenCalledWith('a');
    if (second) {
        await user.selectOptions(books, second);
        await waitFor(() => expect(screen.getByText('It says the same of all of it.')).toBeTruthy());
    }
    expect(asked[0]).toBe(first);
});
