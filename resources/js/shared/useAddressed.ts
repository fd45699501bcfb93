import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';

/**
 * What is chosen on a page, kept in its address: it can be sent, and a reload comes back to it. What is as it is at
 * first does not stand there. The page itself goes before its address, which follows a moment later: what is typed
 * quickly is not lost.
 *
 * @returns what is chosen, and what changes it; with `step` the way back leads to what was chosen before
 */
export function useAddressed<T extends Record<string, string>>(
    first: T,
): [T, (change: Partial<T>, step?: boolean) => void] {
    const [search, setSearch] = useSearchParams();
    const there = read(search, first);
    const [said, setSaid] = useState(there);
    const latest = useRef(said);
    /** What was written into the address and did not arrive there yet. */
    const underWay = useRef(new Set<string>());
    const arrived = JSON.stringify(there);
    useEffect(() => {
        if (arrived === JSON.stringify(latest.current)) underWay.current.clear();
        // Somebody went back, or followed a link to here.
        else if (!underWay.current.has(arrived)) setSaid((latest.current = JSON.parse(arrived) as T));
    }, [arrived]);
    const say = (change: Partial<T>, step = false): void => {
        const next = { ...latest.current, ...change };
        latest.current = next;
        underWay.current.add(JSON.stringify(next));
        setSaid(next);
        setSearch(
            (before) => {
                const params = new URLSearchParams(before);
                for (const [key, value] of Object.entries(next)) {
                    if (value === first[key]) params.delete(key);
                    else params.set(key, value);
                }
                return params;
            },
            { replace: !step },
        );
    };
    return [said, say];
}

function read<T extends Record<string, string>>(search: URLSearchParams, first: T): T {
    const said = { ...first };
    for (const key of Object.keys(first) as (keyof T & string)[]) {
        const value = search.get(key);
        if (value !== null) said[key] = value as T[typeof key];
    }
    return said;
}
