import { useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { readLength } from '../api/lengths';
import type { Units } from '../api/types';

/** A length is read when nothing was typed for so long. */
const SETTLED_MS = 200;

interface Props {
    id: string;
    name: string;
    label: string;
    help?: string;
    units: Units;
    start: string;
    autoFocus?: boolean;
}

/**
 * A length as the tape says it, read by the server when it stands still; what is not understood is marked and stays. The form
 * reads it once more when it is sent.
 */
export function LengthField({ id, name, label, help, units, start, autoFocus = false }: Props) {
    const [said, setSaid] = useState<string | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    // Answers may come in another order than they were asked for: only the newest counts.
    const asked = useRef(0);
    const settling = useRef<number | undefined>(undefined);

    const read = async (text: string): Promise<void> => {
        const turn = ++asked.current;
        const result = text.trim() === '' ? null : await readLength(text, units);
        if (turn !== asked.current) return;
        setProblem(result && !result.ok ? (result.errors.text?.[0] ?? result.message) : null);
        if (!result?.ok) setSaid(null);
        else
            setSaid(
                units === 'inch'
                    ? `${result.data.feet}, ${result.data.metric} mm`
                    : `${result.data.metric} mm, ${result.data.inch} in`,
            );
    };

    return (
        <Form.Group controlId={id}>
            <Form.Label>{label}</Form.Label>
            <Form.Control
                name={name}
                defaultValue={start}
                onChange={(event) => {
                    const text = event.target.value;
                    window.clearTimeout(settling.current);
                    settling.current = window.setTimeout(() => void read(text), SETTLED_MS);
                }}
                isInvalid={problem !== null}
                aria-describedby={`${id}-help`}
                autoComplete="off"
                autoFocus={autoFocus}
            />
            <span id={`${id}-help`} className={problem ? 'problem' : 'cap'}>
                {problem ?? said ?? help ?? ' '}
            </span>
        </Form.Group>
    );
}
