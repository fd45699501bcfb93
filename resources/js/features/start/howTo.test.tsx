// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { Route, Routes } from 'react-router';
import { beforeEach, expect, it } from 'vitest';
import type { HowTo, HowToAnswer } from '../../api/types';
import { show, standInServer } from '../../testing/screen';
import { HowToPage } from '.';

const server = standInServer();
const user = userEvent.setup();
let asked: { values: Record<string, string>; units: string }[] = [];

const HOW_TO: HowTo = {
    id: 'bedding',
    name: 'Bedding and backfill',
    say: 'By its pipe.',
    starts: ['branch'],
    fields: [
        {
            id: 'bed',
            kind: 'length',
            label: 'Bed under the pipe',
            hold: '',
            optional: false,
            start: '4',
            when: '',
            choices: [],
            source: 'what is usual',
            unsure: true,
        },
    ],
};

const answer = (values: Record<string, string>): HowToAnswer => ({
    problems: values.bed === 'deep' ? { bed: 'That is no length.' } : {},
    later: [],
    lengths: values.bed === 'deep' ? [] : [{ label: 'Trench', length: `${values.bed ?? ''} in`, say: '' }],
    parts: ['gravel'],
    steps: [{ do: 'Trench', say: 'Dig it.', caution: 'Shore it.' }],
});

beforeEach(() => {
    asked = [];
    localStorage.clear();
    server.use(
        http.get('/api/how-to', () => HttpResponse.json({ how_to: [HOW_TO] })),
        http.post('/api/how-to/bedding', async ({ request }) => {
            const body = (await request.json()) as (typeof asked)[number];
            asked.push(body);
            return HttpResponse.json(answer(body.values));
        }),
    );
});

const page = (
    <Routes>
        <Route path="/how-to/:id" element={<HowToPage />} />
    </Routes>
);

it('answers while it is typed, and says which number is nobody’s own', async () => {
    show(page, '/how-to/bedding');
    await screen.findByText('4 in');
    expect(screen.getByText('Not measured: what is usual')).toBeTruthy();
    const field = screen.getByLabelText(/Bed under the pipe/);
    await user.clear(field);
    await user.type(field, '6');
    await screen.findByText('6 in');
    expect(screen.getByText('Yours')).toBeTruthy();
    await user.clear(field);
    await user.type(field, 'deep');
    expect((await screen.findByRole('alert')).textContent).toContain('That is no length.');
    expect(screen.queryByText('6 in')).toBeNull();
});

it('keeps what is ticked on the device until it is cleared', async () => {
    const first = show(page, '/how-to/bedding');
    await user.click(await screen.findByRole('checkbox', { name: 'gravel' }));
    await user.click(screen.getByRole('checkbox', { name: '1. Trench' }));
    first.unmount();
    show(page, '/how-to/bedding');
    expect((await screen.findByRole<HTMLInputElement>('checkbox', { name: 'gravel' })).checked).toBe(true);
    await user.click(screen.getByRole('button', { name: 'Clear the ticks' }));
    expect(screen.getAllByRole<HTMLInputElement>('checkbox').every((box) => !box.checked)).toBe(true);
});

it('speaks the units that are chosen, and has its caution in the step', async () => {
    show(page, '/how-to/bedding');
    await user.selectOptions(await screen.findByLabelText('Lengths are said in'), 'mm');
    await waitFor(() => expect(asked.at(-1)?.units).toBe('mm'));
    expect(screen.getByLabelText('address').textContent).toBe('/how-to/bedding?units=mm');
    const step = (await screen.findByText('1. Trench')).closest('li') as HTMLElement;
    expect(within(step).getByText('Shore it.')).toBeTruthy();
});

it('says that there is no such page', async () => {
    show(page, '/how-to/nothing');
    expect((await screen.findByRole('alert')).textContent).toContain('There is no such page.');
});
