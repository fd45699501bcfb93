import type { Result } from '../api/client';
import type { SiteLog } from './siteLog';
import type { Happened } from './waiting';

/** A picture that was taken and that the server does not have yet. */
export interface TakenPicture {
    /** of the entry that will name it */
    key: string;
    job: string;
    /** who was signed in: nobody else sends it */
    by: string;
    /** when it was taken, milliseconds by the clock of this device */
    at: number;
    picture: Blob;
    /** what is said of it */
    said: Omit<Happened, 'kind' | 'hash'>;
}

/** Where pictures are kept on a device, so that it can be tried without one. */
export interface PictureStore {
    all: () => Promise<TakenPicture[]>;
    put: (picture: TakenPicture) => Promise<void>;
    remove: (key: string) => Promise<void>;
}

export interface PictureWorld {
    store: PictureStore;
    send: (job: string, picture: Blob) => Promise<Result<{ hash: string }>>;
    logOf: (job: string) => Pick<SiteLog, 'addTaken'>;
    /** calls back after so many milliseconds */
    later: (what: () => void, ms: number) => void;
}

export interface PicturesState {
    waiting: TakenPicture[];
    /** what the server did not take, and why */
    refused: { key: string; why: string }[];
}

/** After so long it is tried again, the longer the oftener it was. */
const RETRY_MS = [1_000, 2_000, 5_000, 15_000];

/**
 * Pictures, kept on this device before anything is asked, and sent until the server has them. Sent twice a picture is
 * one; the entry that names it has the key of its taking, so that it is one, too.
 */
export class Pictures {
    private state: PicturesState = { waiting: [], refused: [] };
    private readonly listeners = new Set<() => void>();
    private by = '';
    private isSending = false;
    /** a picture was added while others were sent */
    private isMore = false;
    private tries = 0;

    constructor(private readonly world: PictureWorld) {}

    readonly snapshot = (): PicturesState => this.state;

    readonly subscribe = (listener: () => void): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    /** Somebody is signed in on this device: what they took is sent. */
    signIn(by: string): void {
        this.by = by;
        void this.flush();
    }

    /** Keeps a picture; resolves once it is on the device. Rejects where there is no room. */
    async add(picture: Omit<TakenPicture, 'by'>): Promise<void> {
        await this.world.store.put({ ...picture, by: this.by });
        void this.flush();
    }

    /** Lets go of a picture that the server did not take. */
    async forget(key: string): Promise<void> {
        await this.world.store.remove(key);
        this.set({ ...this.state, refused: this.state.refused.filter((one) => one.key !== key) });
        await this.read();
    }

    /** Sends what is waiting, one after another, unless that is being done. */
    async flush(): Promise<void> {
        this.isMore = this.isSending;
        if (this.isSending || this.by === '') return;
        this.isSending = true;
        await this.sendAll();
        this.isSending = false;
        if (this.isMore) await this.flush();
    }

    private async sendAll(): Promise<void> {
        const waiting = await this.read();
        for (const one of waiting.filter(({ by }) => by === this.by)) {
            if (this.state.refused.some(({ key }) => key === one.key)) continue;
            const sent = await this.world.send(one.job, one.picture);
            if (sent.ok) {
                this.tries = 0;
                const { key, at, said } = one;
                this.world.logOf(one.job).addTaken({ ...said, kind: 'photograph', hash: sent.data.hash }, key, at);
                await this.world.store.remove(one.key);
            } else if (sent.status === 422) {
                this.set({ ...this.state, refused: [...this.state.refused, { key: one.key, why: sent.message }] });
            } else {
                const wait = RETRY_MS[Math.min(this.tries++, RETRY_MS.length - 1)] ?? 15_000;
                this.world.later(() => void this.flush(), wait);
                return;
            }
            await this.read();
        }
    }

    private async read(): Promise<TakenPicture[]> {
        const waiting = (await this.world.store.all()).sort((a, b) => a.at - b.at);
        this.set({ ...this.state, waiting });
        return waiting;
    }

    private set(state: PicturesState): void {
        this.state = state;
        this.listeners.forEach((listener) => listener());
    }
}

const [DATABASE, STORE] = ['fall-bend', 'pictures'];

/** The pictures in this browser's own database; rejects where it has none, or no room. */
export const browserPictures: PictureStore = {
    all: () => asked((store) => store.getAll() as IDBRequest<TakenPicture[]>, 'readonly').catch(() => []),
    put: (picture) => asked((store) => store.put(picture), 'readwrite').then(() => undefined),
    remove: (key) => asked((store) => store.delete(key), 'readwrite'),
};

async function asked<T>(ask: (store: IDBObjectStore) => IDBRequest<T>, mode: IDBTransactionMode): Promise<T> {
    const database = await new Promise<IDBDatabase>((done, fail) => {
        const opening = indexedDB.open(DATABASE, 1);
        opening.onupgradeneeded = () => opening.result.createObjectStore(STORE, { keyPath: 'key' });
        opening.onsuccess = () => done(opening.result);
        opening.onerror = () => fail(new Error(opening.error?.message ?? 'no database'));
    });
    try {
        return await new Promise<T>((done, fail) => {
            const transaction = database.transaction(STORE, mode);
            const request = ask(transaction.objectStore(STORE));
            // What is written is there only once the transaction is over.
            transaction.oncomplete = () => done(request.result);
            transaction.onerror = () => fail(new Error(transaction.error?.message ?? 'no room'));
            transaction.onabort = () => fail(new Error(transaction.error?.message ?? 'no room'));
        });
    } finally {
        database.close();
    }
}
