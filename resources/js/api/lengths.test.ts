import { afterEach, expect, test, vi } from 'vitest';
import { readLength } from './lengths';

const tape = (mm: number) => ({ mm, inch: '', feet: '', metric: '' });

function answers(lengths: unknown[]) {
    const fetched = vi.fn((_path: string, _init: RequestInit) =>
        Promise.resolve(new Response(JSON.stringify({ lengths }), { headers: { 'Content-Type': 'application/json' } })),
    );
    vi.stubGlobal('fetch', fetched);
    vi.stubGlobal('document', { cookie: '' });
    return fetched;
}

afterEach(() => vi.unstubAllGlobals());

test('what is asked for at once goes in one request, each text once', async () => {
    const fetched = answers([
        { read: tape(25.4), problem: null },
        { read: null, problem: 'a comma is no point' },
    ]);
    const [one, other, same] = await Promise.all([
        readLength('1', 'inch'),
        readLength('1,3', 'inch'),
        readLength('1', 'inch'),
    ]);
    expect(fetched).toHaveBeenCalledTimes(1);
    expect(JSON.parse(fetched.mock.calls[0]?.[1].body as string)).toEqual({ texts: ['1', '1,3'], units: 'inch' });
    expect(one).toEqual({ ok: true, data: tape(25.4) });
    expect(same).toEqual(one);
    expect(other).toMatchObject({ ok: false, errors: { text: ['a comma is no point'] } });
});

test('what is asked for later goes in the next', async () => {
    const fetched = answers([{ read: tape(1), problem: null }]);
    await readLength('1', 'mm');
    await readLength('2', 'mm');
    expect(fetched).toHaveBeenCalledTimes(2);
});
