import type { ReactNode } from 'react';

interface Props {
    /** what leaving it is called */
    leave: string;
    onLeave: () => void;
    /** what sending it is called */
    send: string;
    /** across all columns of its form */
    isWhole?: boolean;
    /** what else may be done, before the two */
    children?: ReactNode;
}

/** What can be done with the form of a dialog: leave it, or send it. */
export function FormActs({ leave, onLeave, send, isWhole = true, children }: Props) {
    return (
        <div className={isWhole ? 'acts whole' : 'acts'}>
            {children}
            <button type="button" className="plain" onClick={onLeave}>
                {leave}
            </button>
            <button type="submit" className="main-act">
                {send}
            </button>
        </div>
    );
}
