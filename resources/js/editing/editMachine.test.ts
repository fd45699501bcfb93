import { piecesOf, putTogether } from './sideBySide';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { JobDocument } from '../api/types';
import { Drafts, type Storage } from './drafts';
import { EditMachine } from './editMachine';
import { lineOf, planOf, TestServer, type Fate, type Plan } from './testServer';

const PLAN: Plan = {
    name: 'House',
    runs: [
        { id: 'sink', legs: [{ id: 'l1', what: 'down 10' }] },
        { id: 'bath', legs: [{ id: 'l1', what: 'down 30' }] },
    ],
};

const CLOCK = {
    now: () => Date.now(),
    after: (ms: number, then: () => void) => {
        const timer = setTimeout(then, ms);
        return () => clearTimeout(timer);
    },
};

class Memory implements Storage {
    private readonly kept = new Map<string, string>();
    isFull = false;
    get length(): number {
        return this.kept.size;
    }
    key = (i: number): string | null => [...this.kept.keys()][i] ?? null;
    getItem = (key: string): string | null => this.kept.get(key) ?? null;
    setItem = (key: string, text: string): void => {
        if (this.isFull) throw new Error('no room');
        this.kept.set(key, text);
    };
    removeItem = (key: string): void => void this.kept.delete(key);
}

/** A browser tab that looks at the job; it may be closed, and opened again with what was stored. */
class Page {
    machine: EditMachine;
    private readonly drafts: Drafts;

    constructor(
        readonly server: TestServer,
        readonly storage: Memory,
        readonly tab = 'tab1',
        isOpen: (tab: string) => boolean = () => false,
    ) {
        this.drafts = new Drafts('job', tab, storage);
        this.machine = new EditMachine(server.job(), 'me', server, this.drafts, CLOCK);
        const left = this.drafts.left('me', isOpen);
        this.machine.takeUp(left.drafts);
        left.taken();
    }

    /** The page is gone at once: nothing of it runs any more. */
    close(): void {
        const off: Record<string, unknown> = {
            evaluate: () => new Promise(() => undefined),
            save: () => new Promise(() => undefined),
            step: () => new Promise(() => undefined),
            want: () => undefined,
            isMissing: () => false,
        };
        Object.assign(this.machine, { server: off, drafts: { save: () => true, forget: () => undefined } });
    }

    measure(name: string): void {
        this.machine.change((document) => {
            const plan = planOf(document);
            return {
                ...plan,
                moves: [...(plan.moves ?? []), { id: name }],
            } as unknown as JobDocument;
        });
    }

    get saving(): string {
        return this.machine.see().saving;
    }
}

const settle = (): Promise<unknown> => vi.advanceTimersByTimeAsync(60_000);
const soon = (): Promise<unknown> => vi.advanceTimersByTimeAsync(30);

let server: TestServer;
let storage: Memory;
let page: Page;

beforeEach(() => {
    vi.useFakeTimers();
    server = new TestServer(PLAN);
    storage = new Memory();
    page = new Page(server, storage);
});
afterEach(() => vi.useRealTimers());

/** Types a line as it is typed: the whole of it after every key. */
function type(machine: EditMachine, run: string, before: string, more: string): string {
    for (let i = 1; i <= more.length; i++) machine.say(run, before + more.slice(0, i));
    return before + more;
}

