import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { differences, patched, sayTheSame, type Json } from './patch';

/**
 * Documents like a job's: things with ids in lists, things that are told apart by the run that they are about, lists of
 * plain values, fields that come and go.
 */
const leg = fc.record(
    {
        id: fc.constantFrom('l1', 'l2', 'l3', 'l4'),
        length_mm: fc.integer({ min: 1, max: 5 }),
        what: fc.option(fc.constantFrom('a', 'b'), { nil: undefined }),
    },
    { requiredKeys: ['id', 'length_mm'] },
);
const run = fc.record({
    id: fc.constantFrom('sink', 'bath', 'stack'),
    name: fc.constantFrom('x', 'y'),
    legs: fc.uniqueArray(leg, { selector: (one) => one.id, maxLength: 4 }),
});
const hung = fc.record({
    run: fc.constantFrom('sink', 'bath', 'stack'),
    swing_c: fc.integer({ min: 1, max: 3 }),
});
const job = fc.record(
    {
        name: fc.constantFrom('one', 'two'),
        runs: fc.uniqueArray(run, { selector: (one) => one.id, maxLength: 3 }),
        cutting: fc.record({ objective: fc.constantFrom('sticks', 'price') }),
        hanging: fc.uniqueArray(hung, { selector: (one) => one.run, maxLength: 3 }),
        plain: fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 3 }),
    },
    { requiredKeys: ['name', 'runs'] },
);

/** What stands in a document once it has been through JSON, as everything has that is stored or sent. */
const whole = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe('differences between documents', () => {
    it('change the one to the other, and are none between the same', () => {
        fc.assert(
            fc.property(job, job, (before, after) => {
                const patch = whole(differences(before, after)) as ReturnType<typeof differences>;
                const result = patched(before, patch);
                expect(whole(result.document)).toEqual(whole(after));
                expect(result.clashes).toEqual([]);
                expect(sayTheSame(before, after)).toBe(JSON.stringify(patch) === '[]');
            }),
            { numRuns: 500 },
        );
    });

    it('may be made twice, and say the same then', () => {
        fc.assert(
            fc.property(job, job, (before, after) => {
                const patch = differences(before, after);
                const twice = patched(patched(before, patch).document, patch);
                expect(whole(twice.document)).toEqual(whole(after));
                expect(twice.clashes).toEqual([]);
            }),
            { numRuns: 300 },
        );
    });

    it('leave what somebody else changed beside them, and clash only over the same place', () => {
        const start = {
            runs: [
                {
                    id: 'a',
                    legs: [
                        { id: 'l1', length_mm: 1 },
                        { id: 'l2', length_mm: 2 },
                    ],
                },
                { id: 'b', legs: [] },
            ],
        };
        const mine = {
            runs: [
                {
                    id: 'a',
                    legs: [
                        { id: 'l1', length_mm: 9 },
                        { id: 'l2', length_mm: 2 },
                    ],
                },
                { id: 'b', legs: [] },
            ],
        };
        const beside = {
            runs: [
                {
                    id: 'a',
                    legs: [
                        { id: 'l1', length_mm: 1 },
                        { id: 'l2', length_mm: 7 },
                        { id: 'l3', length_mm: 3 },
                    ],
                },
                { id: 'b', legs: [] },
            ],
        };
        expect(patched(beside, differences(start, mine))).toEqual({
            document: {
                runs: [
                    {
                        id: 'a',
                        legs: [
                            { id: 'l1', length_mm: 9 },
                            { id: 'l2', length_mm: 7 },
                            { id: 'l3', length_mm: 3 },
                        ],
                    },
                    { id: 'b', legs: [] },
                ],
            },
            clashes: [],
        });
        const same = {
            runs: [
                {
                    id: 'a',
                    legs: [
                        { id: 'l1', length_mm: 5 },
                        { id: 'l2', length_mm: 2 },
                    ],
                },
                { id: 'b', legs: [] },
            ],
        };
        expect(patched(same, differences(start, mine)).clashes).toHaveLength(1);
        const gone = {
            runs: [
                { id: 'a', legs: [{ id: 'l2', length_mm: 2 }] },
                { id: 'b', legs: [] },
            ],
        };
        const { document, clashes } = patched(gone, differences(start, mine));
        expect([document, clashes.length]).toEqual([gone, 1]);
    });

    it('tell what is decided of different runs apart', () => {
        const hung = (run: string): Json => ({ run, swing_c: 10 });
        const [none, one, other] = [[], [hung('a')], [hung('b')]].map((hanging) => ({ hanging }));
        expect(patched(other, differences(none, one))).toEqual({
            document: { hanging: [hung('b'), hung('a')] },
            clashes: [],
        });
    });

    it('leave marks to the server', () => {
        const marked = (letter: string): Json => ({
            runs: [{ id: 'a', marks: { pieces: { 'l1.1': letter } }, next_leg: 4 }],
        });
        expect(sayTheSame(marked('A'), marked('B'))).toBe(true);
    });

    it('keep an order that was changed', () => {
        const list = (...ids: string[]): Json => ({ runs: ids.map((id) => ({ id })) });
        expect(patched(list('a', 'b', 'c'), differences(list('a', 'b', 'c'), list('c', 'a', 'b'))).document).toEqual(
            list('c', 'a', 'b'),
        );
        expect(patched(list('a', 'b', 'c'), differences(list('a', 'c'), list('a', 'x', 'c'))).document).toEqual(
            list('a', 'x', 'c', 'b'),
        );
    });
});
