import { t } from '@lingui/core/macro';
import type { NetworkReport, PipeReport, RunPlace, RunReport } from '../../api/types';

export interface Branch {
    place: RunPlace;
    depth: number;
}

/**
 * The runs as they hang together: what ends in nothing else first, under each what enters it or leaves it, in the order
 * of the job.
 */
export function treeOf(network: NetworkReport): Branch[] {
    const children = new Map<string | null, RunPlace[]>();
    const ids = new Set(network.places.map((place) => place.run));
    for (const place of network.places) {
        const into = place.into !== null && ids.has(place.into) ? place.into : null;
        children.set(into, [...(children.get(into) ?? []), place]);
    }
    const rows: Branch[] = [];
    const seen = new Set<string>();
    const grow = (place: RunPlace, depth: number): void => {
        if (seen.has(place.run)) return;
        seen.add(place.run);
        rows.push({ place, depth });
        for (const child of children.get(place.run) ?? []) grow(child, depth + 1);
    };
    for (const root of children.get(null) ?? []) grow(root, 0);
    // What runs in a loop hangs on nothing; it is shown all the same.
    for (const place of network.places) grow(place, 0);
    return rows;
}

/** Pipes as they are in the job, those that carry or vent before those that nothing is known of yet. */
export function knownFirst(pipes: PipeReport[]): PipeReport[] {
    const isKnown = (pipe: PipeReport): boolean => pipe.role !== 'dead' && pipe.load !== null;
    return [...pipes.filter(isKnown), ...pipes.filter((pipe) => !isKnown(pipe))];
}

export interface Roles {
    words: string;
    load: string | null;
}

export const ROLE: Record<PipeReport['role'], string> = {
    'dry-vent': t`dry vent`,
    'wet-vent': t`wet vent`,
    drain: 'drain',
    dead: t`nothing in it yet`,
};

/** What a run is, from its head to its end: `dry vent, then drain`. */
export function rolesOf(network: NetworkReport, run: string): Roles {
    const pipes = network.pipes.filter((pipe) => pipe.run === run).sort((a, b) => a.from_mm - b.from_mm);
    const words: string[] = [];
    for (const pipe of pipes) {
        const word = ROLE[pipe.role];
        if (words.at(-1) !== word) words.push(word);
    }
    const most = pipes.reduce<number | null>(
        (load, pipe) => (pipe.load === null || load === null ? null : Math.max(load, pipe.load)),
        0,
    );
    const said = pipes.find((pipe) => pipe.load === most)?.load_said ?? null;
    return { words: words.slice(0, 3).join(', then '), load: most ? said : null };
}

export interface Counts {
    stop: number;
    warn: number;
    unknown: number;
}

export const countsOf = (run: RunReport | undefined): Counts => {
    const of = (severity: string): number =>
        run?.findings.filter((finding) => finding.severity === severity).length ?? 0;
    return { stop: of('stop'), warn: of('warn'), unknown: of('unknown') };
};
