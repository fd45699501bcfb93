import { t } from '@lingui/core/macro';
import type { Finding } from '../api/types';
import { Explained } from './Explained';
import { Shape } from './Shape';

/** What stands against an answer, each with why and what to do. */
export function FindingLines({ findings }: { findings: Finding[] }) {
    return (
        <>
            {findings.map((finding) => (
                <p
                    key={`${finding.rule} ${String(finding.params.side ?? '')} ${finding.where.leg} ${finding.where.piece} ${finding.where.tape_mm}`}
                    className="ci-finding"
                >
                    <Shape kind={finding.severity} size={18} />{' '}
                    <b>
                        {finding.title}
                        {finding.where.piece !== null
                            ? `, ${finding.where.piece}`
                            : finding.where.leg !== null && t`, leg ${finding.where.leg}`}
                        .
                    </b>{' '}
                    <Explained text={`${finding.why} ${finding.remedy}`} />
                </p>
            ))}
        </>
    );
}
