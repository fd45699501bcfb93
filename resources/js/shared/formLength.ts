import { readLength } from '../api/lengths';
import type { Units } from '../api/types';
import { formText } from './formText';
import { saidLength } from './lengths';

/**
 * Lengths of a form in mm, as the tape says them, read in one request; null where nothing is entered. The first that is
 * not understood is gone to, and said.
 */
export async function formLengths<N extends string>(
    form: FormData,
    names: readonly N[],
    units: Units,
    isNeeded: (name: N) => boolean = () => false,
): Promise<Record<N, number | null>> {
    const read = await Promise.all(
        names.map(async (name): Promise<[N, number | null]> => {
            const text = formText(form, name);
            if (text.trim() === '' && !isNeeded(name)) return [name, null];
            const result = await readLength(text, units);
            if (result.ok) return [name, result.data.mm];
            throw new Unread(name, result.errors.text?.[0] ?? result.message);
        }),
    ).catch((error: unknown) => {
        if (error instanceof Unread) document.getElementsByName(error.name)[0]?.focus();
        throw error;
    });
    return Object.fromEntries(read) as Record<N, number | null>;
}

/** One of them. */
export async function formLength(form: FormData, name: string, units: Units, needed = false): Promise<number | null> {
    return (await formLengths(form, [name], units, () => needed))[name] ?? null;
}

/**
 * Reads a length of a form, in mm; null where it is none. What stands there as it was put there is what it was: a tape
 * says it to a mark only.
 */
export async function readOr(said: string, before: number | undefined, units: Units): Promise<number | null> {
    if (before !== undefined && said === saidLength(before, units)) return before;
    const result = await readLength(said, units);
    return result.ok ? result.data.mm : null;
}

class Unread extends Error {
    constructor(
        override readonly name: string,
        message: string,
    ) {
        super(message);
    }
}
