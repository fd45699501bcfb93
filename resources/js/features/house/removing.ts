import { t } from '@lingui/core/macro';
import type { JobDocument } from '../../api/types';

/** The job without a run: what entered it or left it ends in the open until it is said where it goes. */
export function removed(document: JobDocument, run: string): JobDocument {
    return {
        ...document,
        runs: document.runs
            .filter((one) => one.id !== run)
            .map((one) => ({
                ...one,
                outlet:
                    one.outlet.branch?.run === run ? { what: one.outlet.what, kind: 'socket' as const } : one.outlet,
                tie_in:
                    one.tie_in.branch?.run === run || one.tie_in.run === run
                        ? { what: t`not said yet`, kind: 'socket' as const }
                        : one.tie_in,
            })),
        ...(document.hanging ? { hanging: document.hanging.filter((one) => one.run !== run) } : {}),
        ...(document.moves ? { moves: document.moves.filter((move) => move.run !== run) } : {}),
        ...(document.obstacles ? { obstacles: document.obstacles.filter((obstacle) => obstacle.run !== run) } : {}),
    };
}
