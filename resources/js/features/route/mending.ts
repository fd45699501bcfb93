import type { Finding, JobRun, RunReport } from '../../api/types';
import { changeLeg, setFall } from './legEdits';

export interface Mending {
    label: string;
    edit: (run: JobRun) => JobRun;
}

/** The change that does what a finding says to do, where one change does it. */
export function mendingOf(finding: Finding, run: RunReport, plan: JobRun): Mending | null {
    const leg = run.legs.find((one) => one.number === finding.where.leg);
    const said = plan.legs.find((one) => one.id === leg?.id);
    if (!leg || !said || !('way' in said)) return null;
    const letter = leg.pieces[0];
    const name = letter ? `Lay ${letter}` : `Lay leg ${leg.number}`;
    const least = finding.params.least_mm_per_m;
    if (
        ['fall.least', 'fall.none', 'fall.byApproval'].includes(finding.rule) &&
        typeof least === 'number' &&
        least > 0
    ) {
        return {
            label: `${name} at the least fall`,
            edit: (old) => changeLeg(old, leg.id, (one) => setFall(one, least)),
        };
    }
    const needed = finding.params.needed_atleast_mm;
    if (['leg.impossible', 'piece.tooShort'].includes(finding.rule) && typeof needed === 'number') {
        // Up to the next mark of the tape, as the finding says it.
        const mark = 25.4 / 16;
        const length = Math.ceil(needed / mark - 1e-6) * mark;
        return {
            label: `Make leg ${leg.number} long enough`,
            edit: (old) => changeLeg(old, leg.id, (one) => ({ ...one, length_mm: Math.round(length * 1e6) / 1e6 })),
        };
    }
    if (finding.rule === 'turn.pattern' || finding.rule === 'turn.patternDoubtful' || finding.rule === 'joint.strain') {
        return {
            label: 'Leave the choice of bend open',
            edit: (old) =>
                changeLeg(old, leg.id, (one) => {
                    const { fitting: _, ...rest } = one;
                    return rest;
                }),
        };
    }
    return null;
}
