// @vitest-environment jsdom
import { afterEach, expect, it, vi } from 'vitest';
import { keptBy, type Keeper } from './client';
import { keepWholeJob } from './takenAlong';

afterEach(() => {
    keptBy(Promise.resolve(null));
    vi.unstubAllGlobals();
});

const answer = (body: unknown): Response =>
    new Response(JSON.stringify(body), { status: 200, headers: { 'Content-Type': 'application/json' } });

it('asks of the next revision of a job only what differs, and keeps the whole of it', async () => {
    const kept: unknown[] = [];
    const keeper = {
        keep: () => Promise.resolve(),
        keepWhole: (_: string, all: unknown) => Promise.resolve(kept.push(all)),
    };
    keptBy(Promise.resolve(keeper as unknown as Keeper));
    const document = { runs: [{ id: 'r' }, { id: 's' }] };
    const part = (hash: string) => ({ hash, value: `value ${hash}` });
    const asked: [string, unknown][] = [];
    const answers = [
        { id: 'j', document, parts: { job: part('1'), 'run:r': part('2'), 'run:s': part('3') }, later: ['cut:r'] },
        { parts: { 'cut:r': part('4') }, later: [] },
        { id: 'j', document, parts: { job: part('1') }, later: [] },
        { parts: { 'run:s': part('5') }, later: ['cut:s'] },
        { parts: { 'cut:s': part('6') }, later: [] },
    ];
    vi.stubGlobal('fetch', (path: string, { body }: { body?: string }) => {
        asked.push([path, body === undefined ? null : (JSON.parse(body) as { want: unknown }).want]);
        return Promise.resolve(answer(answers.shift()));
    });
    await keepWholeJob('j', ['r', 's']);
    await keepWholeJob('j', ['r', 's']);
    const of = (hashes: string[], more: object = {}) => ({
        id: 'j',
        document,
        parts: { job: part('1'), 'run:r': part('2'), 'run:s': part(hashes[0] ?? ''), 'cut:r': part('4'), ...more },
        later: [],
    });
    expect(kept).toEqual([of(['3']), of(['5'], { 'cut:s': part('6') })]);
    expect(asked.slice(2)).toEqual([
        ['/api/jobs/j?want=job', null],
        [
            '/api/evaluate',
            {
                job: '1',
                places: '',
                fixtures: '',
                pipes: '',
                crossings: '',
                singles: '',
                'run:r': '2',
                'cut:r': '4',
                'run:s': '3',
                'cut:s': '',
            },
        ],
        ['/api/evaluate', { 'cut:s': '' }],
    ]);
});
