import { lazy, type ComponentType } from 'react';

const waiting: (() => Promise<unknown>)[] = [];

/**
 * A part of the interface that is loaded when it is first opened, or before that while nothing else is done: what was loaded is there
 * when the line is gone. A load that failed is tried again once.
 */
export function loaded<P>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
    const twice = (): Promise<ComponentType<P>> => load().catch(load);
    waiting.push(twice);
    return lazy(async () => ({ default: await twice() }));
}

/** Fetches, one after the other, what was not opened yet. */
export async function loadTheRest(): Promise<void> {
    for (const load of waiting.splice(0)) await load().catch(() => undefined);
}
