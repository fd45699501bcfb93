/** A browser's storage in a map that a test looks into. */
export const storageOf = (all: Map<string, string>) => ({
    get length() {
        return all.size;
    },
    key: (i: number) => [...all.keys()][i] ?? null,
    getItem: (key: string) => all.get(key) ?? null,
    setItem: (key: string, value: string) => void all.set(key, value),
    removeItem: (key: string) => void all.delete(key),
});
