import { t } from '@lingui/core/macro';
import type { JobObstacle, Units } from '../../api/types';
import { lengthInWords } from '../../shared/lengths';

/** What can be in the way, and what is asked about it. */
export const OBSTACLES: { kind: JobObstacle['kind']; name: string; fields: string[] }[] = [
    { kind: 'joist', name: t`sawn joists`, fields: ['every', 'depth', 'top', 'span', 'bearing', 'cut'] },
    { kind: 'joist-engineered', name: t`engineered joists`, fields: ['every', 'depth', 'top', 'allowed', 'cut'] },
    { kind: 'truss', name: 'a truss', fields: ['every', 'cut'] },
    { kind: 'stud', name: 'studs', fields: ['every', 'depth', 'top', 'bearing_wall'] },
    { kind: 'plate', name: 'a plate', fields: ['depth'] },
    { kind: 'wall', name: 'a wall', fields: ['rated'] },
    { kind: 'slab', name: 'a slab', fields: ['rated'] },
    { kind: 'pipe', name: t`past a pipe or service`, fields: ['gap'] },
    { kind: 'cold', name: t`an unheated stretch`, fields: ['length'] },
    { kind: 'cleanout', name: t`a cleanout in the line`, fields: [] },
    { kind: 'trap', name: t`a trap in the line`, fields: [] },
];

/** Says one back, short. */
export function obstacleInWords(obstacle: JobObstacle, units: Units): string {
    const name =
        obstacle.what !== undefined && obstacle.what !== ''
            ? obstacle.what
            : (OBSTACLES.find((one) => one.kind === obstacle.kind)?.name ?? obstacle.kind);
    return t`${(obstacle.count ?? 1) > 1 ? `${obstacle.count} × ` : ''}${name}, at ${lengthInWords(obstacle.at_mm, units)}`;
}

export function freeObstacleId(taken: JobObstacle[]): string {
    for (let n = taken.length + 1; ; n++) if (!taken.some((one) => one.id === `o${n}`)) return `o${n}`;
}