describe('what is said', () => {
    it('is saved as it was said, once it is quiet', async () => {
        type(page.machine, 'sink', 'down 10', ' / left 1200');
        expect(page.saving).toBe('pending');
        await vi.advanceTimersByTimeAsync(500);
        expect(server.revisions).toHaveLength(1);
        await settle();
        expect(page.saving).toBe('saved');
        expect(server.revisions).toHaveLength(2);
        expect(lineOf(server.job().document, 'sink')).toBe('down 10 / left 1200');
        expect(storage.length).toBe(0);
    });

    it('is saved at once with Enter, whatever is on its way then', async () => {
        type(page.machine, 'sink', 'down 10', ' / left 1200');
        const read = page.machine.doneSaying();
        await vi.advanceTimersByTimeAsync(100);
        await read;
        expect(lineOf(server.job().document, 'sink')).toBe('down 10 / left 1200');
        expect(page.saving).toBe('saved');
    });

    it('is shown as read once it is, and not before', async () => {
        type(page.machine, 'sink', 'down 10', ' / left 1200');
        expect(page.machine.see().said.map((one) => one.read)).toEqual([false]);
        await vi.advanceTimersByTimeAsync(100);
        expect(page.machine.see().said.map((one) => one.read)).toEqual([true]);
        page.machine.say('sink', 'down 10 / left 1250');
        expect(page.machine.see().said.map((one) => one.read)).toEqual([false]);
    });

    it('is stored before it is asked for, and stands there until it is saved', async () => {
        server.fate = () => 'is lost on its way';
        type(page.machine, 'sink', 'down 10', ' / left 1200');
        expect(storage.getItem('fall-bend draft job tab1')).toContain('left 1200');
        void page.machine.doneSaying();
        await vi.advanceTimersByTimeAsync(5000);
        expect(page.saving).toBe('offline');
        expect(page.machine.see().typed).toEqual({ run: 'sink', text: 'down 10 / left 1200', read: false });
        server.fate = () => 'arrives';
        await settle();
        expect(page.saving).toBe('saved');
        expect(lineOf(server.job().document, 'sink')).toBe('down 10 / left 1200');
        expect(storage.length).toBe(0);
    });

    it('never shows an older answer over a newer one', async () => {
        let call = 0;
        server.fate = () => (call++ === 0 ? 'is late' : 'arrives');
        page.machine.say('sink', 'down 1');
        await soon();
        page.machine.say('sink', 'down 12');
        await settle();
        expect(lineOf(page.machine.see().document, 'sink')).toBe('down 12');
        expect(lineOf(server.job().document, 'sink')).toBe('down 12');
    });

    it('can be taken back as if it had not been said, though part of it was saved', async () => {
        type(page.machine, 'sink', 'down 10', ' / left 12');
        await settle();
        expect(server.revisions).toHaveLength(2);
        page.machine.say('sink', 'down 10 / left 120');
        page.machine.unsay();
        await settle();
        expect(lineOf(server.job().document, 'sink')).toBe('down 10');
        expect(page.saving).toBe('saved');
    });

    it('is called saved only where the server read it back so', async () => {
        const save = server.save;
        Object.assign(server, {
            save: async (...[write, signal]: Parameters<typeof save>) => {
                const plan = planOf(JSON.parse(JSON.stringify(write.document)) as JobDocument);
                plan.runs[0]?.legs.pop();
                return save({ ...write, document: plan as unknown as JobDocument }, signal);
            },
        });
        type(page.machine, 'sink', 'down 10', ' / left 1200');
        void page.machine.doneSaying();
        await settle();
        expect(page.saving).toBe('refused');
        expect(page.machine.see().problem).toContain('saved something else');
        expect(storage.length, 'what was said is still stored').toBe(1);
    });
});

describe('what is done', () => {
    it('loses nothing, however quickly it is done and whatever is offline', async () => {
        server.fate = () => 'is lost on its way';
        for (const piece of ['l1.1', 'l2.1', 'l3.1']) {
            page.measure(piece);
            await vi.advanceTimersByTimeAsync(900);
        }
        expect(planOf(page.machine.see().latest).moves).toHaveLength(3);
        server.fate = () => 'arrives';
        await settle();
        expect(planOf(server.job().document).moves?.map((one) => one.id)).toEqual(['l1.1', 'l2.1', 'l3.1']);
        expect(page.saving).toBe('saved');
    });

    it('stands beside words that are not read yet, in the order in which it came', async () => {
        server.fate = () => 'is lost on its way';
        type(page.machine, 'sink', 'down 10', ' / left 1200');
        page.measure('l1.1');
        type(page.machine, 'bath', 'down 30', ' / right 7');
        void page.machine.doneSaying();
        await vi.advanceTimersByTimeAsync(3000);
        expect(page.machine.see().said).toEqual([
            { run: 'sink', text: 'down 10 / left 1200', read: false },
            { run: 'bath', text: 'down 30 / right 7', read: false },
        ]);
        server.fate = () => 'arrives';
        await settle();
        const { document } = server.job();
        expect([lineOf(document, 'sink'), lineOf(document, 'bath')]).toEqual([
            'down 10 / left 1200',
            'down 30 / right 7',
        ]);
        expect(planOf(document).moves).toHaveLength(1);
    });

    it('that changes nothing is no revision', async () => {
        page.machine.change((document) => ({ ...document }));
        page.machine.say('sink', 'down 1');
        page.machine.say('sink', 'down 10');
        await settle();
        expect(server.revisions).toHaveLength(1);
        expect(page.saving).toBe('saved');
    });

    it('says so where this browser has no room to store it', () => {
        storage.isFull = true;
        page.measure('l1.1');
        expect(page.machine.see().stored).toBe(false);
    });
});

