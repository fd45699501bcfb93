import { t } from '@lingui/core/macro';
import type { SystemSummary } from '../../api/types';
import type { Evidence } from './evidence';

export const END_WORDS: Record<string, string> = {
    plain: t`cut end`,
    spigot: 'spigot',
    hub: 'hub',
    bell: 'bell',
    'solvent-socket': t`solvent socket`,
    'ring-socket': t`ring socket`,
    'female-thread': t`female thread`,
    'male-thread': t`male thread`,
    'slip-nut': t`slip nut`,
    flange: 'flange',
    grooved: 'grooved',
};

/** The end that was seen on a pipe, of those that it occurs with: a bell is its hub, bell or socket; else it is cut. */
export function endSeen(evidence: Evidence, ends: string[]): string {
    const wanted: Record<string, string[]> = {
        bell: ['hub', 'bell', 'ring-socket', 'solvent-socket'],
        'iron-bell': ['hub'],
        'clay-bell': ['bell'],
        'ring-bell': ['bell'],
        'ring-socket': ['ring-socket'],
        'solvent-socket': ['solvent-socket'],
        thread: ['female-thread'],
        'slip-nut': ['slip-nut'],
        solder: ['hub'],
    };
    return (wanted[evidence.joint_seen ?? ''] ?? []).find((end) => ends.includes(end)) ?? 'plain';
}

/** The size of one system that goes by the name of a size of another: the same name, or the nearest in the list. */
export function sizeLike(system: SystemSummary | undefined, size: string): string {
    if (!system) return size;
    if (system.sizes.includes(size)) return size;
    const value = (text: string): number =>
        text
            .split(/[- ]/)
            .reduce(
                (sum, part) =>
                    sum + (part.includes('/') ? Number(part.split('/')[0]) / Number(part.split('/')[1]) : Number(part)),
                0,
            );
    const wanted = value(size);
    return (
        [...system.sizes].sort((one, other) => Math.abs(value(one) - wanted) - Math.abs(value(other) - wanted))[0] ??
        size
    );
}
