// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { http, HttpResponse } from 'msw';
import { expect, it } from 'vitest';
import type { JobDocument } from '../api/types';
import { emptyJob, show, standInServer } from '../testing/screen';
import { bookOf, judgedBy, useBooks, type Book } from './useBooks';

const server = standInServer();

const AMENDED = {
    name: 'Millbrook',
    rulebook: 'irc-2021' as const,
    said_by: 'the building office',
    said_on: '2026-11-20',
    rows: [{ threshold: 'vent.above-roof', value: 304.8 }],
};

function Names({ of }: { of?: JobDocument }) {
    return useBooks(of).map((book) => <p key={book.key}>{book.name}</p>);
}

const kept = (name: string, unusable: string | null = null) => ({
    id: name.length,
    by: 'lead',
    at: '2026-11-21T08:00:00Z',
    unusable,
    amendments: { ...AMENDED, name },
});

it('offers the books, those that are otherwise in a place, and the one that a job has taken along', async () => {
    server.use(
        http.get('/api/amendments', () =>
            HttpResponse.json({ amendments: [kept('Ferry Lane'), kept('Old Town', 'no such row')] }),
        ),
    );
    show(<Names of={{ ...emptyJob(), amendments: AMENDED }} />);
    expect(await screen.findByText(/with Ferry Lane$/)).toBeTruthy();
    expect(screen.getByText(/with Millbrook$/)).toBeTruthy();
    expect(screen.queryByText(/Old Town/), 'what cannot be used is not offered').toBeNull();
});

it('takes amendments along into the job, and leaves them behind under another book', () => {
    const book: Book = {
        key: 'amended Millbrook',
        name: 'IRC 2021 with Millbrook',
        rulebook: 'irc-2021',
        amendments: AMENDED,
    };
    const job = judgedBy(emptyJob(), book);
    expect(job.amendments).toEqual(AMENDED);
    expect(bookOf(job)).toBe('amended Millbrook');
    const plain = judgedBy(job, { key: 'upc-2021', name: 'UPC 2021', rulebook: 'upc-2021' });
    expect(plain).toEqual({ ...emptyJob(), rulebook: 'upc-2021' });
    expect(bookOf(plain)).toBe('upc-2021');
});