describe('parts of the evaluation that a screen shows anew', () => {
    const shown = (): unknown => (page.machine.see().evaluation as unknown as { parts: string[] }).parts;

    it('are asked for, and nothing is saved for that', async () => {
        page.machine.want(['run:sink']);
        expect(page.machine.see().isFetching).toBe(true);
        await settle();
        expect(shown()).toEqual(['run:sink']);
        expect(page.machine.see().isFetching).toBe(false);
        expect([server.evaluations, server.saves]).toEqual([1, 0]);
        page.machine.want(['run:sink']);
        await settle();
        expect(server.evaluations).toBe(1);
    });

    it('come with what is said at the same time', async () => {
        type(page.machine, 'sink', 'down 10', ' / left 1');
        page.machine.want(['run:sink']);
        await settle();
        expect(shown()).toEqual(['run:sink']);
        expect(lineOf(server.job().document, 'sink')).toBe('down 10 / left 1');
        expect(page.saving).toBe('saved');
    });

    it('are asked for again where no answer came', async () => {
        let calls = 0;
        server.fate = () => (calls++ === 0 ? 'is lost on its way' : 'arrives');
        page.machine.want(['run:sink']);
        await settle();
        expect(shown()).toEqual(['run:sink']);
        expect(page.saving).toBe('saved');
    });

    it('do not bring back what was said otherwise meanwhile', async () => {
        server.fate = () => 'is late';
        page.machine.want(['run:sink']);
        await soon();
        server.fate = () => 'arrives';
        page.machine.say('sink', 'down 77');
        await settle();
        expect(lineOf(page.machine.see().document, 'sink')).toBe('down 77');
        expect(lineOf(server.job().document, 'sink')).toBe('down 77');
        expect(shown()).toEqual(['run:sink']);
    });
});

describe('what the server refuses', () => {
    beforeEach(() => {
        server.refuses = (plan) => plan.runs.some((run) => run.legs.some((leg) => leg.what === 'bad'));
    });

    it('is said to be refused, not asked again, and mended by what is said next', async () => {
        page.machine.say('sink', 'bad');
        await settle();
        expect(page.saving).toBe('refused');
        const { evaluations } = server;
        await settle();
        expect(server.evaluations).toBe(evaluations);
        page.machine.say('sink', 'down 7');
        await settle();
        expect([page.saving, page.machine.see().problem, lineOf(server.job().document, 'sink')]).toEqual([
            'saved',
            null,
            'down 7',
        ]);
    });

    it('goes with Undo, and nothing else', async () => {
        page.machine.say('bath', 'down 31');
        void page.machine.doneSaying();
        await settle();
        page.machine.say('sink', 'bad');
        void page.machine.doneSaying();
        await settle();
        void page.machine.step('undo');
        await settle();
        expect(page.saving).toBe('saved');
        const { document } = server.job();
        expect([lineOf(document, 'sink'), lineOf(document, 'bath')]).toEqual(['down 10', 'down 31']);
    });
});

describe('undo', () => {
    it('takes back what was done last, though it is not even read yet', async () => {
        page.machine.say('sink', 'down 11');
        void page.machine.doneSaying();
        await settle();
        await settle();
        page.measure('l1.1');
        void page.machine.step('undo');
        await settle();
        expect(planOf(server.job().document).moves).toBeUndefined();
        expect(lineOf(server.job().document, 'sink')).toBe('down 11');
        void page.machine.step('redo');
        await settle();
        expect(planOf(server.job().document).moves).toHaveLength(1);
    });

    it('is taken once, though its answer is lost', async () => {
        page.machine.say('sink', 'down 11');
        void page.machine.doneSaying();
        await settle();
        page.machine.say('sink', 'down 12');
        void page.machine.doneSaying();
        await settle();
        await settle();
        let lost = false;
        server.fate = () => {
            if (lost) return 'arrives';
            lost = true;
            return 'is answered and the answer lost';
        };
        void page.machine.step('undo');
        await settle();
        expect(lineOf(server.job().document, 'sink')).toBe('down 11');
        expect(page.saving).toBe('saved');
    });
});

it('takes an undo once, though the page was reloaded before its answer came', async () => {
    for (const text of ['down 11', 'down 12']) {
        page.machine.say('sink', text);
        void page.machine.doneSaying();
        await settle();
    }
    server.fate = () => 'is answered and the answer lost';
    void page.machine.step('undo');
    await soon();
    page.close();
    server.fate = () => 'arrives';
    const again = new Page(server, storage);
    await settle();
    expect([again.saving, again.machine.see().problem, server.revisions.length]).toEqual(['saved', null, 4]);
    expect(lineOf(again.machine.see().document, 'sink')).toBe('down 11');
});

