import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { IdentifyOutput } from '../../api/types';
import { JointGlyph } from '../../drawing/joint/JointSection';
import { seenJoint } from '../../drawing/joint/seen';
import { Shape } from '../../shared/Shape';
import { CALLIPER_MM, type Evidence } from './evidence';

/** The check that tells most, as a question whose answers are pictures where they can be drawn. */
export function NextCheck({
    data,
    evidence,
    onChange,
}: {
    data: IdentifyOutput;
    evidence: Evidence;
    onChange: (change: Partial<Evidence>) => void;
}) {
    const { next_check: check, candidates } = data;
    const unsure = (candidates[0]?.likelihood ?? 0) < 0.9 || data.none.stop !== null;
    if (!check)
        return (
            <div className="pad">
                <h2>{unsure ? t`Nothing more tells them apart` : t`No further check needed`}</h2>
                <p className="say">{lastWord(data, unsure)}</p>
            </div>
        );
    const answer = (value: string): void => {
        if (check.by === 'magnet') onChange({ magnet: value === 'holds' });
        else if (check.by === 'joint') onChange({ joint_seen: value as NonNullable<Evidence['joint_seen']> });
        else if (check.by === 'print') onChange({ print: value });
        else if (check.by === 'region') onChange({ region: value as Evidence['region'] });
        else if (check.by === 'colour') onChange({ colour: value as NonNullable<Evidence['colour']> });
        else if (check.by === 'wall') onChange({ wall_mm: parseFloat(value) });
        else onChange({ way: 'across', error_mm: CALLIPER_MM, mm: parseFloat(value) });
    };
    const drawn = check.by === 'joint' && candidates[0];
    return (
        <>
            <header className="pad">
                <h2>{t`Next check: ${check.title}`}</h2>
                <p className="say">{check.how}</p>
            </header>
            <div className="answers">
                {check.answers.map((one) => {
                    const seen = drawn ? seenJoint(one.value, drawn) : null;
                    return (
                        <button type="button" key={one.value} onClick={() => answer(one.value)}>
                            {seen && <JointGlyph a={seen.a} b={seen.b} method={seen.method} width={168} height={104} />}
                            <b>{one.label}</b>
                            <span className="cap">{one.leads_to.slice(0, 3).join(', ')}</span>
                        </button>
                    );
                })}
            </div>
            {unsure && (
                <p className="say hold">
                    <Shape kind="warn" size={20} />{' '}
                    <span>
                        <Trans>
                            Until it is known, a joint to it is only right with a part printed for every one of them.
                            Buy nothing on a likelihood.
                        </Trans>
                    </span>
                </p>
            )}
            {evidence.way === 'round' && check.calliper_decides && check.by !== 'calliper' && (
                <p className="cap pad">{t`A caliper would tell too.`}</p>
            )}
        </>
    );
}

/** What is said where there is no further check. */
function lastWord({ none }: IdentifyOutput, unsure: boolean): string {
    if (none.is_likeliest || none.stop !== null) return none.say;
    if (unsure)
        return (
            t`What can be seen on site is the same on all that are left.` +
            ' ' +
            t`Buy a part that is printed for each of them.`
        );
    return t`The likely one stands clear of the others. The print on it still beats every guess.`;
}
