// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { expect, it } from 'vitest';
import { startsQuery } from '../../api/queries';
import type { Start } from '../../api/types';
import { askedFields, holds, numberOf } from './asked';
import { StartPaper } from './StartPaper';

const field = (id: string, more: Partial<Start['fields'][number]> = {}): Start['fields'][number] => ({
    id,
    kind: 'length',
    label: `Label of ${id}`,
    hold: `Hold of ${id}`,
    optional: false,
    start: '10',
    when: '',
    choices: [],
    source: '',
    unsure: false,
    ...more,
});

const start: Start = {
    id: 'one',
    region: 'us',
    name: 'One task',
    say: 'What it is for.',
    opens: 'cut',
    fields: [
        field('corner', {
            kind: 'choice',
            start: 'no',
            choices: [
                { key: 'no', name: 'No corner' },
                { key: 'left', name: 'To the left' },
            ],
        }),
        field('first', { when: 'corner!=no' }),
        field('across'),
    ],
    strokes: ['drain 1,1 2,2', 'hold across 1,1 9,1'],
    rulebooks: [{ key: 'ipc-2021', name: 'IPC 2021' }],
};

function shown(address: string): void {
    const client = new QueryClient();
    client.setQueryData(startsQuery.queryKey, { starts: [start] });
    render(
        <QueryClientProvider client={client}>
            <MemoryRouter initialEntries={[address]}>
                <Routes>
                    <Route path="/start/:start/paper" element={<StartPaper />} />
                </Routes>
            </MemoryRouter>
        </QueryClientProvider>,
    );
}

it('asks only for what is needed, and numbers it as on paper', () => {
    expect(askedFields(start, {}).map((one) => one.id)).toEqual(['corner', 'across']);
    expect(askedFields(start, { corner: 'left' }).map((one) => one.id)).toEqual(['corner', 'first', 'across']);
    expect(numberOf(start, 'across')).toBe(3);
    expect(holds('corner=left and across', start, { corner: 'left', across: ' ' })).toBe(false);
});

it('prints every field in its order, with boxes to tick and room to write', () => {
    shown('/start/one/paper');
    expect(screen.getAllByRole('row').map((row) => row.querySelector('th')?.textContent)).toEqual([
        'No.',
        '1',
        '2',
        '3',
    ]);
    expect(screen.getByText('To the left')).toBeTruthy();
    expect(screen.getByText('Hold of across')).toBeTruthy();
    expect(screen.getByText('Feet, inches')).toBeTruthy();
    // The length in the drawing has the number of its field.
    expect(document.querySelector('.start-number text')?.textContent).toBe('3');
    expect(screen.getByRole('link', { name: 'Enter what was measured' }).getAttribute('href')).toBe('/start/one');
});

it('says where there is no such task', () => {
    shown('/start/other/paper');
    expect(screen.getByRole('alert').textContent).toContain('There is no such start.');
});