describe('a lost answer', () => {
    it('is no conflict with oneself', async () => {
        const fates: Fate[] = ['arrives', 'is answered and the answer lost'];
        server.fate = () => fates.shift() ?? 'arrives';
        page.machine.say('sink', 'down 11');
        void page.machine.doneSaying();
        await settle();
        expect([page.saving, server.saves, server.revisions.length]).toEqual(['saved', 1, 2]);
    });

    it('is none either where the page was reloaded meanwhile', async () => {
        const fates: Fate[] = ['arrives', 'is answered and the answer lost'];
        server.fate = () => fates.shift() ?? 'arrives';
        page.machine.say('sink', 'down 11');
        void page.machine.doneSaying();
        await vi.advanceTimersByTimeAsync(40);
        page.machine.say('sink', 'down 110');
        page.close();
        const again = new Page(server, storage);
        await settle();
        expect([again.saving, again.machine.see().conflict]).toEqual(['saved', null]);
        expect(lineOf(server.job().document, 'sink')).toBe('down 110');
    });
});

describe('a page that is closed or reloaded', () => {
    it('has lost nothing when the job is opened again', async () => {
        server.fate = () => 'is lost on its way';
        type(page.machine, 'sink', 'down 10', ' / left 1200');
        page.measure('l1.1');
        page.close();
        server.fate = () => 'arrives';
        const again = new Page(server, storage, 'another tab');
        expect(again.machine.see().said).toEqual([{ run: 'sink', text: 'down 10 / left 1200', read: false }]);
        await settle();
        expect(lineOf(server.job().document, 'sink')).toBe('down 10 / left 1200');
        expect(planOf(server.job().document).moves).toHaveLength(1);
        expect([again.saving, storage.length]).toEqual(['saved', 0]);
    });

    it('leaves its draft to itself while it is open, and to nobody else', () => {
        server.fate = () => 'is lost on its way';
        page.measure('l1.1');
        const other = new Page(server, storage, 'tab2', (tab) => tab === 'tab1');
        expect(other.saving).toBe('saved');
        const stranger = new Drafts('job', 'tab3', storage);
        expect(stranger.left('somebody else', () => false).drafts).toEqual([]);
        expect(storage.length).toBe(1);
    });

    it('is not troubled by nonsense in the storage', () => {
        storage.setItem('fall-bend draft job old', '{"from":');
        storage.setItem('fall-bend draft job older', '{"by":"me"}');
        expect(new Page(server, storage, 'tab2').saving).toBe('saved');
    });
});

describe('two windows of one person', () => {
    it('put their changes on top of each other where they touch different things', async () => {
        const other = new Page(server, storage, 'tab2', () => true);
        page.machine.say('sink', 'down 11');
        void page.machine.doneSaying();
        await settle();
        other.measure('l1.1');
        await settle();
        expect([page.saving, other.saving, other.machine.see().conflict]).toEqual(['saved', 'saved', null]);
        expect(lineOf(server.job().document, 'sink')).toBe('down 11');
        expect(planOf(server.job().document).moves).toHaveLength(1);
    });

    it('ask where both changed the same, and name nobody', async () => {
        const other = new Page(server, storage, 'tab2', () => true);
        page.machine.say('sink', 'down 11');
        void page.machine.doneSaying();
        await settle();
        other.machine.say('sink', 'down 12');
        void other.machine.doneSaying();
        await settle();
        expect(other.machine.see().conflict?.by).toEqual([]);
        expect(lineOf(server.job().document, 'sink'), 'nothing was written over').toBe('down 11');
        expect(lineOf((await withTimers(other.machine.mine())) as JobDocument, 'sink')).toBe('down 12');
        other.machine.takeTheirs();
        await settle();
        expect([other.saving, lineOf(other.machine.see().document, 'sink')]).toEqual(['saved', 'down 11']);
    });
});

it('goes on with what was put together of both states, as one change that can be undone', async () => {
    server.changedBy('apprentice', (plan) => void (plan.name = 'Renamed'));
    page.machine.say('sink', 'down 11');
    void page.machine.doneSaying();
    await settle();
    const { conflict } = page.machine.see();
    const mine = (await withTimers(page.machine.mine())) as JobDocument;
    const pieces = piecesOf(conflict?.base ?? null, mine, conflict?.theirs.document as JobDocument);
    expect(pieces.map(({ key, by }) => [key, by])).toEqual([
        ['name', 'theirs'],
        ['runs/sink/legs', 'mine'],
    ]);
    const chosen = pieces.filter(({ by }) => by === 'mine');
    page.machine.putTogether(putTogether(conflict?.theirs.document as JobDocument, chosen));
    await settle();
    expect([page.saving, page.machine.see().conflict]).toEqual(['saved', null]);
    expect(lineOf(server.job().document, 'sink')).toBe('down 11');
    expect(planOf(server.job().document).name).toBe('Renamed');
});

