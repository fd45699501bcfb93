import { describe, expect, it } from 'vitest';
import { EVERY_RUN, JobParts, partsAnew, partsOf, withChange } from './parts';
import type { JobDocument } from './types';

const HEAD = { units: 'inch', counts_flow: false, standing: [] };
const PLACES = [{ run: 'a' }, { run: 'b' }];

/** A server that answers with what differs from what it is told of. */
function answering(values: Record<string, unknown>) {
    return (want: Record<string, string>, most = 99) => {
        const names = new Set(Object.keys(want));
        if (names.delete(EVERY_RUN)) Object.keys(values).forEach((name) => name.startsWith('run:') && names.add(name));
        const all = [...names];
        const hash = (name: string): string => `h${JSON.stringify(values[name] ?? null)}`;
        const parts = all.slice(0, most).filter((name) => want[name] !== hash(name));
        return {
            phrases: [],
            parts: Object.fromEntries(parts.map((name) => [name, { hash: hash(name), value: values[name] ?? null }])),
            later: all.slice(most),
        };
    };
}

describe('parts of an evaluation', () => {
    it('are sent once, and put together from what is held', () => {
        const parts = new JobParts();
        parts.want(['run:a']);
        expect(parts.isMissing).toBe(true);
        const server = answering({ job: HEAD, places: PLACES, 'run:a': { id: 'a', n: 1 }, 'run:b': { id: 'b', n: 1 } });
        const first = parts.asked();
        parts.take(first, server(first.want));
        expect(parts.isMissing).toBe(false);
        expect(parts.evaluation([]).runs).toEqual([{ id: 'a', n: 1 }]);
        const second = parts.asked();
        const answer = server(second.want);
        expect(answer.parts).toEqual({});
        parts.take(second, answer);
        expect(parts.evaluation([]).runs).toEqual([{ id: 'a', n: 1 }]);
        expect(parts.evaluation([]).network.places).toEqual(PLACES);
    });

    it('that nobody wants any more are let go, and never shown as they were', () => {
        const parts = new JobParts();
        const server = answering({ job: HEAD, places: PLACES, 'run:a': { id: 'a' }, 'run:b': { id: 'b' } });
        parts.want(['run:a']);
        const first = parts.asked();
        parts.take(first, server(first.want));
        parts.want(['run:b']);
        expect(parts.isMissing).toBe(true);
        const second = parts.asked();
        parts.take(second, server(second.want));
        expect(parts.evaluation([]).runs).toEqual([{ id: 'b' }]);
        parts.want(['run:a']);
        expect(parts.isMissing).toBe(true);
    });

    it('of every run come with runs that nobody knew of, and go with those that are gone', () => {
        const parts = new JobParts();
        parts.want([EVERY_RUN]);
        const first = parts.asked();
        parts.take(first, answering({ job: HEAD, places: [{ run: 'a' }], 'run:a': { id: 'a' } })(first.want));
        expect(parts.isMissing).toBe(false);
        const second = parts.asked();
        expect(Object.keys(second.want)).toContain('run:a');
        parts.take(second, answering({ job: HEAD, places: [{ run: 'b' }], 'run:b': { id: 'b' } })(second.want));
        expect(parts.evaluation([]).runs).toEqual([{ id: 'b' }]);
    });

    it('belong to the request that they answer, however late it is answered', () => {
        const parts = new JobParts();
        parts.want(['run:a']);
        const old = { job: HEAD, places: PLACES, 'run:a': { id: 'a', n: 1 } };
        const start = parts.asked();
        parts.take(start, answering(old)(start.want));
        const late = parts.asked();
        const lateAnswer = answering(old)(late.want);
        const next = parts.asked();
        parts.take(next, answering({ ...old, 'run:a': { id: 'a', n: 2 } })(next.want));
        expect(parts.evaluation([]).runs).toEqual([{ id: 'a', n: 2 }]);
        // It says that nothing is other than it was then.
        parts.take(late, lateAnswer);
        expect(parts.evaluation([]).runs).toEqual([{ id: 'a', n: 1 }]);
    });

    it('are not named where a page is opened anew: an address is no longer than what is shown', () => {
        const before = partsOf('job');
        before.want([EVERY_RUN]);
        const first = before.asked();
        before.take(first, answering({ job: HEAD, places: PLACES, 'run:a': {}, 'run:b': {} })(first.want));
        expect(Object.keys(before.asked().want)).toContain('run:a');
        const anew = partsAnew('job');
        anew.want([EVERY_RUN]);
        expect(Object.keys(anew.asked().want)).toEqual(['job', 'places', EVERY_RUN]);
        expect(partsOf('job')).toBe(anew);
    });

    it('that do not fit into one answer come in the next ones', () => {
        const parts = new JobParts();
        parts.want([EVERY_RUN]);
        const server = answering({ job: HEAD, places: PLACES, 'run:a': { id: 'a' }, 'run:b': { id: 'b' } });
        const asked = parts.asked();
        let left = parts.take(asked, server(asked.want, 2));
        expect(left).toHaveLength(2);
        while (left.length > 0) {
            const more = parts.asked(new Set(left));
            left = parts.take(more, server(more.want, 1), true);
        }
        expect(parts.evaluation([]).runs).toEqual([{ id: 'a' }, { id: 'b' }]);
        expect(parts.isMissing).toBe(false);
    });

    it('that take long are not asked for again: a plan of sticks is a question of its own', () => {
        const parts = new JobParts();
        parts.want(['run:a', 'cut:a']);
        const asked = parts.asked();
        const values = { job: HEAD, places: PLACES, 'run:a': { id: 'a' } };
        const want = Object.fromEntries(Object.entries(asked.want).filter(([name]) => name !== 'cut:a'));
        expect(parts.take(asked, { ...answering(values)(want), later: ['cut:a'] })).toEqual([]);
        expect(parts.evaluation([]).cuts).toEqual({});
        expect(parts.isMissing).toBe(false);
    });
});

describe('a document with what the server made other in it', () => {
    const document = { name: 'x', place: 'y', hanging: [], runs: [{ id: 'a' }, { id: 'b' }] } as unknown as JobDocument;

    it('has its runs where they were, and new ones at the end', () => {
        const runs = [{ id: 'b', size: '2' }, { id: 'c' }] as unknown as JobDocument['runs'];
        const changed = withChange(document, { set: { name: 'z' }, gone: ['hanging'], runs });
        expect(changed).toEqual({ name: 'z', place: 'y', runs: [{ id: 'a' }, { id: 'b', size: '2' }, { id: 'c' }] });
    });

    it('is the same where nothing is other', () => {
        expect(withChange(document, { set: {}, gone: [], runs: [] })).toEqual(document);
    });
});
