import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { RunDay, RunReport, Units } from '../../api/types';
import { Said } from '../../drawing/Said';
import type { JobEditor, SiteLog } from '../../editing';
import { localClock } from '../../shared/localClock';
import { Shape } from '../../shared/Shape';
import { useMarks } from './marks';
import { cutOutNow, madeNow, TROUBLES } from './troubles';

interface Props {
    run: RunReport;
    answer: RunDay;
    editor: JobEditor;
    log: SiteLog;
    /** joints of which something was tapped that is not sent yet */
    waiting: string[];
}

/** Joints that are not as they should be, with what to do; and what goes in where one was cut out. */
export function WrongJoints({ run, answer, editor, log, waiting }: Props) {
    const markOf = useMarks();
    if (answer.wrong.length + answer.repairs.length === 0) return null;
    return (
        <section className="glue-troubles" aria-label={t`To be mended`}>
            {answer.wrong.map((one) => (
                <article key={one.joint}>
                    <h3>
                        <Shape kind="stop" size={20} />{' '}
                        {t`Joint ${markOf(one.joint)}: ${TROUBLES[one.what].toLowerCase()}`}
                    </h3>
                    <p className="cap">
                        {localClock(one.at)}, {one.by}
                        {one.note !== '' && `: ${one.note}`}
                    </p>
                    {one.now !== null && (
                        <p className="say">
                            <b>{t`While it still gives:`}</b> {one.now}
                        </p>
                    )}
                    <p className="say">{one.then}</p>
                    <div className="wrong-acts">
                        <button
                            type="button"
                            className="glue-joined"
                            disabled={waiting.includes(one.joint)}
                            onClick={() => log.add([madeNow(run, one.joint, editor)])}
                        >
                            {t`Mended: it is made now`}
                        </button>
                        <button
                            type="button"
                            className="glue-joined"
                            disabled={waiting.includes(one.joint)}
                            onClick={() =>
                                log.add(
                                    cutOutNow(
                                        run,
                                        one.joint,
                                        answer.made.map(({ joint }) => joint),
                                    ),
                                )
                            }
                        >
                            {t`It is ${one.act === 'cut-out' ? t`cut out` : t`opened`}`}
                        </button>
                        <button
                            type="button"
                            className="plain small"
                            disabled={waiting.includes(one.joint)}
                            onClick={() => log.add([{ kind: 'taken-back', entry: one.entry }])}
                        >
                            {t`It is as it should be: take it back`}
                        </button>
                    </div>
                </article>
            ))}
            {answer.repairs.map((repair) => (
                <Repair key={repair.joint} repair={repair} units={editor.evaluation.units} />
            ))}
        </section>
    );
}

function Repair({ repair, units }: { repair: RunDay['repairs'][number]; units: Units }) {
    const markOf = useMarks();
    return (
        <article>
            <h3>
                <Trans>
                    {repair.joints.length > 1
                        ? t`Joints ${repair.joints.map(markOf).join(', ')} are cut out:`
                        : t`Joint ${markOf(repair.joint)} is cut out:`}{' '}
                    what goes in
                </Trans>
                {repair.fitting !== null && t` with a new ${repair.fitting}`}
            </h3>
            <ul>
                {repair.pieces.map((piece) => (
                    <li key={piece.letter}>
                        <b className="mk">{piece.letter}</b>{' '}
                        {piece.new === null ? (
                            t`to be measured`
                        ) : piece.whole ? (
                            <>
                                {t`the whole piece anew,`} <Said tape={piece.new} units={units} unit />
                            </>
                        ) : (
                            <>
                                {t`a new piece of`} <Said tape={piece.new} units={units} unit /> {t`and one`}{' '}
                                {piece.coupling}
                                {t`; cut the old pipe`}{' '}
                                {piece.cut_at && <Said tape={piece.cut_at} units={units} unit />}{' '}
                                {t`from the lip of the old fitting`}
                            </>
                        )}
                    </li>
                ))}
            </ul>
            {repair.slip && (
                <p className="cap">
                    <Trans>
                        What stands at both ends does not come apart: the last coupling is one without a stop, slid on
                        and back. Rehearse it dry.
                    </Trans>
                </p>
            )}
            <p className="cap">
                {repair.enough === null && t`Whether what is left of the sticks is enough is not known.`}
                {repair.enough === true && t`What the sticks leave over is long enough.`}
                {repair.enough === false && t`What the sticks leave over is too short: another stick.`}{' '}
                {t`Try it dry first; then the joint is made as before.`}
            </p>
        </article>
    );
}
