import { t } from '@lingui/core/macro';
import { useMemo, useState } from 'react';
import type { RunReport, Units } from '../../api/types';
import type { Selection } from '../../drawing/section/FallLine';
import type { SharedSelection } from '../../editing';

/** Everything on the run that can be walked to, in the order of flow: joint 1, piece A, joint 2 … */
export function walkOrder(run: RunReport): Selection[] {
    const order: Selection[] = [];
    const seen = new Set<string>();
    const joint = (key: string): void => {
        if (!seen.has(key)) {
            seen.add(key);
            order.push({ kind: 'joint', key });
        }
    };
    const pieces = new Map(run.pieces.map((piece) => [piece.joint_from, piece]));
    for (const one of run.joints) {
        joint(one.key);
        const piece = pieces.get(one.key);
        if (piece) order.push({ kind: 'piece', key: piece.key });
    }
    return order;
}

/** One selection for the whole screen. */
export function useSelection(run: RunReport | undefined, units: Units): SharedSelection {
    const [selected, setSelected] = useState<Selection | null>(null);
    const [finding, setFinding] = useState<number | null>(null);
    const order = useMemo(() => (run ? walkOrder(run) : []), [run]);
    const index = order.findIndex((one) => one.kind === selected?.kind && one.key === selected.key);
    const select = (selection: Selection | null): void => {
        setSelected(selection);
        setFinding(null);
    };
    return {
        selected: index >= 0 ? selected : null,
        finding,
        select,
        selectFinding: setFinding,
        said: run ? inWords(run, index >= 0 ? selected : null, units) : '',
        leg: run ? legOf(run, selected) : null,
        walk: (by) => {
            const next =
                index < 0 ? (by > 0 ? 0 : order.length - 1) : Math.max(0, Math.min(order.length - 1, index + by));
            select(order[next] ?? null);
        },
        changeRail: () => {
            const other = selected?.kind === 'piece' ? 'joint' : 'piece';
            const near = [index, index + 1, index - 1, index + 2]
                .map((i) => order[i])
                .find((one) => one?.kind === other);
            if (near) select(near);
        },
    };
}

/**
 * The selected thing in words: a piece with its cut length, a joint with its fitting and its level below the outlet's
 * centre.
 */
function inWords(run: RunReport, selected: Selection | null, units: Units): string {
    if (!selected) return '';
    if (selected.kind === 'piece') {
        const piece = run.pieces.find((one) => one.key === selected.key);
        const mark = (key: string): string => run.joints.find((joint) => joint.key === key)?.mark ?? '';
        return piece
            ? t`piece ${piece.letter}, joint ${mark(piece.joint_from)} to ${mark(piece.joint_to)}, leg ${piece.leg}`
            : '';
    }
    const joint = run.joints.find((one) => one.key === selected.key);
    const fitting = run.fittings.find((one) => one.key === joint?.fitting);
    if (!joint) return '';
    const level = units === 'inch' ? `${joint.level.inch} in` : `${joint.level.metric} mm`;
    const height =
        joint.level.mm < -0.5
            ? t`${level.replace('-', '')} below the outlet`
            : joint.level.mm > 0.5
              ? t`${level} above the outlet`
              : t`level with the outlet`;
    return t`joint ${joint.mark}${fitting ? t`, into the ${fitting.pattern === 'bushing' ? '' : `${fitting.size} `}${fitting.name}` : ''}, ${height}`;
}

function legOf(run: RunReport, selected: Selection | null): number | null {
    if (!selected) return null;
    const list: { key: string; leg: number }[] = selected.kind === 'piece' ? run.pieces : run.joints;
    return list.find((one) => one.key === selected.key)?.leg ?? null;
}
