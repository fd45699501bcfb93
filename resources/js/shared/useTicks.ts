import { useState } from 'react';

const keyOf = (id: string): string => `fall-bend ticked ${id}`;

function read(id: string): Set<string> {
    try {
        const kept = JSON.parse(localStorage.getItem(keyOf(id)) ?? '[]') as unknown;
        return new Set(Array.isArray(kept) ? kept.filter((one): one is string => typeof one === 'string') : []);
    } catch {
        return new Set();
    }
}

/** What is ticked off of a list, kept on this device until it is cleared. */
export function useTicks(id: string) {
    const [ticked, setTicked] = useState(() => read(id));
    const put = (next: Set<string>): void => {
        setTicked(next);
        try {
            localStorage.setItem(keyOf(id), JSON.stringify([...next]));
        } catch {
            // Without storage the ticks hold for this page.
        }
    };
    const toggle = (what: string): void => {
        const next = new Set(ticked);
        if (!next.delete(what)) next.add(what);
        put(next);
    };
    return { ticked, toggle, clear: () => put(new Set()) };
}
