import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { FittingReport, RunReport, Units } from '../../api/types';
import { Said } from '../../drawing/Said';
import { rolledInWords, unsigned } from '../../shared/rolls';

/**
 * Every fitting in the order of flow, between which joints it stands, and how it is turned: the mark is set off round
 * the outside from the heel of the bend before.
 */
export function BendList({ run, units }: { run: RunReport; units: Units }) {
    if (run.fittings.length === 0) return null;
    const joints = (fitting: FittingReport): string =>
        run.joints
            .filter((joint) => joint.fitting === fitting.key)
            .map((joint) => joint.mark)
            .join(' – ');
    return (
        <section className="bend-list" aria-label={t`Fittings and how they are turned`}>
            <h2>{t`Fittings, and how each is turned`}</h2>
            <ol>
                {run.fittings.map((fitting) => (
                    <li key={fitting.key}>
                        <span className="cap">{joints(fitting)}</span>
                        <b>
                            {fitting.pattern === 'bushing' ? '' : `${fitting.size} `}
                            {fitting.name}
                        </b>
                        <span>
                            {rolledInWords(fitting)}
                            {fitting.mark && Math.round(Math.abs(fitting.roll_deg ?? 0)) > 0 && (
                                <>
                                    {t`: mark`} <Said tape={unsigned(fitting.mark)} units={units} unit />
                                </>
                            )}
                        </span>
                    </li>
                ))}
            </ol>
            <p className="cap">
                <Trans>
                    Clockwise looking downstream, from the heel of the bend before; the first from straight up, or from
                    north on upright pipe.
                </Trans>
            </p>
        </section>
    );
}
