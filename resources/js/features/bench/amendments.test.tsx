// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { expect, it, vi } from 'vitest';
import type { Amendments, CataloguePage } from '../../api/types';
import { source } from '../../testing/answers';
import { refused, show, standInServer } from '../../testing/screen';
import { AmendmentsList, amendmentsFile, amendmentsIn } from './AmendmentsList';
import { BookNumbers } from './BookNumbers';

const server = standInServer();

const MILLBROOK: Amendments = {
    name: 'Millbrook',
    rulebook: 'irc-2021',
    said_by: 'the building office',
    said_on: '2026-11-20',
    rows: [{ threshold: 'vent.above-roof', value: 304.8, note: 'Ordinance 12.' }],
};

const threshold = (id: string, value: number, unit = 'mm') => ({
    id,
    title: id,
    value,
    unit,
    note: '',
    source: source(id),
    own_id: null,
});

const BOOKS: CataloguePage['rulebooks'] = [
    { id: 'adh-2015', name: 'AD H 2015', units: 'mm', thresholds: [] },
    {
        id: 'irc-2021',
        name: 'IRC 2021',
        units: 'inch',
        thresholds: [threshold('vent.above-roof', 152.4), threshold('vent.rise-least', 152.4)],
    },
];

/** The crew's amendments, which change as they are kept; gives what was kept, in turn. */
function keeping(first: Amendments[]): Amendments[] {
    const kept: Amendments[] = [];
    let now = first;
    const answer = () =>
        HttpResponse.json({
            amendments: now.map((amendments, i) => ({
                id: i + 1,
                by: 'lead',
                at: '2026-11-21T08:00:00Z',
                unusable: null,
                amendments,
            })),
        });
    server.use(
        http.get('/api/amendments', answer),
        http.put('/api/amendments', async ({ request }) => {
            const one = (await request.json()) as Amendments;
            kept.push(one);
            now = [...now.filter((other) => other.name !== one.name), one];
            return answer();
        }),
        http.delete('/api/amendments/:id', () => {
            now = [];
            return new HttpResponse(null, { status: 204 });
        }),
    );
    return kept;
}

it('names new ones with who said so and when, and keeps none no longer', async () => {
    const user = userEvent.setup();
    const kept = keeping([]);
    show(<AmendmentsList />);
    await user.click(await screen.findByText('Name new ones'));
    await user.type(screen.getByLabelText('Where they hold'), 'Millbrook');
    await user.selectOptions(screen.getByLabelText('To which book'), 'irc-2021');
    await user.type(screen.getByLabelText('Who said so'), 'the building office');
    await user.type(screen.getByLabelText('On which day'), '2026-11-20');
    await user.click(screen.getByRole('button', { name: 'Keep them' }));
    expect(await screen.findByText(/Millbrook, to/)).toBeTruthy();
    expect(kept).toEqual([{ ...MILLBROOK, rows: [] }]);
    await user.click(screen.getByRole('button', { name: 'Keep Millbrook no longer' }));
    await waitFor(() => expect(screen.queryByText(/Millbrook, to/)).toBeNull());
});

it('says what the server refuses, and what is no file of amendments', async () => {
    const user = userEvent.setup();
    keeping([]);
    server.use(http.put('/api/amendments', () => refused('said_on', 'must be a day')));
    show(<AmendmentsList />);
    const file = await screen.findByLabelText<HTMLInputElement>('Take some in from a file');
    await user.upload(file, new File(['{"format": "other"}'], 'a.json', { type: 'application/json' }));
    expect(await screen.findByText('This is no file of amendments. Nothing was taken in.')).toBeTruthy();
    await user.upload(file, new File([amendmentsFile(MILLBROOK)], 'b.json', { type: 'application/json' }));
    expect(await screen.findByText(/must be a day/)).toBeTruthy();
});

it('writes a file that is taken in again as it is', () => {
    expect(amendmentsIn(amendmentsFile(MILLBROOK))).toEqual(MILLBROOK);
    expect(amendmentsIn('{"format": "fall-bend-amendments", "version": 2}')).toMatch(/later version/);
    expect(amendmentsIn('{')).toMatch(/not a whole/);
});

it('sets a number where they hold and in no other job, and takes it out again', async () => {
    const user = userEvent.setup();
    const kept = keeping([MILLBROOK]);
    const set = vi.fn();
    show(<BookNumbers rulebooks={BOOKS} onSet={set} />);
    await screen.findByRole('option', { name: 'where Millbrook holds' });
    await user.selectOptions(screen.getByLabelText('What is set here holds'), 'Millbrook');
    expect(screen.getByLabelText<HTMLSelectElement>('Book').disabled).toBe(true);
    await user.type(screen.getByLabelText('Find a number'), 'vent');
    const form = (title: string) => within(screen.getByText(title).closest('form') as HTMLFormElement);
    expect(form('vent.above-roof').getByRole<HTMLInputElement>('textbox').value).toBe('12');
    const rise = form('vent.rise-least');
    await user.clear(rise.getByRole('textbox'));
    await user.type(rise.getByRole('textbox'), '10');
    await user.click(rise.getByRole('button', { name: 'Set ours' }));
    await waitFor(() => expect(kept).toHaveLength(1));
    expect(kept[0]?.rows).toEqual([...MILLBROOK.rows, { threshold: 'vent.rise-least', value: 254 }]);
    expect(set).toHaveBeenCalled();
    await user.click(form('vent.above-roof').getByRole('button', { name: 'Back to the book' }));
    await waitFor(() => expect(kept).toHaveLength(2));
    expect(kept[1]?.rows).toEqual([]);
});
