import { useSearchParams } from 'react-router';

/**
 * What is chosen on a page, kept in its address: it can be sent, and a reload comes back to it. What is as it is at
 * first does not stand there.
 */
export function useAddressed<T extends Record<string, string>>(first: T): [T, (change: Partial<T>) => void] {
    const [search, setSearch] = useSearchParams();
    const said = { ...first };
    for (const key of Object.keys(first) as (keyof T & string)[]) {
        const value = search.get(key);
        if (value !== null) said[key] = value as T[typeof key];
    }
    const say = (change: Partial<T>): void =>
        setSearch(
            (before) => {
                const next = new URLSearchParams(before);
                for (const [key, value] of Object.entries(change) as [string, string][]) {
                    if (value === first[key]) next.delete(key);
                    else next.set(key, value);
                }
                return next;
            },
            { replace: true },
        );
    return [said, say];
}