it('shows what somebody else changed, and writes nothing over it', async () => {
    server.changedBy('apprentice', (plan) => void (plan.name = 'Renamed'));
    page.measure('l1.1');
    await settle();
    expect([page.saving, page.machine.see().conflict?.by]).toEqual(['conflict', ['apprentice']]);
    expect(planOf(server.job().document).moves).toBeUndefined();
});

it('waits for whoever said it to sign in again, and goes on then', async () => {
    server.fate = () => 'finds nobody signed in';
    page.machine.say('sink', 'down 11');
    void page.machine.doneSaying();
    await settle();
    expect(page.saving).toBe('signed-out');
    expect(storage.length).toBe(1);
    server.fate = () => 'arrives';
    server.signedIn = true;
    await settle();
    expect(page.saving).toBe('signed-out');
    page.machine.signedIn();
    await settle();
    expect([page.saving, lineOf(server.job().document, 'sink')]).toEqual(['saved', 'down 11']);
});

/**
 * Whatever happens to calls on their way, to pages and to sessions: once there is an answer, what is saved is what was
 * said.
 */
it('keeps what was said, whatever happens meanwhile', async () => {
    const fate = fc.constantFrom<Fate>(
        'arrives',
        'arrives',
        'is lost on its way',
        'is answered and the answer lost',
        'is late',
        'meets a restart',
        'finds nobody signed in',
    );
    const act = fc.oneof(
        fc.record({
            kind: fc.constant('type' as const),
            run: fc.constantFrom('sink', 'bath'),
            more: fc.stringMatching(/^[1-9]{1,4}$/),
        }),
        fc.record({ kind: fc.constant('enter' as const) }),
        fc.record({ kind: fc.constant('move' as const) }),
        fc.record({ kind: fc.constant('reload' as const) }),
        fc.record({ kind: fc.constant('sign in' as const) }),
        fc.record({ kind: fc.constant('wait' as const), ms: fc.constantFrom(3, 20, 300, 800, 3000) }),
    );
    await fc.assert(
        fc.asyncProperty(
            fc.array(act, { minLength: 3, maxLength: 30 }),
            fc.array(fate, { minLength: 1, maxLength: 40 }),
            async (acts, fates) => {
                server = new TestServer(PLAN);
                storage = new Memory();
                page = new Page(server, storage);
                let call = 0;
                server.fate = () => fates[call++ % fates.length] ?? 'arrives';
                const said: Record<string, string> = { sink: 'down 10', bath: 'down 30' };
                const moves: string[] = [];
                for (const one of acts) {
                    if (one.kind === 'type')
                        said[one.run] = type(page.machine, one.run, `${said[one.run]} / left `, one.more);
                    if (one.kind === 'enter') void page.machine.doneSaying();
                    if (one.kind === 'move') {
                        moves.push(`l${moves.length + 1}.1`);
                        page.measure(moves.at(-1) ?? '');
                    }
                    if (one.kind === 'reload') {
                        page.close();
                        page = new Page(server, storage);
                    }
                    if (one.kind === 'sign in' && !server.signedIn) {
                        server.signedIn = true;
                        page.machine.signedIn();
                    }
                    if (one.kind === 'wait') await vi.advanceTimersByTimeAsync(one.ms);
                    if (page.saving === 'saved') {
                        const { document } = server.job();
                        expect(
                            [lineOf(document, 'sink'), lineOf(document, 'bath')],
                            'what is called saved is saved',
                        ).toEqual([said.sink, said.bath]);
                    }
                }
                server.fate = () => 'arrives';
                server.signedIn = true;
                page.machine.signedIn();
                await settle();
                // What was on its way still may have found nobody signed in.
                server.signedIn = true;
                page.machine.signedIn();
                await settle();
                expect([page.saving, page.machine.see().conflict]).toEqual(['saved', null]);
                const { document } = server.job();
                expect([lineOf(document, 'sink'), lineOf(document, 'bath')]).toEqual([said.sink, said.bath]);
                expect((planOf(document).moves ?? []).map((move) => move.id)).toEqual(moves);
                expect(storage.length).toBe(0);
            },
        ),
        { numRuns: 300 },
    );
}, 60_000);

async function withTimers<T>(promise: Promise<T>): Promise<T> {
    await vi.advanceTimersByTimeAsync(1000);
    return promise;
}
