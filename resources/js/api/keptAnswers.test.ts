import { describe, expect, it } from 'vitest';
import { KeptAnswers, MOST_BYTES, questionOf, type AnswerStore, type KeptAnswer } from './keptAnswers';

/** A device that keeps in memory, and a clock that is moved by hand. */
function device() {
    const all = new Map<string, KeptAnswer>();
    const store: AnswerStore = {
        find: (key) => Promise.resolve(all.get(key)),
        newest: (about) =>
            Promise.resolve([...all.values()].filter((one) => one.about === about).sort((a, b) => b.at - a.at)[0]),
        put: (answer) => Promise.resolve(void all.set(answer.key, answer)),
        sizes: () => Promise.resolve([...all.values()]),
        remove: (keys) => Promise.resolve(keys.forEach((key) => all.delete(key))),
    };
    const clock = { now: 1_000 };
    return { all, clock, kept: new KeptAnswers(store, () => clock.now) };
}

describe('what is kept of answers', () => {
    it.each([
        ['GET', '/api/jobs?page=1', true],
        ['GET', '/api/session', true],
        ['POST', '/api/hang', true],
        ['POST', '/api/reckon/trap-fit', true],
        ['POST', '/api/evaluate', false],
        ['POST', '/api/jobs', false],
        ['PUT', '/api/jobs/a', false],
        ['DELETE', '/api/session', false],
        ['GET', '/api/jobs/a/file', false],
        ['GET', '/api/jobs/a/photographs/abc', false],
        ['GET', '/api/shared/abc', false],
    ])('of %s %s: %s', (method, path, isKept) => {
        expect(questionOf(method, path, {}) !== null).toBe(isKept);
    });

    it('gives what was asked just so, else the newest that asks for the same at another time', async () => {
        const { kept, clock } = device();
        const day = (start: string) => ({ document: { a: 1 }, run: 'r', start });
        await kept.keep('POST', '/api/day', day('Monday'), 'of Monday');
        clock.now = 2_000;
        await kept.keep('POST', '/api/day', day('Tuesday'), 'of Tuesday');
        expect(await kept.find('POST', '/api/day', day('Monday'))).toBe('of Monday');
        expect(await kept.find('POST', '/api/day', day('Friday'))).toBe('of Tuesday');
        expect(await kept.find('POST', '/api/day', { ...day('Friday'), run: 'other' })).toBeUndefined();
        expect(await kept.find('POST', '/api/day', { ...day('Friday'), document: { a: 2 } })).toBeUndefined();
    });

    it('keeps a file as it came, whatever day stands on it', async () => {
        const { kept } = device();
        const bytes = new Uint8Array(70_000).map((_, i) => i % 256);
        const ticket = (on: string) => ({ document: { a: 1 }, run: 'r', on });
        await kept.keep('POST', '/api/ticket', ticket('Monday'), new Blob([bytes], { type: 'application/pdf' }));
        const file = (await kept.find('POST', '/api/ticket', ticket('Tuesday'))) as Blob;
        expect(file.type).toBe('application/pdf');
        expect(new Uint8Array(await file.arrayBuffer())).toEqual(bytes);
    });

    it('knows in which revision a job was taken along', async () => {
        const { kept } = device();
        expect(await kept.alongIn('a')).toBeNull();
        await kept.setAlong('a', 7);
        expect(await kept.alongIn('a')).toBe(7);
        await kept.forget('a');
        expect(await kept.alongIn('a')).toBeNull();
    });

    it('answers a job from the whole, whatever is wanted of it, and keeps no part of one for another', async () => {
        const { kept } = device();
        await kept.keep('GET', '/api/jobs/a?want=job,places', undefined, 'a part');
        expect(await kept.find('GET', '/api/jobs/a?want=job,places', undefined)).toBeUndefined();
        await kept.keepWhole('a', 'all of it');
        await kept.keepWhole('b', 'of another');
        expect(await kept.find('GET', '/api/jobs/a?want=cut%3Ar', undefined)).toBe('all of it');
    });

    it('puts what comes of a log to what it has of it, leaves no hole, and says when it came', async () => {
        const { kept, clock } = device();
        const log = (after: number) => `/api/jobs/a/log?after=${after}`;
        const entries = (...numbers: number[]) => ({
            entries: numbers.map((number) => ({ number })),
            length: 9,
            now: 'then',
        });
        await kept.keep('GET', log(0), undefined, entries(1, 2));
        clock.now = 5_000;
        await kept.keep('GET', log(2), undefined, entries(3));
        // Another page knew more than is kept here.
        await kept.keep('GET', log(7), undefined, entries(8));
        // What is there already is not put there twice.
        await kept.keep('GET', log(1), undefined, entries(2, 3, 4));
        expect(await kept.find('GET', log(0), undefined)).toEqual({
            entries: [1, 2, 3, 4].map((number) => ({ number })),
            length: 4,
            now: 'then',
            here: [],
            came: 5_000,
        });
        expect(await kept.find('GET', log(4), undefined), 'more is not known').toBeUndefined();
    });

    it('lets go of what came longest ago where it has no room, and of what is asked for', async () => {
        const { kept, all, clock } = device();
        const large = 'x'.repeat(MOST_BYTES / 2 - 100);
        for (const job of ['a', 'b', 'c']) {
            clock.now++;
            await kept.keepWhole(job, large);
        }
        expect([...all.values()].map((one) => one.job)).toEqual(['b', 'c']);
        expect(await kept.sizes()).toEqual(new Map(['b', 'c'].map((job) => [job, large.length + 2])));
        await kept.keep('GET', '/api/choices', undefined, 1);
        await kept.forget('b');
        expect([...(await kept.sizes()).keys()]).toEqual(['c', '']);
        await kept.forget();
        expect(all.size).toBe(0);
    });
});
