/**
 * Answers that this device keeps, so that what was read once can be read where there is no connection. An answer is
 * served only where none comes from the server; what the server refuses is refused.
 */

/** One of them, as the store of the device has it. */
export interface KeptAnswer {
    /** what was asked, whole: method, path, and a hash of what was sent */
    key: string;
    /** what was asked, without what is other from day to day: the newest of these stands in */
    about: string;
    /** the job that it is of; '' of none */
    job: string;
    /** when it came, milliseconds by the clock of this device */
    at: number;
    bytes: number;
    text: string;
}

export type AnswerSize = Omit<KeptAnswer, 'text'>;

/** Where answers are kept, so that it can be tried without a browser. */
export interface AnswerStore {
    find: (key: string) => Promise<KeptAnswer | undefined>;
    newest: (about: string) => Promise<KeptAnswer | undefined>;
    put: (answer: KeptAnswer) => Promise<void>;
    sizes: () => Promise<AnswerSize[]>;
    remove: (keys: string[]) => Promise<void>;
}

/** So much is kept at most; what came longest ago goes first. */
export const MOST_BYTES = 60_000_000;

/** What is asked and only reads, though it is posted. */
const READS = new RegExp(
    '^/api/(joint|order|day|test|joined|cut|books|materials|hang|make-up|record|lengths|ticket|wrap|csv|drawing|' +
        'how-to/[a-z-]+|reckon/[a-z-]+)$',
);

/** What is never kept: files of whole jobs, what belongs to nobody who is signed in, and what is asked to write. */
const NEVER = /^\/api\/(entrance|invitations|shared|jobs\/[^/]+\/(file|raw|photographs))/;

/** What is other each time of what is sent, and asks for the same. */
const FLEETING = ['start', 'closed_to_house', 'zone', 'on'];

const JOB = /^\/api\/jobs\/([^/?]+)\?want=/;

const alongOf = (job: string): Question => ({ key: `along ${job}`, about: `along ${job}`, job });

const LOG = /^\/api\/jobs\/([^/?]+)\/log\?after=(\d+)$/;

interface Question {
    key: string;
    about: string;
    job: string;
}

/** What was asked, where an answer to it is kept; null where none is. */
export function questionOf(method: string, path: string, body: unknown): Question | null {
    const bare = path.split('?')[0] ?? path;
    if (NEVER.test(bare) || (method !== 'GET' && !(method === 'POST' && READS.test(bare)))) return null;
    const sent = typeof body === 'object' && body !== null ? (body as Record<string, unknown>) : {};
    const lasting = Object.fromEntries(Object.entries(sent).filter(([name]) => !FLEETING.includes(name)));
    const job = /^\/api\/jobs\/([^/?]+)/.exec(path)?.[1] ?? (typeof sent.job === 'string' ? sent.job : '');
    return { key: `${method} ${path} ${hash(body)}`, about: `${method} ${path} ${hash(lasting)}`, job };
}

/** A job with all parts of its evaluation: it answers whatever is wanted of it. */
const wholeOf = (job: string): Question => ({ key: `whole ${job}`, about: `whole ${job}`, job });

/** Keeps answers as they come, and gives them where none comes. */
export class KeptAnswers {
    /** what is kept and how large it is, once that was read: not each answer is a reason to read all of them */
    private known: Map<string, AnswerSize> | null = null;

    constructor(
        private readonly store: AnswerStore,
        private readonly now: () => number = Date.now,
    ) {}

    /** Keeps an answer; rejects where the device has no room for it. */
    async keep(method: string, path: string, body: unknown, answer: unknown): Promise<void> {
        const question = questionOf(method, path, body);
        // Of a job only the whole is kept: what one screen wanted of it is no answer to another.
        if (question === null || JOB.test(path)) return;
        const log = LOG.exec(path);
        if (log) return this.keepLog(log[1] ?? '', Number(log[2]), answer as LogPart);
        await this.put(question, answer instanceof Blob ? await packed(answer) : answer);
    }

    /** A job was taken along: all that its stations ask is kept, as it is in a revision. */
    async setAlong(job: string, revision: number): Promise<void> {
        await this.put(alongOf(job), revision);
    }

    /** Gives the revision that a job was taken along in; null where it was not. */
    async alongIn(job: string): Promise<number | null> {
        const kept = await this.store.find(alongOf(job).key);
        return kept ? (JSON.parse(kept.text) as number) : null;
    }

    /** Keeps a job with all parts of its evaluation: it answers whatever is wanted of it. */
    async keepWhole(job: string, answer: unknown): Promise<void> {
        await this.put(wholeOf(job), answer);
    }

