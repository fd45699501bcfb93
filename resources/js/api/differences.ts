/**
 * Sends a document as what differs from a revision that the server has: on a slow line a key press is a kilobyte and
 * not thirty. Whether both sides mean the same is held against sums over the document; where they do not, the server
 * says so and the whole is sent.
 */

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

interface Base {
    revision: number;
    document: object;
}

/** Documents that the server has, by job. */
const bases = new Map<string, Base>();

/** Says which document the server has as a revision of a job. */
export function serverHas(job: string, revision: number, document: object): void {
    bases.set(job, { revision, document });
}

/** The server does not know what a document was sent as differing from. */
export const forget = (job: string): void => void bases.delete(job);

/** The job that a document is sent of, where it is said. */
export function jobOf(path: string, body: unknown): string | null {
    if (typeof body !== 'object' || body === null || !('document' in body)) return null;
    const named = /^\/api\/jobs\/([^/?]+)$/.exec(path)?.[1] ?? ('job' in body ? body.job : null);
    return typeof named === 'string' ? named : null;
}

/** Gives what is sent in place of a body with the document of a job; null where the whole of it is sent. */
export async function slimmed(job: string, body: object): Promise<object | null> {
    const base = bases.get(job);
    if (!base) return null;
    const { document, ...rest } = body as { document: object };
    const { createPatch } = await import('rfc6902');
    const patch = createPatch(base.document, document);
    const of = { revision: base.revision, patch, sums: sums(document as Json) };
    const slim = { ...rest, document_of: of };
    return JSON.stringify(slim).length < JSON.stringify(body).length ? slim : null;
}

/** A prime, so that what is added up stays small. */
const MODULUS = 1_000_003;

/**
 * How many values there are, how many letters in all names and texts, and the sum of all numbers in eighths, each with
 * a remainder: the same as the server reckons (`App\Http\SentDocument`).
 */
export function sums(document: Json): { leaves: number; letters: number; numbers: number } {
    const all = { leaves: 0, letters: 0, numbers: 0 };
    const add = (value: Json | undefined): void => {
        if (value === undefined) return;
        if (Array.isArray(value)) value.forEach(add);
        else if (typeof value === 'object' && value !== null)
            for (const [key, one] of Object.entries(value)) {
                // What is undefined is not sent.
                if (one !== undefined) all.letters += key.length;
                add(one);
            }
        else {
            all.leaves++;
            if (typeof value === 'string') all.letters += value.length;
            else if (typeof value === 'number') all.numbers += Math.floor(value * 8) % MODULUS;
            else if (value === true) all.numbers++;
        }
    };
    add(document);
    return all;
}
