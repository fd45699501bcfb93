import type { Keeper } from './client';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { OWNER } from './early';
import { KeptAnswers, type AnswerSize, type AnswerStore, type KeptAnswer } from './keptAnswers';

interface Answers extends DBSchema {
    answers: { key: string; value: KeptAnswer; indexes: { about: string } };
}

const [DATABASE, STORE] = ['fall-bend-answers', 'answers'] as const;

/** The answers in this browser's own database. */
function storeIn(database: IDBPDatabase<Answers>): AnswerStore {
    return {
        find: (key) => database.get(STORE, key),
        newest: async (about) =>
            (await database.getAllFromIndex(STORE, 'about', about)).sort((a, b) => b.at - a.at).at(0),
        put: async (answer) => {
            await database.put(STORE, answer);
        },
        sizes: async () => {
            const sizes: AnswerSize[] = [];
            for (let one = await database.transaction(STORE).store.openCursor(); one; one = await one.continue()) {
                const { text: _, ...size } = one.value;
                sizes.push(size);
            }
            return sizes;
        },
        remove: async (keys) => {
            const change = database.transaction(STORE, 'readwrite');
            await Promise.all([...keys.map((key) => change.store.delete(key)), change.done]);
        },
    };
}

/** The pictures that were looked at, which the worker keeps, and those that were taken along. */
const PICTURES = 'fall-bend.pictures';

/** Opens what this device keeps; null where the browser has no database. */
export async function openKeeper(): Promise<Keeper | null> {
    try {
        const database = await openDB<Answers>(DATABASE, 1, {
            upgrade: (db) => db.createObjectStore(STORE, { keyPath: 'key' }).createIndex('about', 'about'),
        });
        const kept = new KeptAnswers(storeIn(database));
        const forget = async (job?: string): Promise<void> => {
            await kept.forget(job);
            if (job === undefined && 'caches' in globalThis) await caches.delete(PICTURES);
        };
        return {
            keep: (...asked) => kept.keep(...asked),
            find: (...asked) => kept.find(...asked),
            keepWhole: (...job) => kept.keepWhole(...job),
            keepPicture,
            setAlong: (...job) => kept.setAlong(...job),
            alongIn: (job) => kept.alongIn(job),
            sizes: () => kept.sizes(),
            forget,
            signedIn: (who) => keptFor(forget, who),
        };
    } catch {
        return null;
    }
}

/** Rejects where the picture does not come, or has no room. */
async function keepPicture(path: string): Promise<void> {
    const cache = await caches.open(PICTURES);
    if (!(await cache.match(path))) await cache.add(path);
}

/** What is kept of somebody else goes, and of whoever signs out. */
async function keptFor(forget: () => Promise<void>, who: string | null): Promise<void> {
    if (who !== null && localStorage.getItem(OWNER) === who) return;
    await forget();
    if (who === null) localStorage.removeItem(OWNER);
    else localStorage.setItem(OWNER, who);
}
