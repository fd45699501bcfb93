import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { JointRefused } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { SourceTap } from '../../shared/SourceTap';

/** What does not join them, kept with the reason: first what somebody might reach for, the rest folded away. */
export function RefusedList({ refused }: { refused: JointRefused[] }) {
    const near = refused.filter((one) => one.near);
    const far = refused.filter((one) => !one.near);
    if (refused.length === 0) return null;
    return (
        <>
            <h3 className="bar">
                <Trans>
                    Not allowed here <span>{t`with the reason`}</span>
                </Trans>
            </h3>
            {near.map((one) => (
                <Refused key={one.method} one={one} />
            ))}
            {far.length > 0 && (
                <details className="far">
                    <summary>{t`${far.length} ways for other ends`}</summary>
                    {far.map((one) => (
                        <Refused key={one.method} one={one} />
                    ))}
                </details>
            )}
        </>
    );
}

function Refused({ one }: { one: JointRefused }) {
    return (
        <div className="refused">
            <Shape kind={one.unknown ? 'unknown' : 'stop'} size={19} />
            <div>
                <b>{one.name}</b>
                <p className="say">{one.why}</p>
                {one.source && <SourceTap source={one.source}>{one.source.source}</SourceTap>}
            </div>
        </div>
    );
}
