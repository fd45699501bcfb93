import { expect, it } from 'vitest';
import type { JobDocument } from '../api/types';
import { refusalInWords } from './refusal';

const document = { runs: [{ name: 'House drain' }, { name: 'Flat stack' }] } as unknown as JobDocument;
const said = (field: string, reason: string): string =>
    refusalInWords({ message: `${field} ${reason}`, errors: { [field]: [reason] } }, document);

it('is said of the run where it meets another', () => {
    expect(said('runs.1.tie_in.branch.leg', 'enters House drain on a leg that is not there')).toBe(
        'Flat stack enters House drain on a leg that is not there.',
    );
    expect(said('runs.0.tie_in.run', 'goes on into no run')).toBe('House drain goes on into no run.');
});

it('names its place elsewhere', () => {
    expect(said('runs.0.size', 'must be one of 2, 3')).toBe('runs.0.size must be one of 2, 3');
    expect(said('runs.7.tie_in.run', 'goes on into no run')).toBe('runs.7.tie_in.run goes on into no run');
    expect(refusalInWords({ message: 'That did not work. Try again.', errors: {} }, document)).toBe(
        'That did not work. Try again.',
    );
});
