import { beforeEach, describe, expect, it } from 'vitest';
import type { Result } from '../api/client';
import { Pictures, type PictureWorld, type TakenPicture } from './pictures';
import type { Happened } from './waiting';

let stored: Map<string, TakenPicture>;
let sent: string[];
let logged: { event: Happened; key: string; at: number }[];
let answers: Result<{ hash: string }>[];
let later: (() => void)[];
let isFull: boolean;

const away: Result<{ hash: string }> = { ok: false, status: 0, code: '', message: '', errors: {}, body: null };
const wrong: Result<{ hash: string }> = { ...away, status: 422, message: 'is no picture' };

const world = (): PictureWorld => ({
    store: {
        all: () => Promise.resolve([...stored.values()]),
        put: (one) => {
            if (isFull) return Promise.reject(new Error('QuotaExceededError'));
            stored.set(one.key, one);
            return Promise.resolve();
        },
        remove: (key) => {
            stored.delete(key);
            return Promise.resolve();
        },
    },
    send: async (job, picture) => {
        const text = await picture.text();
        sent.push(`${job} ${text}`);
        return answers.shift() ?? { ok: true, data: { hash: `hash of ${text}` } };
    },
    logOf: () => ({ addTaken: (event, key, at) => void logged.push({ event, key, at }) }),
    later: (what) => later.push(what),
});

const taken = (key: string, at: number): Omit<TakenPicture, 'by'> => ({
    key,
    job: 'j',
    at,
    picture: new Blob([key]),
    said: { run: 'r', joint: 3, note: 'The stub.' },
});

const signedIn = (by: string): Pictures => {
    const pictures = new Pictures(world());
    pictures.signIn(by);
    return pictures;
};

const settle = async (): Promise<void> => {
    for (let i = 0; i < 60; i++) await new Promise((done) => setTimeout(done, 0));
};

beforeEach(() => {
    stored = new Map<string, TakenPicture>();
    [sent, logged, answers, later, isFull] = [[], [], [], [], false];
});

describe('pictures', () => {
    it('are named in the log once the server has them, by the key and the time of their taking', async () => {
        const pictures = signedIn('me');
        await pictures.add(taken('one', 1_000));
        await settle();
        const event = { kind: 'photograph', hash: 'hash of one', run: 'r', joint: 3, note: 'The stub.' };
        expect(logged).toEqual([{ event, key: 'one', at: 1_000 }]);
        expect(stored.size).toBe(0);
        expect(pictures.snapshot()).toEqual({ waiting: [], refused: [] });
    });

    it('stay on the device while there is no line, through a page that is closed, and go in their order', async () => {
        answers = [away];
        const before = signedIn('me');
        await before.add(taken('two', 2_000));
        await settle();
        await before.add(taken('one', 1_000));
        answers = [away];
        await settle();
        expect(before.snapshot().waiting.map((one) => one.key)).toEqual(['one', 'two']);
        expect(logged).toEqual([]);
        signedIn('me');
        await settle();
        expect(logged.map((one) => one.key)).toEqual(['one', 'two']);
        expect(stored.size).toBe(0);
    });

    it('are tried again by themselves', async () => {
        answers = [away];
        await signedIn('me').add(taken('one', 1_000));
        await settle();
        expect(later).toHaveLength(1);
        later[0]?.();
        await settle();
        expect(sent).toEqual(['j one', 'j one']);
        expect(logged).toHaveLength(1);
    });

    it('that the server does not take are said to be, and keep no other from being sent', async () => {
        answers = [wrong];
        const pictures = signedIn('me');
        await pictures.add(taken('bad', 1_000));
        await settle();
        await pictures.add(taken('good', 2_000));
        await settle();
        expect(pictures.snapshot().refused).toEqual([{ key: 'bad', why: 'is no picture' }]);
        expect(logged.map((one) => one.key)).toEqual(['good']);
        await pictures.forget('bad');
        expect(pictures.snapshot()).toEqual({ waiting: [], refused: [] });
    });

    it('are sent by nobody but whoever took them', async () => {
        answers = [away];
        await signedIn('apprentice').add(taken('one', 1_000));
        await settle();
        signedIn('lead');
        await settle();
        expect(sent).toHaveLength(1);
    });

    it('for which there is no room are not said to be kept', async () => {
        isFull = true;
        await expect(signedIn('me').add(taken('one', 1_000))).rejects.toThrow('Quota');
    });
});
