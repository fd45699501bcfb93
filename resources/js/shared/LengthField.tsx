import { t } from '@lingui/core/macro';
import { useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { InstrumentKind } from '../api/instruments';
import { readLength } from '../api/lengths';
import type { Units } from '../api/types';
import { saidLength } from './lengths';
import { useInstrument } from './useInstrument';

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
    /** what may read it, while the field is there */
    instruments?: InstrumentKind[];
}

const NONE: InstrumentKind[] = [];

/**
 * A length as the tape says it, read by the server when it stands still; what is not understood is marked and stays. The form
 * reads it once more when it is sent.
 */
export function LengthField({ id, name, label, help, units, start, autoFocus = false, instruments = NONE }: Props) {
    const [said, setSaid] = useState<string | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    // Answers may come in another order than they were asked for: only the newest counts.
    const asked = useRef(0);
    const settling = useRef<number | undefined>(undefined);
    const input = useRef<HTMLInputElement>(null);

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
                    : t`${result.data.metric} mm, ${result.data.inch} in`,
            );
    };

    const isByHand = useRef(false);
    const instrument = useInstrument(instruments, {
        isByHand: () => isByHand.current,
        onValue: (mm) => {
            if (!input.current) return;
            input.current.value = saidLength(mm, units);
            void read(input.current.value);
        },
    });
    return (
        <Form.Group controlId={id}>
            <Form.Label>{label}</Form.Label>
            <Form.Control
                ref={input}
                name={name}
                defaultValue={start}
                onChange={(event) => {
                    const text = event.target.value;
                    isByHand.current = text !== '';
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
            {instrument.words !== null && <span className="cap from-instrument">{instrument.words}</span>}
        </Form.Group>
    );
}
