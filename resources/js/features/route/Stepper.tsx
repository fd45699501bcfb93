import { useEffect, useRef, type ReactNode } from 'react';

interface Props {
    caption: string;
    less: string;
    more: string;
    children: ReactNode;
    onStep: (steps: 1 | -1) => void;
    disabled?: boolean;
}

const FIRST_MS = 420;
const NEXT_MS = 110;

/** Two large buttons beside a value; held down they repeat. */
export function Stepper({ caption, less, more, children, onStep, disabled = false }: Props) {
    return (
        <div className="stp">
            <span className="cap">{caption}</span>
            <div>
                <Repeating label={less} onStep={() => onStep(-1)} disabled={disabled}>
                    −
                </Repeating>
                <output>{children}</output>
                <Repeating label={more} onStep={() => onStep(1)} disabled={disabled}>
                    +
                </Repeating>
            </div>
        </div>
    );
}

function Repeating({ label, onStep, disabled, children }: { label: string; onStep: () => void; disabled: boolean; children: ReactNode }) {
    const timer = useRef(0);
    const step = useRef(onStep);
    useEffect(() => {
        step.current = onStep;
    });
    const stop = (): void => window.clearTimeout(timer.current);
    useEffect(() => stop, []);
    const hold = (): void => {
        const again = (): void => {
            step.current();
            timer.current = window.setTimeout(again, NEXT_MS);
        };
        timer.current = window.setTimeout(again, FIRST_MS);
    };
    return (
        <button
            type="button"
            aria-label={label}
            disabled={disabled}
            onClick={onStep}
            onPointerDown={hold}
            onPointerUp={stop}
            onPointerLeave={stop}
            onPointerCancel={stop}
        >
            {children}
        </button>
    );
}
