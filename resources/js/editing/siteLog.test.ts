import { beforeEach, describe, expect, it } from 'vitest';
import type { Result } from '../api/client';
import type { LogAnswer } from '../api/queries';
import type { LogEntry, SiteEvent } from '../api/types';
import { storageOf } from '../testing/storage';
import { SiteLog, type SiteLogWorld } from './siteLog';
import { jobsWithWaiting } from './waiting';

let stored: Map<string, string>;
let sent: SiteEvent[][];
let answers: ((entries: SiteEvent[]) => Result<LogAnswer>)[];
let now: number;
let later: { what: () => void; ms: number }[];
let keys: number;

const ok = (): Result<LogAnswer> => ({
    ok: true,
    data: { entries: [], length: sent.flat().length, now: new Date(now + 3_600_000).toISOString() },
});
const away = (): Result<LogAnswer> => ({ ok: false, status: 0, code: '', message: 'away', errors: {}, body: null });
const wrong = (n: number): Result<LogAnswer> => ({
    ok: false,
    status: 422,
    code: '',
    message: 'must be a joint',
    errors: { [`entries.${n}.joint`]: ['must be a joint'] },
    body: null,
});

const world = (): SiteLogWorld => ({
    storage: storageOf(stored),
    send: (entries) => {
        sent.push(entries);
        return Promise.resolve((answers.shift() ?? ok)(entries));
    },
    now: () => now,
    newKey: () => `key-${(keys += 1)}`,
    later: (what, ms) => later.push({ what, ms }),
});

/** The log of a device that somebody is signed in on. */
function signedIn(by = 'me', of = world()): SiteLog {
    const log = new SiteLog('log', of);
    log.signIn(by);
    return log;
}

const settle = async (): Promise<void> => {
    for (let i = 0; i < 20; i++) await Promise.resolve();
};

beforeEach(() => {
    stored = new Map<string, string>();
    sent = [];
    answers = [];
    later = [];
    now = Date.parse('2026-11-25T08:00:00Z');
    keys = 0;
});

const joint = (n: number) => ({ kind: 'joint' as const, run: 'r', joint: n });

describe('what happened on site', () => {
    it('is kept on the device before it is sent, and let go of once the server has it', async () => {
        const log = signedIn();
        log.add([joint(3)]);
        expect([...stored.values()].join()).toContain('"joint":3');
        await settle();
        expect(sent).toHaveLength(1);
        expect(sent[0]?.[0]).toMatchObject({ key: 'key-1', kind: 'joint', run: 'r', joint: 3, age_s: 0 });
        expect(log.snapshot()).toMatchObject({ pending: [], refused: [], length: 1 });
    });

    it('is sent again with the same key, and says how long ago it was', async () => {
        answers = [away, away];
        const log = signedIn();
        log.add([joint(3)]);
        await settle();
        now += 90_000;
        later.shift()?.what();
        await settle();
        later.shift()?.what();
        await settle();
        expect(sent.map((entries) => entries[0]?.key)).toEqual(['key-1', 'key-1', 'key-1']);
        expect(sent.map((entries) => entries[0]?.age_s)).toEqual([0, 90, 90]);
        expect(sent[2]?.[0]?.made_at).toBe('2026-11-25T08:00:00.000Z');
        expect(log.snapshot().pending).toEqual([]);
    });

    it('is kept by the page where the browser has no room, says so, and is sent once', async () => {
        answers = [away];
        const full = () => {
            throw new Error('QuotaExceededError');
        };
        const log = signedIn('me', { ...world(), storage: { ...storageOf(new Map()), setItem: full } });
        log.add([joint(3)]);
        await settle();
        expect(log.snapshot()).toMatchObject({ isStored: false, pending: [{ joint: 3 }] });
        later.shift()?.what();
        await settle();
        expect(sent.map((entries) => entries.map((one) => one.joint))).toEqual([[3], [3]]);
        expect(log.snapshot()).toMatchObject({ pending: [], refused: [] });
    });

    it('tries again once at a time, however often the line comes and goes', async () => {
        answers = [away, away, away];
        const log = signedIn();
        log.add([joint(3)]);
        await settle();
        await log.flush();
        await log.flush();
        expect(sent).toHaveLength(3);
        expect(later).toHaveLength(1);
    });

    it('outlives a page that is closed', async () => {
        answers = [away];
        signedIn().add([joint(3)]);
        await settle();
        const next = signedIn();
        expect(next.snapshot().pending.map((one) => one.joint)).toEqual([3]);
        await next.flush();
        expect(next.snapshot().pending).toEqual([]);
    });

    it('loses nothing that another tab has said meanwhile', async () => {
        answers = [away, away];
        const [one, other] = [signedIn(), signedIn()];
        one.add([joint(1)]);
        other.add([joint(2)]);
        await settle();
        await one.flush();
        expect(sent.at(-1)?.map((event) => event.joint)).toEqual([1, 2]);
        expect([...stored.keys()].filter((key) => key.includes('|w|'))).toEqual([]);
    });

    it('says what the server did not take, and sends the others', async () => {
        answers = [() => wrong(1)];
        const log = signedIn();
        log.add([joint(1), joint(0), joint(2)]);
        await settle();
        expect(sent[1]?.map((event) => event.joint)).toEqual([1, 2]);
        expect(log.snapshot().refused).toMatchObject([{ joint: 0, why: 'must be a joint' }]);
        log.forget('key-2');
        expect(log.snapshot().refused).toEqual([]);
    });

    it('knows the clock of the server, however wrong that of the device is', async () => {
        const log = signedIn();
        log.add([joint(1)]);
        await settle();
        expect(log.snapshot().ahead).toBe(3_600_000);
        log.heard({ entries: [], length: 1, now: new Date(now + 3_600_400).toISOString() });
        expect(log.snapshot().ahead).toBe(3_600_000);
        log.heard({ entries: [], length: 4, now: new Date(now - 60_000).toISOString() });
        expect(log.snapshot()).toMatchObject({ ahead: -60_000, length: 4 });
    });

    it('is sent by nobody but whoever said it', async () => {
        answers = [away];
        signedIn('apprentice').add([joint(3)]);
        await settle();
        const lead = signedIn('lead');
        await settle();
        expect(sent).toHaveLength(1);
        lead.add([joint(4)]);
        await settle();
        expect(sent[1]?.map((one) => one.joint)).toEqual([4]);
        expect(lead.snapshot().pending).toMatchObject([{ joint: 3, by: 'apprentice' }]);
        signedIn('apprentice');
        await settle();
        expect(sent[2]?.map((one) => one.joint)).toEqual([3]);
        expect(sent[2]?.[0]).not.toHaveProperty('by');
    });

    it('is sent where an earlier release kept it, which did not say by whom', async () => {
        stored.set('log', JSON.stringify({ pending: [{ ...joint(3), key: 'key-of-before', at: now }], refused: [] }));
        const log = signedIn('lead');
        await settle();
        expect(sent[0]).toMatchObject([{ key: 'key-of-before', joint: 3 }]);
        expect(log.snapshot().pending).toEqual([]);
    });

    it('stands among what the device knows until it is read with the rest of the log', async () => {
        answers = [
            (entries) => ({
                ok: true,
                data: {
                    entries: entries.map((one, n) => ({ number: n + 1, kind: one.kind, said: {} }) as LogEntry),
                    length: 1,
                    now: '2026-11-25T08:00:00Z',
                },
            }),
        ];
        const log = signedIn();
        log.add([joint(3)]);
        await settle();
        expect(log.snapshot().arrived.map((one) => one.number)).toEqual([1]);
        log.known(1);
        expect(log.snapshot().arrived).toEqual([]);
    });
});

