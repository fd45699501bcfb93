import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { readLength } from '../api/queries';
import type { Tape, Units } from '../api/types';

interface Props {
    id: string;
    label: string;
    help?: string;
    units: Units;
    start: string;
    /** called with what was read, or null where the field was emptied */
    onRead: (tape: Tape | null) => void;
    onProblem: (wrong: boolean) => void;
}

/** A length as the tape says it, read by the server; what is not understood is marked and stays. */
export function LengthField({ id, label, help, units, start, onRead, onProblem }: Props) {
    const [text, setText] = useState(start);
    const [said, setSaid] = useState<string | null>(null);
    const [problem, setProblem] = useState<string | null>(null);

    const read = async (value: string): Promise<void> => {
        setText(value);
        if (value.trim() === '') {
            setProblem(null);
            setSaid(null);
            onProblem(false);
            onRead(null);
            return;
        }
        const result = await readLength(value, units);
        if (result.ok) {
            setProblem(null);
            setSaid(
                units === 'inch' ? `${result.data.feet}, ${result.data.metric} mm` : `${result.data.metric} mm, ${result.data.inch} in`,
            );
            onProblem(false);
            onRead(result.data);
        } else {
            setProblem(result.errors.text?.[0] ?? result.message);
            onProblem(true);
        }
    };

    return (
        <Form.Group controlId={id}>
            <Form.Label>{label}</Form.Label>
            <Form.Control
                value={text}
                onChange={(event) => void read(event.target.value)}
                isInvalid={problem !== null}
                aria-describedby={`${id}-help`}
                autoComplete="off"
            />
            <span id={`${id}-help`} className={problem ? 'problem' : 'cap'}>
                {problem ?? said ?? help ?? ' '}
            </span>
        </Form.Group>
    );
}
