import type { Result } from '../api/client';
import type { LogAnswer } from '../api/queries';
import type { LogEntry, SiteEvent } from '../api/types';
import { Waiting, type EntryStorage, type Happened, type Kept, type Pending } from './waiting';

/** What the log takes of the world, so that it can be tried without it. */
export interface SiteLogWorld {
    /** null: this browser has none */
    storage: EntryStorage | null;
    send: (entries: SiteEvent[]) => Promise<Result<LogAnswer>>;
    now: () => number;
    newKey: () => string;
    /** calls back after so many milliseconds */
    later: (what: () => void, ms: number) => void;
}

export interface SiteLogState extends Kept {
    /** what the server took of this device, until it is read with the rest of the log */
    arrived: LogEntry[];
    /** whether no answer came when something was sent last */
    isAway: boolean;
    /** false: the browser has no room, or no storage, for what is kept; it lasts as long as the page */
    isStored: boolean;
    /** how many entries the log has, as far as is known */
    length: number;
    /** by how much the clock of the server is ahead of that of this device, ms; null: not known yet */
    ahead: number | null;
}

/** So long it waits before it tries again, longer each time. */
const RETRY_MS = [1_000, 2_000, 5_000, 15_000];

/**
 * What is done on site, kept on this device before anything is asked, and sent until the server has it. Nothing is
 * said twice: each has a key of its own. How long ago it was is told when it is sent, so that a clock that is wrong
 * does no harm.
 */
export class SiteLog {
    private state: SiteLogState;
    private readonly waiting: Waiting;
    private readonly listeners = new Set<() => void>();
    private by = '';
    private isSending = false;
    private isWaiting = false;
    private tries = 0;

    constructor(
        place: string,
        private readonly world: SiteLogWorld,
    ) {
        this.waiting = new Waiting(world.storage, place);
        this.state = {
            ...this.waiting.read(),
            isStored: true,
            arrived: [],
            isAway: false,
            length: 0,
            ahead: null,
        };
    }

    readonly snapshot = (): SiteLogState => this.state;

    readonly subscribe = (listener: () => void): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    /** Somebody is signed in on this device: what they said is sent. */
    signIn(by: string): void {
        this.by = by;
        void this.flush();
    }

    /** Whether something that waits is of whoever is signed in. */
    readonly isMine = (one: Pending): boolean => (one.by ?? this.by) === this.by;

    /** Says that something happened just now. */
    add(events: Happened[]): void {
        const at = this.world.now();
        this.waiting.add(events.map((event) => ({ ...event, key: this.world.newKey(), at, by: this.by })));
        this.look();
        void this.flush();
    }

    /** Says something that was kept elsewhere until now, once for each key: when it was is told with it. */
    addTaken(event: Happened, key: string, at: number): void {
        if (!this.waiting.read().pending.some((one) => one.key === key))
            this.waiting.add([{ ...event, key, at, by: this.by }]);
        this.look();
        void this.flush();
    }

    /** Lets go of what the server did not take. */
    forget(key: string): void {
        this.waiting.drop([key]);
        this.look();
    }

    /** Takes that the log is known up to an entry. */
    known(number: number): void {
        const arrived = this.state.arrived.filter((entry) => entry.number > number);
        if (arrived.length < this.state.arrived.length) this.set({ ...this.state, arrived });
    }

    /** Takes what the server says of its clock and its log. */
    heard(answer: LogAnswer): void {
        const ahead = Date.parse(answer.now) - (answer.came ?? this.world.now());
        // A tick of a second is noise; a clock that is set anew is not.
        const isNear = this.state.ahead !== null && Math.abs(this.state.ahead - ahead) < 1_000;
        if (isNear && answer.length <= this.state.length) return;
        this.set({
            ...this.state,
            ahead: isNear ? this.state.ahead : ahead,
            length: Math.max(this.state.length, answer.length),
        });
    }

    /** Takes what is stored now: another page may have said something, or sent what this one shows as waiting. */
    readonly look = (): void => {
        const { isStored } = this.waiting;
        const kept = this.waiting.read();
        const keys = (one: Kept): string => [...one.pending, ...one.refused].map(({ key }) => key).join();
        if (keys(kept) === keys(this.state) && isStored === this.state.isStored) return;
        this.set({ ...this.state, ...kept, isStored });
    };

    /** Sends what is waiting, unless that is being done. */
    async flush(): Promise<void> {
        this.look();
        const pending = this.state.pending.filter(this.isMine);
        if (this.isSending || this.by === '' || pending.length === 0) return;
        this.isSending = true;
        const sent = pending.slice(0, 100);
        const result = await this.world.send(sent.map((one) => this.event(one)));
        this.isSending = false;
        if (result.ok) {
            this.tries = 0;
            this.state = { ...this.state, arrived: [...this.state.arrived, ...result.data.entries], isAway: false };
            this.waiting.drop(sent.map((one) => one.key));
            this.look();
            this.heard(result.data);
            await this.flush();
        } else if (result.status === 422) {
            await this.refuse(sent, result.errors, result.message);
        } else {
            // Away, or busy, or signed out: what waits stays.
            this.set({ ...this.state, isAway: true });
            this.tryLater();
        }
    }

    /** However often it failed meanwhile, one try is to come. */
    private tryLater(): void {
        if (this.isWaiting) return;
        this.isWaiting = true;
        const wait = RETRY_MS[Math.min(this.tries++, RETRY_MS.length - 1)] ?? 15_000;
        this.world.later(() => {
            this.isWaiting = false;
            void this.flush();
        }, wait);
    }

    private event({ at, by: _, ...said }: Pending): SiteEvent {
        const age_s = Math.max(0, this.world.now() - at) / 1_000;
        return { ...said, made_at: new Date(at).toISOString(), age_s };
    }

    /** One that is wrong keeps the others from nothing. */
    private async refuse(sent: Pending[], errors: Record<string, string[]>, message: string): Promise<void> {
        const wrong = Object.keys(errors)
            .map((field) => /^entries\.(\d+)/.exec(field)?.[1])
            .filter((n) => n !== undefined)
            .map(Number);
        const bad = wrong.length > 0 ? sent.filter((_, n) => wrong.includes(n)) : sent;
        this.waiting.refuse(bad.map((one) => ({ ...one, why: message })));
        this.look();
        await this.flush();
    }

    private set(state: SiteLogState): void {
        this.state = state;
        this.listeners.forEach((listener) => listener());
    }
}