it('says of which jobs something waits in this browser', () => {
    const storage = storageOf(
        new Map([
            ['fall-bend.log.a', '{"pending":[{"key":"k"}],"refused":[]}'],
            ['fall-bend.log.b', '{"pending":[]}'],
            ['fall-bend.log.c|w|000000001|k', '{}'],
            ['fall-bend.log.d|r|000000001|k', '{}'],
            ['fall-bend.other', '{}'],
        ]),
    );
    expect(jobsWithWaiting(storage)).toEqual(['a', 'c']);
    expect(jobsWithWaiting(null)).toEqual([]);
});

describe('two pages of one device', () => {
    it('take nothing from one another, whichever of them says and sends', async () => {
        answers = [away, away];
        const [one, other] = [signedIn(), signedIn()];
        one.add([joint(1)]);
        other.add([joint(2)]);
        one.add([joint(3)]);
        await settle();
        other.look();
        expect(other.snapshot().pending.map((said) => said.joint)).toEqual([1, 2, 3]);
        await one.flush();
        expect(one.snapshot().pending).toEqual([]);
        // What the other page shows as waiting was sent: it is told by the storage, or finds it when it tries itself.
        expect(other.snapshot().pending).toHaveLength(3);
        await other.flush();
        expect(other.snapshot().pending).toEqual([]);
    });

    it('store what is said at the same moment, though each reads before the other has written', () => {
        const [one, other] = [signedIn(), signedIn()];
        const before = new Map(stored);
        one.add([joint(1)]);
        const ofOne = new Map(stored);
        // The other page sees the storage as it was.
        stored.clear();
        before.forEach((value, key) => stored.set(key, value));
        other.add([joint(2)]);
        ofOne.forEach((value, key) => stored.set(key, value));
        expect(
            signedIn()
                .snapshot()
                .pending.map((said) => said.joint)
                .sort(),
        ).toEqual([1, 2]);
    });

    it('take over what an earlier release kept, in its order', () => {
        const old = {
            pending: [
                { ...joint(1), key: 'a', at: 1 },
                { ...joint(2), key: 'b', at: 0 },
            ],
            refused: [],
        };
        stored.set('log', JSON.stringify(old));
        answers = [away];
        expect(
            signedIn()
                .snapshot()
                .pending.map((said) => said.joint),
        ).toEqual([1, 2]);
        expect(stored.has('log')).toBe(false);
    });
});
