import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { orderQuery } from '../../api/queries';
import type { OfJob, RunClosing, RunReport, Units } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { lengthInWords } from '../../shared/lengths';
import { RestsOn } from '../../shared/SourceTap';
import { freesInWords, stepInWords } from './ways';

/** Whether the run as it is goes together where its ends stand, piece by piece; or what frees it. */
export function OrderList({ of, run }: { of: OfJob; run: RunReport }) {
    const data = useQuery(orderQuery(of, run.id)).data;
    const order = data?.order;
    if (!order || run.joints.length === 0) return null;
    return (
        <section className="mu-order" aria-label={t`Order`}>
            <h2>{t`Will it go together?`}</h2>
            <p className="say">
                {order.fixed.length === 0
                    ? t`Neither end stands: it is made up and carried in.`
                    : t`${order.fixed.join(' and ')} ${order.fixed.length === 1 ? t`stands` : t`stand`} already.`}
            </p>
            {!order.known ? (
                <p>
                    <Shape kind="unknown" size={17} />{' '}
                    <Trans>
                        Not known: this run has more ways of putting it together than can be looked at in the time there
                        is. Part it in two runs, and each is looked at to the end.
                    </Trans>
                </p>
            ) : order.goes ? (
                <ol>
                    {order.steps.map((step, i) => (
                        <li key={i}>{stepInWords(step, of.document.units)}</li>
                    ))}
                </ol>
            ) : (
                <>
                    <p>
                        <Shape kind="stop" size={17} />{' '}
                        {order.left.length === 1
                            ? t`There is no room along the pipe to push joint ${order.left[0] ?? ''} home.`
                            : t`Joints ${order.left.join(', ')} hold each other.` +
                              ' ' +
                              t`Whichever of them is left to the last, there is no room along the pipe to push it home.`}
                    </p>
                    {order.frees.length > 0 ? (
                        <>
                            <p>
                                <b>{t`Any one of these frees it:`}</b>
                            </p>
                            <ul>
                                {order.frees.slice(0, 6).map((change) => (
                                    <li key={change.map((one) => one.joint).join()}>{freesInWords(change)}</li>
                                ))}
                            </ul>
                        </>
                    ) : (
                        <p>{t`No change of one joint or two frees it: let go of an end.`}</p>
                    )}
                </>
            )}
            {data.closing && <Closing closing={data.closing} units={of.document.units} />}
            <p className="cap">
                <Trans>
                    Pieces are taken as stiff. A long line that can be drawn aside may go together all the same; a glued
                    joint is not sprung.
                </Trans>
            </p>
        </section>
    );
}

const TAKES_UP: Record<RunClosing['joints'][number]['way'], string> = {
    glued: t`glued`,
    ring: t`a ring that lets the pipe move`,
    roll: t`a banded sleeve`,
    slide: t`a coupling or nut that slides`,
    union: t`two faces drawn together`,
};

/** Which joint to leave to the last: what reading and cutting put it off by, and how often it closes all the same. */
function Closing({ closing, units }: { closing: RunClosing; units: Units }) {
    const [best, ...others] = closing.joints;
    if (!best) return null;
    const worst = others.at(-1);
    const often = (chance: number): string =>
        chance > 0.98 ? t`nearly always` : t`${Math.max(1, Math.round(chance * 10))} times in 10`;
    return (
        <>
            <h3>{t`Which joint last?`}</h3>
            <p>
                <Trans>
                    <b>{t`Joint ${best.joint}`}</b>, {TAKES_UP[best.way]}: read and cut as usual it is off by up to{' '}
                    {lengthInWords(best.within_mm, units)} in 19 of 20 cases, and fits the first time{' '}
                    {often(best.chance)}
                </Trans>
                {worst &&
                    worst.chance < best.chance - 0.02 &&
                    t`; joint ${worst.joint}, ${TAKES_UP[worst.way]}, ${often(worst.chance)}`}
                .
            </p>
            {best.chance < 0.95 && (
                <p>{t`Cut the last piece when the others lie dry in place, and measure for it there.`}</p>
            )}
            <RestsOn sources={closing.sources} />
        </>
    );
}
