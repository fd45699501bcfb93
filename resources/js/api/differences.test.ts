// @vitest-environment jsdom
import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { call } from './client';
import { forget, serverHas, sums } from './differences';

const demo = JSON.parse(readFileSync('database/demo/mill-row-pottery.json', 'utf8')) as {
    runs: { id: string; legs: object[] }[];
};

const answer = (body: unknown, status = 200): Response =>
    new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

/** What was sent, in order. */
function server(...answers: Response[]) {
    const sent: { path: string; body: Record<string, unknown>; length: number }[] = [];
    vi.stubGlobal('fetch', (path: string, { body }: { body: string }) => {
        sent.push({ path, body: JSON.parse(body) as Record<string, unknown>, length: body.length });
        return Promise.resolve(answers.shift() ?? answer({}));
    });
    return sent;
}

beforeEach(() => forget('j'));
afterEach(() => vi.unstubAllGlobals());

const changed = () => {
    const document = structuredClone(demo);
    document.runs[0]?.legs.push({ id: 'l9', way: 'right', length_mm: 254.5 });
    return document;
};

it('sends a document whole until the server has one, then what differs from that', async () => {
    const sent = server();
    await call('POST', '/api/evaluate', { job: 'j', document: changed(), want: {} });
    expect(sent[0]?.body.document).toEqual(changed());
    serverHas('j', 7, demo);
    await call('POST', '/api/evaluate', { job: 'j', document: changed(), want: {} });
    await call('PUT', '/api/jobs/j', { from: 7, document: demo });
    expect(sent[1]?.body).toEqual({
        job: 'j',
        want: {},
        document_of: {
            revision: 7,
            patch: [{ op: 'add', path: '/runs/0/legs/-', value: { id: 'l9', way: 'right', length_mm: 254.5 } }],
            sums: sums(changed() as never),
        },
    });
    expect(sent[1]?.length).toBeLessThan((sent[0]?.length ?? 0) / 20);
    expect(sent[2]?.body.document_of).toMatchObject({ revision: 7, patch: [] });
});

it('sends the whole where the server does not know what it differs from, then and from there on', async () => {
    serverHas('j', 7, demo);
    const sent = server(answer({ code: 'base-unknown' }, 409));
    expect(await call('POST', '/api/evaluate', { job: 'j', document: changed() })).toMatchObject({ ok: true });
    await call('POST', '/api/evaluate', { job: 'j', document: changed() });
    expect(sent.map(({ body }) => 'document' in body)).toEqual([false, true, true]);
});

it('hands on any other conflict, and sends a document of no job whole', async () => {
    serverHas('j', 7, demo);
    const sent = server(answer({ code: 'stale', message: 'changed' }, 409));
    const result = await call('PUT', '/api/jobs/j', { from: 7, document: changed() });
    expect(result).toMatchObject({ ok: false, status: 409, code: 'stale', body: { message: 'changed' } });
    await call('POST', '/api/evaluate', { document: changed() });
    expect(sent.map(({ body }) => 'document' in body)).toEqual([false, true]);
});

it('adds up names, texts and numbers, and nothing that is not sent', () => {
    const document = { a: 'é😀', b: [1, -0.3, true, null], none: undefined } as never;
    expect(sums(document)).toEqual({ leaves: 5, letters: 5, numbers: 8 - 3 + 1 });
});