    /** Gives what was answered last; undefined where nothing was. */
    async find(method: string, path: string, body: unknown): Promise<unknown> {
        const question = questionOf(method, path, body);
        if (question === null) return undefined;
        // A job that was kept whole is kept anew with each revision; else what was asked just so goes first.
        const whole = JOB.exec(path)?.[1];
        const kept =
            (whole === undefined ? undefined : await this.store.find(wholeOf(whole).key)) ??
            (await this.store.find(question.key)) ??
            (await this.store.newest(question.about));
        if (!kept) return undefined;
        const answer = JSON.parse(kept.text) as unknown;
        if (isPacked(answer)) return unpacked(answer);
        // A log says what the clock of the server was when it came; who was there then is not there now.
        return LOG.test(path) ? { ...(answer as LogPart), here: [], came: kept.at } : answer;
    }

    /** How much is kept, by job; '' is what belongs to none. */
    async sizes(): Promise<Map<string, number>> {
        const sizes = new Map<string, number>();
        for (const { job, bytes } of await this.store.sizes()) sizes.set(job, (sizes.get(job) ?? 0) + bytes);
        return sizes;
    }

    /** Lets go of what is kept of a job, or of everything. */
    async forget(job?: string): Promise<void> {
        const sizes = await this.store.sizes();
        this.known = null;
        await this.store.remove(sizes.filter((one) => job === undefined || one.job === job).map((one) => one.key));
    }

    /** A log is asked for from where it is known: what comes is put to what is kept of it. */
    private async keepLog(job: string, after: number, answer: LogPart): Promise<void> {
        const path = `/api/jobs/${job}/log?after=0`;
        const question = questionOf('GET', path, undefined);
        if (question === null) return;
        const before = after === 0 ? undefined : await this.store.find(question.key);
        const known = before ? (JSON.parse(before.text) as LogPart).entries : [];
        const upTo = known.at(-1)?.number ?? 0;
        // What does not follow on what is kept would leave a hole.
        if (after > upTo) return;
        const entries = [...known, ...answer.entries.filter((entry) => entry.number > upTo)];
        await this.put(question, { ...answer, entries, length: entries.length });
    }

    private async put(question: Question, answer: unknown): Promise<void> {
        const text = JSON.stringify(answer);
        const size = { ...question, at: this.now(), bytes: text.length };
        const known = await this.makeRoom(size);
        await this.store.put({ ...size, text });
        known.set(question.key, size);
    }

    /** Lets go of what came longest ago, as far as there is no room for more; gives what is kept then. */
    private async makeRoom(more: AnswerSize): Promise<Map<string, AnswerSize>> {
        this.known ??= new Map((await this.store.sizes()).map((one) => [one.key, one]));
        const { known } = this;
        const others = [...known.values()].filter((one) => one.key !== more.key).sort((a, b) => a.at - b.at);
        let sum = others.reduce((all, one) => all + one.bytes, more.bytes);
        const gone: string[] = [];
        for (const one of others) {
            if (sum <= MOST_BYTES) break;
            gone.push(one.key);
            sum -= one.bytes;
        }
        if (gone.length > 0) await this.store.remove(gone);
        gone.forEach((key) => known.delete(key));
        return known;
    }
}

interface LogPart {
    entries: { number: number }[];
    length: number;
    now: string;
    came?: number;
}

/** A file as text, so that it is kept as any other answer. */
interface Packed {
    packed_file: string;
    type: string;
}

const isPacked = (answer: unknown): answer is Packed =>
    typeof answer === 'object' && answer !== null && 'packed_file' in answer;

async function packed(file: Blob): Promise<Packed> {
    const bytes = new Uint8Array(await file.arrayBuffer());
    // In pieces: a function takes only so many arguments.
    let text = '';
    for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
    return { packed_file: btoa(text), type: file.type };
}

const unpacked = ({ packed_file, type }: Packed): Blob =>
    new Blob([Uint8Array.from(atob(packed_file), (char) => char.charCodeAt(0))], { type });

/** Tells one text from another in 106 bits (cyrb53 of Bryc, 2018, public domain, with two seeds). */
function hash(body: unknown): string {
    const text = body === undefined ? '' : (JSON.stringify(body) ?? '');
    return `${text.length.toString(36)}-${mixed(text, 1)}${mixed(text, 2)}`;
}

function mixed(text: string, seed: number): string {
    let [a, b] = [0xdeadbeef ^ seed, 0x41c6ce57 ^ seed];
    for (let i = 0; i < text.length; i++) {
        const code = text.charCodeAt(i);
        a = Math.imul(a ^ code, 2654435761);
        b = Math.imul(b ^ code, 1597334677);
    }
    a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
    b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
    return (4294967296 * (2097151 & b) + (a >>> 0)).toString(36);
}
