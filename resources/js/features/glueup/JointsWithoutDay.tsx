import { t } from '@lingui/core/macro';
import type { RunReport } from '../../api/types';
import { JointToMake } from './JointToMake';

interface Props {
    joints: RunReport['joints'];
    selected: string | null;
    onSelect: (joint: string) => void;
    onMade: (joint: string) => void;
    /** joints that were tapped, and the server does not know of yet */
    waiting: string[];
}

/** The joints of a run whose day cannot be planned: what is made all the same is said all the same. */
export function JointsWithoutDay({ joints, selected, onSelect, onMade, waiting }: Props) {
    if (joints.length === 0) return null;
    return (
        <ol>
            {joints.map((joint) => {
                const number = String(joint.number);
                return (
                    <JointToMake
                        key={joint.key}
                        joint={number}
                        isOn={number === selected}
                        isWaiting={waiting.includes(number)}
                        onSelect={() => onSelect(number)}
                        onMade={() => onMade(number)}
                    >
                        <span>
                            <b>{joint.name}</b>
                            <span className="cap">{joint.method_name || t`no method yet`}</span>
                        </span>
                    </JointToMake>
                );
            })}
        </ol>
    );
}
