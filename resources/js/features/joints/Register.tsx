import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { RunReport } from '../../api/types';
import { NotYet } from '../../shared/NotYet';
import { Shape } from '../../shared/Shape';
import type { JobEditor } from '../../editing';
import { keyOf, registerInWords, stateInWords, type Which } from '../../editing';

const SHAPES = {
    own: 'open',
    chosen: 'done',
    best: 'open',
    refused: 'stop',
    unknown: 'unknown',
    none: 'stop',
} as const;

/** Every joint of the run, numbered as on the pipe, and the single ones of the job. */
export function Register({
    run,
    editor,
    open,
    onOpen,
}: {
    run: RunReport | undefined;
    editor: JobEditor;
    open: Which | null;
    onOpen: (which: Which) => void;
}) {
    const joints = run?.joints ?? [];
    const settled = joints.filter((joint) => ['own', 'chosen', 'best'].includes(joint.state)).length;
    const { singles } = editor.evaluation;
    const selected = open === null ? '' : keyOf(open);
    return (
        <section className="register" aria-label={t`Register of joints`}>
            {run && (
                <header>
                    <h2>
                        <Trans>
                            {joints.length} {joints.length === 1 ? t`joint` : t`joints`}, {settled} with a method
                        </Trans>
                    </h2>
                    <p className="cap">{registerInWords(run)}</p>
                </header>
            )}
            {joints.map((joint) => (
                <button
                    type="button"
                    key={joint.key}
                    className={selected === joint.key ? 'reg-row lit' : 'reg-row'}
                    aria-current={selected === joint.key}
                    onClick={() => run && onOpen({ run: run.id, joint: joint.key })}
                >
                    <span className="tagj">{joint.mark}</span>
                    <b>{joint.name}</b>
                    <span className={joint.method_name ? 'reg-method' : 'reg-method none'}>
                        {joint.method_name || stateInWords(joint.state)}
                    </span>
                    <Shape kind={SHAPES[joint.state]} size={17} />
                </button>
            ))}
            {singles.length > 0 && <h3 className="bar">{t`Single joints of this job`}</h3>}
            {singles.map((joint) => (
                <button
                    type="button"
                    key={joint.id}
                    className={selected === `single ${joint.id}` ? 'reg-row lit' : 'reg-row'}
                    aria-current={selected === `single ${joint.id}`}
                    onClick={() => onOpen({ single: joint.id })}
                >
                    <span className="tagj">–</span>
                    <b>{joint.name}</b>
                    <span className="reg-method">{joint.method_name || stateInWords(joint.state)}</span>
                    <Shape kind={SHAPES[joint.state]} size={17} />
                </button>
            ))}
            {joints.length === 0 && singles.length === 0 && (
                <NotYet text={t`No joint yet.`} station="route" act={t`Call out a leg`} />
            )}
        </section>
    );
}
