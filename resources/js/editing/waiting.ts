import type { EntrySaid, SiteEvent } from '../api/types';

/** What happened on site, as it is said: when, by the clock of this device, is added. */
export type Happened = EntrySaid & Pick<SiteEvent, 'kind'>;

/** Something that the server has not answered to yet. */
export type Pending = Happened & {
    key: string;
    /** milliseconds, by the clock of this device */
    at: number;
    /** who was signed in: nobody else sends it; what an earlier release kept says nothing of it */
    by?: string;
};

/** Something that the server did not take, and why. */
export type Refused = Pending & { why: string };

/** What waits, in the order in which it was said, and what was refused. */
export interface Kept {
    pending: Pending[];
    refused: Refused[];
}

/** What of a browser's storage is needed. */
export type EntryStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** Where what happened on site of a job is stored in this browser. */
export const LOG_PLACE = 'fall-bend.log.';

/** What waits to be sent, and what was refused. */
type Kind = 'w' | 'r';

const keysOf = (storage: EntryStorage, prefix: string): string[] =>
    Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '')
        .filter((key) => key.startsWith(prefix))
        .sort();

/** The jobs of which something waits in this browser to be sent, by id. */
export function jobsWithWaiting(storage: EntryStorage | null): string[] {
    try {
        const waiting = storage
            ? keysOf(storage, LOG_PLACE).filter((key) => key.includes('|w|') || isOld(storage, key))
            : [];
        return [...new Set(waiting.map((key) => key.slice(LOG_PLACE.length).split('|')[0] ?? ''))];
    } catch {
        return [];
    }
}

/** Gives what waits of a job in a browser. */
export const waitingOf = (storage: EntryStorage | null, job: string): Waiting =>
    new Waiting(storage, `${LOG_PLACE}${job}`);

/** An earlier release kept all of a job in one place. */
const isOld = (storage: EntryStorage, key: string): boolean =>
    !key.includes('|') && ((JSON.parse(storage.getItem(key) ?? '{}') as Partial<Kept>).pending ?? []).length > 0;

/**
 * What waits on this device, each thing in a place of its own: two pages that store and let go at the same moment take
 * nothing from one another. What the storage has no room for is held as long as the page lives.
 */
export class Waiting {
    private unstored: Kept = { pending: [], refused: [] };

    constructor(
        private readonly storage: EntryStorage | null,
        private readonly place: string,
    ) {
        this.takeOverOld();
    }

    /** Whether all of it outlasts the page. */
    get isStored(): boolean {
        return this.unstored.pending.length + this.unstored.refused.length === 0;
    }

    /** Gives what waits, in the order in which it was said, and what was refused. */
    read(): Kept {
        return {
            pending: [...this.all<Pending>('w'), ...this.unstored.pending],
            refused: [...this.all<Refused>('r'), ...this.unstored.refused],
        };
    }

    add(pending: Pending[]): void {
        this.unstored.pending.push(...pending.filter((one) => !this.put('w', one)));
    }

    refuse(refused: Refused[]): void {
        this.drop(refused.map((one) => one.key));
        this.unstored.refused.push(...refused.filter((one) => !this.put('r', one)));
    }

    /** Lets go of things, by their keys; what had no room before may have it then. */
    drop(keys: readonly string[]): void {
        const isGone = (one: { key: string }): boolean => keys.includes(one.key);
        try {
            for (const place of this.places())
                if (keys.includes(place.split('|').at(-1) ?? '')) this.storage?.removeItem(place);
        } catch {
            // It is sent again, and the server has it already.
        }
        const { pending, refused } = this.unstored;
        this.unstored = { pending: [], refused: [] };
        this.add(pending.filter((one) => !isGone(one)));
        this.unstored.refused.push(...refused.filter((one) => !isGone(one) && !this.put('r', one)));
    }

    private put(kind: Kind, one: Pending | Refused): boolean {
        try {
            // After all that stands there; two pages may take the same number.
            const last = Number(this.places(kind).at(-1)?.split('|')[2] ?? 0);
            const place = `${this.place}|${kind}|${String(last + 1).padStart(9, '0')}|${one.key}`;
            this.storage?.setItem(place, JSON.stringify(one));
            return this.storage !== null;
        } catch {
            return false;
        }
    }

    private places(kind?: Kind): string[] {
        return this.storage ? keysOf(this.storage, `${this.place}|${kind === undefined ? '' : `${kind}|`}`) : [];
    }

    private all<T>(kind: Kind): T[] {
        try {
            return this.places(kind).flatMap((place) => {
                const text = this.storage?.getItem(place) ?? null;
                return text === null ? [] : [JSON.parse(text) as T];
            });
        } catch {
            return [];
        }
    }

    private takeOverOld(): void {
        try {
            const old = JSON.parse(this.storage?.getItem(this.place) ?? '{}') as Partial<Kept>;
            (old.pending ?? []).forEach((one) => this.put('w', one));
            (old.refused ?? []).forEach((one) => this.put('r', one));
            const there = new Set(this.read().pending.map((one) => one.key));
            if ((old.pending ?? []).every((one) => there.has(one.key))) this.storage?.removeItem(this.place);
        } catch {
            // No storage, or none that can be read.
        }
    }
}
