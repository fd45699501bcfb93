import type { RunReport } from '../../api/types';

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
                    <li key={joint.key}>
                        <button
                            type="button"
                            className={number === selected ? 'glue-row on' : 'glue-row'}
                            aria-pressed={number === selected}
                            onClick={() => onSelect(number)}
                        >
                            <b className="glue-n mk">{number}</b>
                            <span>
                                <b>{joint.name}</b>
                                <span className="cap">{joint.method_name || 'no method yet'}</span>
                            </span>
                        </button>
                        <button
                            type="button"
                            className="glue-joined"
                            disabled={waiting.includes(number)}
                            onClick={() => onMade(number)}
                        >
                            {waiting.includes(number) ? 'Kept, not sent yet' : `Joint ${number} is made`}
                        </button>
                    </li>
                );
            })}
        </ol>
    );
}
