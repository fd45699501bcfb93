import { t } from '@lingui/core/macro';
import type { Finding, JobRun, RunReport } from '../../api/types';
import { changeLeg, isRead, setFall } from './legEdits';

export interface Mending {
    label: string;
    /** the run that is changed; left out: the one that the finding stands against */
    run?: string;
    edit: (run: JobRun) => JobRun;
}

/** The changes that do what a finding says to do, where one change does it; the first is the best. */
export function mendingsOf(finding: Finding, run: RunReport, plan: JobRun): Mending[] {
    if (finding.rule === 'branch.noAngle') return ['one', 'other'].flatMap((which) => rolled(finding.params, which));
    const mending = mendingOf(finding, run, plan);
    return mending ? [mending] : [];
}

/**
 * A fitting and a rolled bend in place of a branch that no fitting makes: a short leg comes at the end of the run that
 * enters, the leg before it ends sooner, and the fitting stands further along.
 */
function rolled(params: Finding['params'], which: string): Mending[] {
    const number = (name: string): number => Number(params[`${which}_${name}`]);
    const [fitting, bend, run] = [params[`${which}_fitting`], params[`${which}_bend`], params.branch_run];
    if (typeof fitting !== 'string' || typeof run !== 'string') return [];
    return [
        {
            label: t`${fitting} and ${String(bend)}, rolled ${Math.round(number('roll_deg'))}°`,
            run,
            edit: (old) => {
                const last = old.legs.at(-1);
                const { branch } = old.tie_in;
                if (!last || !isRead(last) || last.length_mm === undefined || !branch) return old;
                const turn = number('turn_deg');
                const next =
                    old.next_leg ?? 1 + Math.max(0, ...old.legs.map((leg) => Number(leg.id.replace(/\D/g, ''))));
                return {
                    ...old,
                    legs: [
                        ...old.legs.slice(0, -1),
                        { ...last, length_mm: Math.max(1, last.length_mm - number('shorter')) },
                        {
                            id: `l${next}`,
                            way: turn < 0 ? ('left' as const) : ('right' as const),
                            turn_deg: Math.max(0.01, Math.abs(turn)),
                            length_mm: number('long'),
                            fall_mm_per_m: number('fall'),
                        },
                    ],
                    next_leg: next + 1,
                    tie_in: {
                        ...old.tie_in,
                        branch: { ...branch, at_mm: (branch.at_mm ?? 0) + number('further') },
                    },
                };
            },
        },
    ];
}

/** The change that does what a finding says to do, where one change does it. */
function mendingOf(finding: Finding, run: RunReport, plan: JobRun): Mending | null {
    const leg = run.legs.find((one) => one.number === finding.where.leg);
    const said = plan.legs.find((one) => one.id === leg?.id);
    if (!leg || !said || !('way' in said)) return null;
    const letter = leg.pieces[0];
    const name = letter ? t`Lay ${letter}` : t`Lay leg ${leg.number}`;
    const least = finding.params.least_mm_per_m;
    if (
        ['fall.least', 'fall.none', 'fall.byApproval'].includes(finding.rule) &&
        typeof least === 'number' &&
        least > 0
    ) {
        return {
            label: t`${name} at the least fall`,
            edit: (old) => changeLeg(old, leg.id, (one) => setFall(one, least)),
        };
    }
    const needed = finding.params.needed_atleast_mm;
    if (['leg.impossible', 'piece.tooShort'].includes(finding.rule) && typeof needed === 'number') {
        // Up to the next mark of the tape, as the finding says it.
        const mark = 25.4 / 16;
        const length = Math.ceil(needed / mark - 1e-6) * mark;
        return {
            label: t`Make leg ${leg.number} long enough`,
            edit: (old) => changeLeg(old, leg.id, (one) => ({ ...one, length_mm: Math.round(length * 1e6) / 1e6 })),
        };
    }
    if (finding.rule === 'turn.pattern' || finding.rule === 'turn.patternDoubtful' || finding.rule === 'joint.strain') {
        return {
            label: t`Leave the choice of bend open`,
            edit: (old) =>
                changeLeg(old, leg.id, (one) => {
                    const { fitting: _, ...rest } = one;
                    return rest;
                }),
        };
    }
    return null;
}
