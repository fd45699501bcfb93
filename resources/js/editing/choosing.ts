import { t } from '@lingui/core/macro';
import type { JobDocument, JointReport, RunReport } from '../api/types';

/** Which joint of a job is meant: one of a run by its key, or a single one by its id. */
export type Which = { run: string; joint: string } | { single: string };

export const keyOf = (which: Which): string => ('single' in which ? `single ${which.single}` : which.joint);

/** The job with a joint made another way; null for the best one that is offered. */
export function chooseMethod(document: JobDocument, which: Which, method: string | null): JobDocument {
    const joined = <T extends { method?: unknown }>(end: T): T => {
        const { method: _, ...rest } = end;
        return (method === null ? rest : { ...rest, method }) as T;
    };
    if ('single' in which)
        return {
            ...document,
            single_joints: (document.single_joints ?? []).map((joint) =>
                joint.id === which.single ? joined(joint) : joint,
            ),
        };
    return {
        ...document,
        runs: document.runs.map((run) =>
            run.id !== which.run
                ? run
                : which.joint === 'outlet'
                  ? { ...run, outlet: joined(run.outlet) }
                  : which.joint === 'tie-in'
                    ? { ...run, tie_in: joined(run.tie_in) }
                    : run,
        ),
    };
}

/**
 * Whether the method of a joint can be chosen: only where the run meets what stands there; else it is its system's own.
 */
export const isOpen = (joint: Pick<JointReport, 'state'>): boolean => joint.state !== 'own';

const STATE_WORDS: Record<JointReport['state'], string> = {
    own: '',
    chosen: 'chosen',
    best: t`best, not chosen yet`,
    refused: t`does not join them`,
    unknown: t`not known what stands there`,
    none: t`nothing joins them`,
};

export const stateInWords = (state: JointReport['state']): string => STATE_WORDS[state];

/** The register in one line: how many joints, of what kind, and how many are still open. */
export function registerInWords(run: RunReport): string {
    const kinds = new Map<string, number>();
    run.joints.forEach(
        (joint) => joint.method_name && kinds.set(joint.method_name, (kinds.get(joint.method_name) ?? 0) + 1),
    );
    return [...kinds]
        .map(
            ([name, count]) =>
                `${count} ${name.charAt(0).toLowerCase() === name.charAt(0) || /^[A-Z]{2}/.test(name) ? name : name.charAt(0).toLowerCase() + name.slice(1)}`,
        )
        .join(', ');
}
