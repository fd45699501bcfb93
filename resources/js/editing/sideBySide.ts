import type { JobDocument } from '../api/types';
import { differences, isEqual, keyOf, patched, type Difference, type Json, type Step } from './patch';

/** What two people changed of a job, piece by piece: a run's way, one of its ends, an obstacle, a setting. */
export interface Piece {
    /** tells it from the others: `runs/glaze/legs` */
    key: string;
    at: Step[];
    /** what stands there in each state; undefined: nothing */
    mine: Json | undefined;
    theirs: Json | undefined;
    /** who changed it; `both`, or where it is not known what both started from: nobody but a person can choose */
    by: 'mine' | 'theirs' | 'both';
}

/**
 * Gives all pieces in which two states of a job differ, as both stand in the document.
 *
 * @param base what both started from; null where that is not known any more
 */
export function piecesOf(base: JobDocument | null, mine: JobDocument, theirs: JobDocument): Piece[] {
    const places = new Map<string, Step[]>();
    const keysOf = (from: JobDocument, to: JobDocument): Set<string> => {
        const keys = new Set<string>();
        for (const { at, order } of differences(from, to)) {
            // In which order runs stand says nothing of any of them.
            if (order && at.length === 1) continue;
            const place = pieceAt(at);
            const key = inWords(place);
            keys.add(key);
            places.set(key, place);
        }
        return keys;
    };
    const [ofMine, ofTheirs] = base === null ? [null, null] : [keysOf(base, mine), keysOf(base, theirs)];
    const all = ofMine && ofTheirs ? [...ofMine, ...ofTheirs] : [...keysOf(theirs, mine)];
    // A run that one of them took away or added is chosen as a whole.
    const wholes = all.filter((key) => /^[^/]+\/[^/]+$/.test(key));
    const keyFor = (key: string): string => wholes.find((whole) => key.startsWith(`${whole}/`)) ?? key;
    const isIn = (keys: ReadonlySet<string>, piece: string): boolean => [...keys].some((key) => keyFor(key) === piece);
    return [...new Set(all.map(keyFor))].sort().flatMap((key): Piece[] => {
        const at = places.get(key) ?? [];
        const [ours, others] = [valueAt(mine, at), valueAt(theirs, at)];
        if (isEqual(ours, others)) return [];
        const isMine = ofMine === null || isIn(ofMine, key);
        const isTheirs = ofTheirs === null || isIn(ofTheirs, key);
        return [{ key, at, mine: ours, theirs: others, by: isMine && isTheirs ? 'both' : isMine ? 'mine' : 'theirs' }];
    });
}

/** Gives their state with those pieces of mine in it that were chosen. */
export function putTogether(theirs: JobDocument, chosen: readonly Piece[]): JobDocument {
    const patch = chosen.map(({ at, mine, theirs: was }): Difference => ({
        at,
        ...(was === undefined ? {} : { was }),
        ...(mine === undefined ? {} : { now: mine }),
        stood: 0,
    }));
    return patched(theirs, patch).document;
}

/** The piece that a difference belongs to: of a run a field, of another list a thing, else a field of the job. */
function pieceAt(at: Step[]): Step[] {
    if (at[0] === 'runs') return at.slice(0, 3);
    return typeof at[1] === 'object' ? at.slice(0, 2) : at.slice(0, 1);
}

const inWords = (at: Step[]): string => at.map((step) => (typeof step === 'string' ? step : step.key)).join('/');

function valueAt(document: JobDocument, at: Step[]): Json | undefined {
    let value = document as unknown as Json | undefined;
    for (const step of at) {
        if (typeof step === 'string')
            value = typeof value === 'object' && value !== null && !Array.isArray(value) ? value[step] : undefined;
        else
            value = Array.isArray(value)
                ? value.find((one) => keyOf(one as { [key: string]: Json }) === step.key)
                : undefined;
    }
    return value;
}
