import { t } from '@lingui/core/macro';
import type { JobDocument, JobEvidence, JobStanding, Units } from '../../api/types';
import { lengthInWords } from '../../shared/lengths';

const onOne = (document: JobDocument, id: string, edit: (pipe: JobStanding) => JobStanding): JobDocument => ({
    ...document,
    standing: (document.standing ?? []).map((pipe) => (pipe.id === id ? edit(pipe) : pipe)),
});

/**
 * The job with a pipe known as a candidate, or not known any more. A calliper reading stands for its outside diameter.
 */
export function knowAs(
    document: JobDocument,
    id: string,
    candidate: { system: string; size: string } | null,
    evidence?: JobEvidence,
): JobDocument {
    return onOne(document, id, (pipe) => {
        const { system: _, size: __, od_mm: ___, ...rest } = pipe;
        if (candidate === null) return { ...rest, how: 'guessed' };
        const measured =
            evidence?.od_mm !== undefined && evidence.reading_error_mm <= 0.5 ? { od_mm: evidence.od_mm } : {};
        return {
            ...rest,
            ...measured,
            system: candidate.system as NonNullable<JobStanding['system']>,
            size: candidate.size as NonNullable<JobStanding['size']>,
            how: evidence?.print ? 'print' : 'measured',
        };
    });
}

/** The job without a standing pipe. What tied to it ties to a socket of its own again; single joints to it go. */
export function removeStanding(document: JobDocument, id: string): JobDocument {
    const free = <T extends { what: string; standing?: string | undefined }>(end: T): T =>
        end.standing === id ? ({ what: end.what, kind: 'socket' } as unknown as T) : end;
    return {
        ...document,
        standing: (document.standing ?? []).filter((pipe) => pipe.id !== id),
        single_joints: (document.single_joints ?? []).filter(
            (joint) =>
                !('standing' in joint.a && joint.a.standing === id) &&
                !('standing' in joint.b && joint.b.standing === id),
        ),
        runs: document.runs.map((run) => ({ ...run, outlet: free(run.outlet), tie_in: free(run.tie_in) })),
        ...(document.moves
            ? { moves: document.moves.filter((move) => move.kind !== 'cut-in' || move.values.standing !== id) }
            : {}),
    };
}

const ENDS: Record<JobStanding['end'], string> = {
    plain: t`a cut end`,
    spigot: 'a spigot',
    hub: 'a hub',
    bell: 'a bell',
    'solvent-socket': t`a solvent socket`,
    'ring-socket': t`a ring socket`,
    'female-thread': t`a female thread`,
    'male-thread': t`a male thread`,
    'slip-nut': t`a slip nut`,
    flange: 'a flange',
    grooved: t`a grooved end`,
};

export const END_NAMES = Object.entries(ENDS) as [JobStanding['end'], string][];

/** How it ends, where that is, which way it points, and what is in the way. */
export function whereInWords(pipe: JobStanding, units: Units): string {
    const level = pipe.level_mm === undefined ? '' : t`${lengthInWords(pipe.level_mm, units)} over the mark`;
    const parts = [
        ENDS[pipe.end],
        pipe.at,
        pipe.faces && t`facing ${pipe.faces}`,
        level,
        pipe.in_the_way && t`in the way: ${pipe.in_the_way}`,
    ].filter(Boolean);
    const said = parts.join('; ');
    return `${said.charAt(0).toUpperCase()}${said.slice(1)}.`;
}

export function freeStandingId(taken: string[]): string {
    for (let n = taken.length + 1; ; n++) if (!taken.includes(`pipe-${n}`)) return `pipe-${n}`;
}
