import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { jointCardQuery } from '../../api/queries';
import type { JointCard, RunReport } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { RestsOn } from '../../shared/SourceTap';
import { useSize } from '../../shared/useSize';
import { JointSection } from '../../drawing/joint/JointSection';
import type { JobEditor } from '../../editing';
import type { SharedSelection } from '../../editing';
import { chooseMethod, type Which } from '../../editing';
import { ByTemperature } from './ByTemperature';
import { Consequences } from './Consequences';
import { MethodList } from './MethodList';
import { Register } from './Register';
import { StepCard } from './StepCard';

interface Props {
    /** undefined in a job of single joints alone */
    run: RunReport | undefined;
    editor: JobEditor;
    selection: SharedSelection;
    phone: boolean;
}

/**
 * The Joints station: the register of all joints, what can join the selected one and what cannot, and the card to make
 * it by.
 */
export function JointsStation({ run, editor, selection, phone }: Props) {
    const [params, setParams] = useSearchParams();
    const asked = params.get('joint');
    const joints = run?.joints ?? [];
    const joint =
        joints.find(
            (one) => one.key === (asked ?? (selection.selected?.kind === 'joint' ? selection.selected.key : null)),
        ) ?? (phone ? undefined : (joints.find((one) => one.state !== 'own') ?? joints.at(-1)));
    const firstSingle = phone || joint ? undefined : editor.evaluation.singles[0]?.id;
    const single = params.get('single') ?? firstSingle;
    const which: Which | null = single ? { single } : run && joint ? { run: run.id, joint: joint.key } : null;
    const card = useQuery(jointCardQuery(editor.ofJob, which));
    const [looked, setLooked] = useState<string | null>(null);
    const [steps, setSteps] = useState(false);
    const data = which === null ? undefined : card.data;
    const method =
        data?.methods.find((one) => one.method === looked) ??
        data?.methods.find((one) => one.method === data.method) ??
        data?.methods[0];

    const open = (next: Which | null): void => {
        setLooked(null);
        setSteps(false);
        setParams(next === null ? {} : 'single' in next ? { single: next.single } : { joint: next.joint });
        if (next && 'joint' in next) selection.select({ kind: 'joint', key: next.joint });
    };
    const register = <Register run={run} editor={editor} open={which} onOpen={open} />;
    if (phone && which === null) return <main className="station joints">{register}</main>;
    return (
        <main className="station joints">
            {!phone && register}
            {card.isError && (
                <p className="waiting" role="alert">
                    {card.error.message}
                </p>
            )}
            {data && (
                <>
                    {phone && (
                        <button type="button" className="back-line" onClick={() => open(null)}>
                            {t`‹ all joints`}
                        </button>
                    )}
                    {steps && method && data.a && data.b ? (
                        <StepCard
                            card={data}
                            method={method}
                            units={editor.evaluation.units}
                            onBack={() => setSteps(false)}
                        />
                    ) : (
                        <>
                            <MethodList card={data} looked={method?.method ?? null} onLook={setLooked} />
                            <Chosen
                                card={data}
                                looked={method?.method ?? null}
                                editor={editor}
                                which={which}
                                onSteps={() => setSteps(true)}
                                onLook={setLooked}
                            />
                        </>
                    )}
                </>
            )}
        </main>
    );
}

/** The method in hand: drawn in section, what it changes, and the way to its steps. */
function Chosen({
    card,
    looked,
    editor,
    which,
    onSteps,
    onLook,
}: {
    card: JointCard;
    looked: string | null;
    editor: JobEditor;
    which: Which | null;
    onSteps: () => void;
    onLook: (method: string) => void;
}) {
    const [box, size] = useSize();
    const method = card.methods.find((one) => one.method === looked);
    if (!method || !card.a || !card.b || which === null)
        return (
            <section className="joint-chosen" aria-label={t`The joint`}>
                <p className="say pad">
                    <Shape kind={card.state === 'unknown' ? 'unknown' : 'stop'} size={18} />{' '}
                    {card.state === 'unknown'
                        ? t`What stands there is not known yet.` +
                          ' ' +
                          t`Identify it at the station Look; until then nothing is bought and the last piece is not cut.`
                        : t`Nothing in the tables joins these two as they end.` +
                          ' ' +
                          t`Cut one to a plain end, or add the part in hand at the Bench.`}
                </p>
            </section>
        );
    const { units } = editor.evaluation;
    const isChosen = card.state === 'own' || (card.state === 'chosen' && card.method === method.method);
    return (
        <section className="joint-chosen" aria-label={t`The joint made up`} ref={box}>
            {size.width > 0 && (
                <JointSection
                    a={card.a}
                    b={card.b}
                    method={method}
                    units={units}
                    width={Math.max(300, size.width)}
                    height={300}
                    letter={card.piece}
                />
            )}
            <div className="acts pad">
                <button type="button" className="plain" onClick={onSteps}>
                    {t`Steps`}
                </button>
                <button
                    type="button"
                    className="main-act"
                    disabled={isChosen}
                    onClick={() => editor.change((old) => chooseMethod(old, which, method.method))}
                >
                    {isChosen ? (card.state === 'own' ? t`The usual joint` : t`Chosen`) : t`Join it this way`}
                </button>
            </div>
            <Consequences card={card} looked={method.method} units={units} onLook={onLook} />
            <ByTemperature method={method} />
            <RestsOn sources={card.sources} />
        </section>
    );
}
