/** What JSON holds. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json | undefined };

/** A step of a path: the name of a field, or a thing of a list by its key (`keyOf`). */
export type Step = string | { key: string };

/**
 * One difference between two documents: what stood at a place and what is to stand there; undefined is nothing. `order`
 * says in which order
 * the things of a list stand, by their keys, where that is not how they stood.
 */
export interface Difference {
    at: Step[];
    was?: Json | undefined;
    now?: Json | undefined;
    /** so many steps of the path stood there before; what comes after is made where it is missing */
    stood?: number;
    order?: string[];
}

/** All differences between two documents, from the outside in. */
export type Patch = Difference[];

export interface Patched<T> {
    document: T;
    /** differences that found something else than what stood there when they were made, or nothing to change */
    clashes: Difference[];
}

type Thing = { [key: string]: Json | undefined };

/** Fields that the server reckons: it allots them anew, and no two states are told apart by them. */
const RECKONED = new Set(['marks', 'next_leg']);

/**
 * Gives what changes the one document to the other. Marks and the numbers of legs to come are the server's, and left
 * out.
 */
export function differences(before: unknown, after: unknown): Patch {
    const patch: Patch = [];
    compare(before as Json, after as Json, [], patch, undefined);
    return patch;
}

/** Whether two documents say the same, whatever the server reckoned into them. */
export function sayTheSame(one: unknown, other: unknown): boolean {
    return differences(one, other).length === 0;
}

/** What tells a thing of a list from the others: its id, or the run that it is about. */
export function keyOf(thing: Thing): string | undefined {
    if (typeof thing.id === 'string') return thing.id;
    return typeof thing.run === 'string' ? thing.run : undefined;
}

const keysOf = (things: Thing[]): string[] => things.map((thing) => keyOf(thing) ?? '');

const byKey = (things: Thing[]): Map<string, Thing> => new Map(things.map((thing) => [keyOf(thing) ?? '', thing]));

function compare(
    before: Json | undefined,
    after: Json | undefined,
    at: Step[],
    patch: Patch,
    stood: number | undefined,
): void {
    // What is new as a whole is new part by part, so that two who begin the same list do not clash.
    const isNew = before === undefined && !isEmpty(after);
    const from = isNew ? (stood ?? at.length) : stood;
    if (isThings(after) && (isNew ? after.length > 0 : isThings(before) && before.length + after.length > 0)) {
        compareThings(isThings(before) ? before : [], after, at, patch, from);
    } else if (isObject(after) && (isNew || isObject(before))) {
        const old = isObject(before) ? before : {};
        for (const key of new Set([...Object.keys(old), ...Object.keys(after)])) {
            if (!RECKONED.has(key)) compare(old[key], after[key], [...at, key], patch, from);
        }
    } else if (!isEqual(before, after)) {
        patch.push({
            at,
            ...(before === undefined ? {} : { was: before }),
            ...(after === undefined ? {} : { now: after }),
            ...(stood === undefined ? {} : { stood }),
        });
    }
}

const isEmpty = (value: Json | undefined): boolean =>
    Array.isArray(value) ? value.length === 0 : !isObject(value) || Object.keys(value).length === 0;

function compareThings(before: Thing[], after: Thing[], at: Step[], patch: Patch, stood: number | undefined): void {
    const [old, now] = [byKey(before), byKey(after)];
    for (const [key, thing] of old) if (!now.has(key)) patch.push({ at: [...at, { key }], was: thing });
    for (const [key, thing] of now) {
        const was = old.get(key);
        if (was) compare(was, thing, [...at, { key }], patch, stood);
        else patch.push({ at: [...at, { key }], now: thing, ...(stood === undefined ? {} : { stood }) });
    }
    // What is left and what is new stand at the end, unless it is said otherwise.
    const order = keysOf(after);
    const stays = keysOf(before).filter((key) => now.has(key));
    const added = order.filter((key) => !old.has(key));
    if (!isEqual([...stays, ...added], order)) patch.push({ at, order });
}

/**
 * Takes a document that may be another than the one that the patch was made from; gives it changed, and what clashed.
 */
export function patched<T>(document: T, patch: Patch): Patched<T> {
    const clashes: Difference[] = [];
    let result = document as Json | undefined;
    for (const difference of patch) {
        const { value, clash } = change(result, 0, difference);
        result = value;
        if (clash) clashes.push(difference);
    }
    return { document: result as T, clashes };
}

interface Changed {
    value: Json | undefined;
    clash: boolean;
}

function change(found: Json | undefined, depth: number, difference: Difference): Changed {
    const step = difference.at[depth];
    const isLast = depth === difference.at.length - 1;
    const isMade = found === undefined && difference.stood !== undefined && depth >= difference.stood;
    if (step === undefined)
        return difference.order
            ? { value: inOrder(found, difference.order), clash: false }
            : replaced(found, difference);
    if (typeof step === 'string') {
        const value = isMade ? {} : found;
        // A field of something that is gone has nothing to stand in.
        if (!isObject(value)) return { value: found, clash: true };
        const inner = change(value[step], depth + 1, difference);
        const { [step]: _, ...others } = value;
        return { value: inner.value === undefined ? others : { ...value, [step]: inner.value }, clash: inner.clash };
    }
    const value = isMade ? [] : found;
    if (!isThings(value)) return { value: found, clash: true };
    const index = value.findIndex((thing) => keyOf(thing) === step.key);
    if (index < 0 && (!isLast || difference.now === undefined)) {
        // To take away what is gone is done already; to change it cannot be.
        return { value: found, clash: !isLast };
    }
    const inner = change(value[index], depth + 1, difference);
    const list =
        inner.value === undefined ? value.filter((_, i) => i !== index) : put(value, index, inner.value as Thing);
    return { value: list, clash: inner.clash };
}

function replaced(value: Json | undefined, { was, now }: Difference): Changed {
    return { value: now, clash: !isEqual(value, was) && !isEqual(value, now) };
}

function put(things: Thing[], index: number, thing: Thing): Thing[] {
    return index < 0 ? [...things, thing] : things.map((old, i) => (i === index ? thing : old));
}

function inOrder(value: Json | undefined, order: string[]): Json | undefined {
    if (!isThings(value)) return value;
    const place = new Map(order.map((key, i) => [key, i]));
    const at = (thing: Thing): number => place.get(keyOf(thing) ?? '') ?? order.length;
    return [...value].sort((a, b) => at(a) - at(b));
}

function isObject(value: Json | undefined): value is { [key: string]: Json | undefined } {
    return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A list of things that have a key each, all of them different; an empty list may be one. */
function isThings(value: Json | undefined): value is Thing[] {
    return (
        Array.isArray(value) &&
        value.every((one) => isObject(one) && keyOf(one) !== undefined) &&
        new Set(keysOf(value as Thing[])).size === value.length
    );
}

/** Whether two values are the same, whatever the order of their fields; a field that is undefined is none. */
export function isEqual(one: Json | undefined, other: Json | undefined): boolean {
    if (one === other) return true;
    if (Array.isArray(one) && Array.isArray(other))
        return one.length === other.length && one.every((value, i) => isEqual(value, other[i]));
    if (!isObject(one) || !isObject(other)) return false;
    const keys = new Set([...Object.keys(one), ...Object.keys(other)]);
    return [...keys].every((key) => isEqual(one[key], other[key]));
}
