import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import { useMarks } from './marks';

interface Props {
    /** its number */
    joint: string;
    isOn: boolean;
    /** whether it was tapped, and the server does not know of it yet */
    isWaiting: boolean;
    onSelect: () => void;
    onMade: () => void;
    /** what is said of it beside its number */
    children: ReactNode;
}

/** A joint of the run that is still to be made: it is opened, or said to be made. */
export function JointToMake({ joint, isOn, isWaiting, onSelect, onMade, children }: Props) {
    const mark = useMarks()(joint);
    return (
        <li>
            <button type="button" className={isOn ? 'glue-row on' : 'glue-row'} aria-pressed={isOn} onClick={onSelect}>
                <b className="glue-n mk">{mark}</b>
                {children}
            </button>
            <button type="button" className="glue-joined" disabled={isWaiting} onClick={onMade}>
                {isWaiting ? t`Kept, not sent yet` : t`Joint ${mark} is made`}
            </button>
        </li>
    );
}
