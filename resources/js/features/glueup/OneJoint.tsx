import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { jointCardQuery } from '../../api/queries';
import type { RunDay, RunReport } from '../../api/types';
import type { JobEditor } from '../../editing';
import { StepCard } from '../joints';
import { SomethingWrong } from './SomethingWrong';
import { handsInWords } from './words';
import type { Trouble } from './troubles';

interface Props {
    run: RunReport;
    /** the number of the joint */
    joint: string;
    /** who holds what, where that is planned */
    hands: RunDay['hands'];
    editor: JobEditor;
    onBack: () => void;
    /** null where it is made already, or was tapped and not sent yet */
    onMade: (() => void) | null;
    /** it does not come out right; and what became of it, where that is known already */
    onWrong: (what: Trouble, then: 'again' | 'cut-out' | null) => void;
}

/** One joint at a time: its section, and the steps of its method in order. */
export function OneJoint({ run, joint, hands, editor, onBack, onMade, onWrong }: Props) {
    const key = run.joints.find((one) => String(one.number) === joint)?.key;
    const card = useQuery(jointCardQuery(editor.ofJob, key === undefined ? null : { run: run.id, joint: key }));
    const data = card.data;
    const method = data?.methods.find((one) => one.method === data.method) ?? data?.methods[0];
    if (card.isError)
        return (
            <p className="waiting" role="alert">
                {card.error.message}
            </p>
        );
    if (!data || !method) return null;
    return (
        <>
            {hands.length > 0 && (
                <ul className="glue-hands" aria-label={t`Who holds what`}>
                    {hands.map((one) => (
                        <li key={one.who}>{handsInWords(one, hands.length > 1)}</li>
                    ))}
                </ul>
            )}
            <StepCard card={data} method={method} units={editor.evaluation.units} onBack={onBack} onMade={onMade} />
            <SomethingWrong method={method} joint={joint} onSaid={onWrong} />
        </>
    );
}
