import { useEffect, useRef, type MouseEvent, type ReactNode } from 'react';

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

function Repeating({
    label,
    onStep,
    disabled,
    children,
}: {
    label: string;
    onStep: () => void;
    disabled: boolean;
    children: ReactNode;
}) {
    const timer = useRef(0);
    const step = useRef(onStep);
    const held = useRef(false);
    useEffect(() => {
        step.current = onStep;
    });
    const stop = (): void => window.clearTimeout(timer.current);
    useEffect(() => stop, []);
    const hold = (): void => {
        held.current = false;
        const again = (): void => {
            held.current = true;
            step.current();
            timer.current = window.setTimeout(again, NEXT_MS);
        };
        timer.current = window.setTimeout(again, FIRST_MS);
    };
    // Letting go after it was held down is no step of its own; a key always is.
    const click = (event: MouseEvent): void => {
        if (!held.current || event.detail === 0) onStep();
        held.current = false;
    };
    return (
        <button
            type="button"
            aria-label={label}
            disabled={disabled}
            onClick={click}
            onPointerDown={hold}
            onPointerUp={stop}
            onPointerLeave={stop}
            onPointerCancel={stop}
        >
            {children}
        </button>
    );
}
