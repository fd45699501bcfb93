import { t } from '@lingui/core/macro';
import type { TestedSystem, Testing, TestJoint } from '../../api/types';
import type { Pending, SiteLog } from '../../editing';
import { NotYet } from '../../shared/NotYet';
import { Shape } from '../../shared/Shape';

interface Props {
    system: TestedSystem;
    stage: Testing['stage'];
    log: SiteLog;
    pending: Pending[];
    /** the run whose joints are opened first */
    open: string;
    /** joints outside the runs */
    singles: TestJoint[];
}

/** Every joint looked at and felt, and what else is tried, while it is under test. */
export function Walk({ system, stage, log, pending, open, singles }: Props) {
    const made = system.joints.filter((joint) => joint.state !== 'open');
    const dry = made.filter((joint) => joint.dry === true).length;
    return (
        <section className="test-walk" aria-label={t`Look at every joint`}>
            <h2>{t`Look and feel: ${dry} of ${system.joints.length} joints dry`}</h2>
            {made.length === 0 && (
                <NotYet text={t`No joint is made yet: Glue-up says how.`} station="glue-up" act={t`Join them`} />
            )}
            {system.runs.map((run) => (
                <RunJoints
                    key={run.id}
                    name={run.name}
                    joints={made.filter((joint) => joint.run === run.id)}
                    isOpen={system.runs.length === 1 || run.id === open}
                    pending={pending}
                    log={log}
                />
            ))}
            <RunJoints
                name={t`Joints outside the runs`}
                joints={singles.filter((joint) => joint.state !== 'open')}
                isOpen={false}
                pending={pending}
                log={log}
            />
            <h2>{t`And then`}</h2>
            <ul>
                {system.checks.map((check) => {
                    const isWaiting = pending.some((one) => one.kind === 'check' && one.check === check.key);
                    const say = (ok: boolean): void =>
                        log.add([{ kind: 'check', system: system.id, stage, check: check.key, ok }]);
                    return (
                        <li key={check.key} className="walk-row">
                            <span>
                                <Shape kind={check.ok === null ? 'open' : check.ok ? 'done' : 'stop'} size={18} />{' '}
                                <b>{check.do}</b>
                                <span className="cap">
                                    {check.asked && t`Where the inspector asks for it: `}
                                    {check.say}
                                    {check.by !== null &&
                                        ` ${check.ok ? t`Done` : t`Not as it should be`}, ${check.by}.`}
                                </span>
                            </span>
                            <YesNo yes="Done" no="Not so" isWaiting={isWaiting} onSaid={say} />
                        </li>
                    );
                })}
            </ul>
        </section>
    );
}

interface RunProps {
    name: string;
    joints: TestJoint[];
    isOpen: boolean;
    pending: Pending[];
    log: SiteLog;
}

function RunJoints({ name, joints, isOpen, pending, log }: RunProps) {
    if (joints.length === 0) return null;
    const dry = joints.filter((joint) => joint.dry === true).length;
    const wrong = joints.filter((joint) => joint.state === 'wrong').length;
    return (
        <details open={isOpen}>
            <summary>
                <Shape kind={wrong > 0 ? 'stop' : dry === joints.length ? 'done' : 'open'} size={18} />{' '}
                {t`${name}: ${dry} of ${joints.length} dry`}
            </summary>
            <ol>
                {joints.map((joint) => (
                    <JointRow
                        key={`${joint.run} ${joint.joint}`}
                        joint={joint}
                        isWaiting={pending.some(
                            (one) => one.kind === 'walk' && one.run === joint.run && one.joint === joint.joint,
                        )}
                        onSaid={(isDry) => log.add([{ kind: 'walk', run: joint.run, joint: joint.joint, dry: isDry }])}
                    />
                ))}
            </ol>
        </details>
    );
}

interface RowProps {
    joint: TestJoint;
    isWaiting: boolean;
    onSaid: (dry: boolean) => void;
}

function JointRow({ joint, isWaiting, onSaid }: RowProps) {
    const shape = joint.state === 'wrong' ? 'stop' : joint.dry === true ? 'done' : 'open';
    return (
        <li className="walk-row">
            <b className="glue-n mk">{joint.mark}</b>
            <span>
                <Shape kind={shape} size={18} /> <b>{joint.name}</b>
                <span className="cap">
                    {joint.method_name}. {joint.check}
                    {joint.state === 'wrong' && t` Something is wrong with it: Glue-up says what to do.`}
                    {joint.dry === true && joint.by !== null && t` Dry, ${joint.by}.`}
                </span>
            </span>
            <YesNo yes="Dry" no="Wet" isWaiting={isWaiting} onSaid={onSaid} />
        </li>
    );
}

interface YesNoProps {
    yes: string;
    no: string;
    isWaiting: boolean;
    onSaid: (yes: boolean) => void;
}

function YesNo({ yes, no, isWaiting, onSaid }: YesNoProps) {
    return (
        <span className="yes-no">
            <button type="button" disabled={isWaiting} onClick={() => onSaid(true)}>
                {isWaiting ? t`Kept` : yes}
            </button>
            <button type="button" disabled={isWaiting} onClick={() => onSaid(false)}>
                {no}
            </button>
        </span>
    );
}
