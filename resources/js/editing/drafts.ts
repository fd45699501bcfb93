import type { Draft } from './entries';

const PREFIX = 'fall-bend draft ';
const TAB = 'fall-bend tab';
const LOCK = 'fall-bend tab ';

/** Where drafts are put: as much of the browser's storage as they need. */
export type Storage = Pick<globalThis.Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

const keyOf = (job: string, tab: string): string => `${PREFIX}${job} ${tab}`;

/** The drafts of one job in this browser: that of this tab, and those that closed tabs have left behind. */
export class Drafts {
    constructor(
        private readonly job: string,
        private readonly tab: string,
        private readonly storage: Storage | null,
    ) {}

    /** Remembers what the server has not saved yet; false where the browser has no room or no storage for it. */
    save(draft: Draft): boolean {
        try {
            if (!this.storage) return false;
            this.storage.setItem(keyOf(this.job, this.tab), JSON.stringify(draft));
            return true;
        } catch {
            return false;
        }
    }

    forget(): void {
        this.remove(keyOf(this.job, this.tab));
    }

    /**
     * Finds what this person left here: in this tab before a reload, and in tabs that are closed. The oldest first.
     * Once it is saved
     * under this tab's name, `taken` removes it under the others.
     */
    left(by: string, isOpen: (tab: string) => boolean): { drafts: Draft[]; taken: () => void } {
        const own = keyOf(this.job, this.tab);
        const found = this.keys()
            .filter((key) => key === own || !isOpen(key.slice(keyOf(this.job, '').length)))
            .map((key) => ({ key, draft: this.read(key) }))
            .filter((one): one is { key: string; draft: Draft } => one.draft !== null && one.draft.by === by)
            .sort((a, b) => a.draft.from - b.draft.from);
        const others = found.map((one) => one.key).filter((key) => key !== own);
        return { drafts: found.map((one) => one.draft), taken: () => others.forEach((key) => this.remove(key)) };
    }

    private keys(): string[] {
        try {
            const all = Array.from({ length: this.storage?.length ?? 0 }, (_, i) => this.storage?.key(i) ?? '');
            return all.filter((key) => key.startsWith(keyOf(this.job, '')));
        } catch {
            return [];
        }
    }

    private read(key: string): Draft | null {
        try {
            const draft = JSON.parse(this.storage?.getItem(key) ?? '') as Partial<Draft>;
            const isWhole =
                typeof draft.by === 'string' && typeof draft.from === 'number' && Array.isArray(draft.patch);
            return isWhole && Array.isArray(draft.entries) && Array.isArray(draft.sent) ? (draft as Draft) : null;
        } catch {
            return null;
        }
    }

    private remove(key: string): void {
        try {
            this.storage?.removeItem(key);
        } catch {
            // Nothing was remembered then.
        }
    }
}

/** The jobs that have something in this browser that the server has not saved, by id. */
export function jobsWithDrafts(storage: Storage | null): string[] {
    try {
        const keys = Array.from({ length: storage?.length ?? 0 }, (_, i) => storage?.key(i) ?? '');
        return [
            ...new Set(
                keys.filter((key) => key.startsWith(PREFIX)).map((key) => key.slice(PREFIX.length).split(' ')[0] ?? ''),
            ),
        ];
    } catch {
        return [];
    }
}

/** This browser's storage, where there is one. */
export function browserStorage(): Storage | null {
    try {
        return globalThis.localStorage;
    } catch {
        return null;
    }
}

export interface Tabs {
    /** the name of this tab; it outlives a reload */
    tab: string;
    /** whether another tab is open now */
    isOpen: (tab: string) => boolean;
}

let named: Promise<Tabs> | null = null;

/** Names this tab, holds its name while it is open, and knows which other tabs are. */
export function openTabs(): Promise<Tabs> {
    named ??= nameTab();
    return named;
}

async function nameTab(): Promise<Tabs> {
    const locks = globalThis.navigator?.locks as LockManager | undefined;
    let tab = rememberedTab();
    // Where the browser has no locks, what another tab left is taken over while that tab may be open: both then say the
    // same.
    if (!locks) return { tab, isOpen: () => false };
    // A duplicated tab has the memory of the one that it was made from: it takes a name of its own.
    while (!(await held(locks, tab))) tab = rememberedTab(true);
    const names = (await locks.query()).held?.map((lock) => lock.name ?? '') ?? [];
    return { tab, isOpen: (other) => names.includes(LOCK + other) };
}

/** Holds a name for as long as the page lives; false where another page holds it. */
function held(locks: LockManager, tab: string): Promise<boolean> {
    return new Promise((resolve) => {
        void locks.request(LOCK + tab, { ifAvailable: true }, (lock) => {
            resolve(lock !== null);
            return lock === null ? undefined : new Promise(() => undefined);
        });
    });
}

function rememberedTab(anew = false): string {
    const fresh = Math.random().toString(36).slice(2, 12);
    try {
        const known = anew ? null : sessionStorage.getItem(TAB);
        if (known) return known;
        sessionStorage.setItem(TAB, fresh);
    } catch {
        // Without a memory of its own the tab is a new one each time.
    }
    return fresh;
}
