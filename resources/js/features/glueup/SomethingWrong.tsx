import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { JointMethod } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { TROUBLES, type Trouble } from './troubles';
import { useMarks } from './marks';

interface Props {
    method: JointMethod;
    joint: string;
    /** it is wrong; and what became of it, where that is known already */
    onSaid: (what: Trouble, then: 'again' | 'cut-out' | null) => void;
}

/** What to do now where a joint does not come out right: while it still gives, and after. */
export function SomethingWrong({ method, joint, onSaid }: Props) {
    const mark = useMarks()(joint);
    const [what, setWhat] = useState<Trouble | null>(null);
    const advice = method.troubles.find((one) => one.what === what);
    return (
        <section className="glue-wrong" aria-label={t`Something is wrong with joint ${mark}`}>
            <h3>{t`Something is wrong?`}</h3>
            <div className="wrong-kinds">
                {method.troubles.map((one) => (
                    <button
                        key={one.what}
                        type="button"
                        aria-pressed={one.what === what}
                        onClick={() => setWhat(one.what === what ? null : one.what)}
                    >
                        {TROUBLES[one.what]}
                    </button>
                ))}
            </div>
            {advice && what && (
                <div role="status">
                    {advice.now !== null && (
                        <p className="say">
                            <b>
                                {t`While it still gives`}
                                {method.times.working_s !== null &&
                                    t`, ${Math.round(method.times.working_s)} s from the first coat`}
                                :
                            </b>{' '}
                            {advice.now}
                        </p>
                    )}
                    <p className="say">
                        <Shape kind={advice.act === 'cut-out' ? 'stop' : 'warn'} size={20} />{' '}
                        {advice.now !== null && <b>{t`After that:`} </b>}
                        {advice.then}
                    </p>
                    <div className="wrong-acts">
                        {(advice.now !== null || advice.act === 'again') && (
                            <button type="button" className="glue-joined" onClick={() => onSaid(what, 'again')}>
                                {t`Mended: it is made now`}
                            </button>
                        )}
                        <button type="button" className="glue-joined" onClick={() => onSaid(what, 'cut-out')}>
                            {method.opens ? t`It is opened` : t`It is cut out`}
                        </button>
                        <button type="button" className="glue-joined" onClick={() => onSaid(what, null)}>
                            {t`Only keep it in mind`}
                        </button>
                    </div>
                </div>
            )}
        </section>
    );
}
