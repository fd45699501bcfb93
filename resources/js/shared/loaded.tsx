import { lazy, useState, type ComponentType } from 'react';

const waiting = new Set<() => Promise<unknown>>();

/** A part of the interface that may still be on its way; `fetch` asks for it before it is shown. */
export type Loaded<P extends object> = ComponentType<P> & { fetch: () => Promise<unknown> };

/**
 * A part of the interface that is loaded when it is first opened, or before that while nothing else is done: what was
 * loaded is there
 * when the line is gone, and at once. A load that failed is tried again once.
 */
export function loaded<P extends object>(load: () => Promise<ComponentType<P>>): Loaded<P> {
    let ready: ComponentType<P> | null = null;
    const fetch = async (): Promise<ComponentType<P>> => {
        ready ??= await load().catch(load);
        waiting.delete(fetch);
        return ready;
    };
    waiting.add(fetch);
    const Later = lazy(async () => ({ default: await fetch() })) as unknown as ComponentType<P>;
    // What is shown once stays what it is: it keeps what was typed into it.
    const Part = (props: P) => {
        const [Shown] = useState<ComponentType<P>>(() => ready ?? Later);
        return <Shown {...props} />;
    };
    return Object.assign(Part, { fetch });
}

/** Fetches, one after the other, what was not opened yet. */
export async function loadTheRest(): Promise<void> {
    for (const fetch of [...waiting]) await fetch().catch(() => undefined);
}
