import { useState, type FormEvent } from 'react';
import type { HangingReport, Units } from '../../api/types';
import { formLength } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import { saidLength } from '../../shared/lengths';

interface Props {
    report: HangingReport;
    units: Units;
    onChange: (change: { string_mm?: number; joist_every_mm?: number; joist_first_mm?: number; swing_c?: number }) => void;
}

/** What the hangers rest on: the string, the joists that cross, and how warm it gets. */
export function HangSettings({ report, units, onChange }: Props) {
    const [problem, setProblem] = useState('');
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        setProblem('');
        const form = new FormData(event.currentTarget);
        try {
            const [string, every, first] = [
                await formLength(form, 'string', units),
                await formLength(form, 'every', units),
                await formLength(form, 'first', units),
            ];
            const swing = Number(formText(form, 'swing'));
            if (!(swing >= 0 && swing <= 100)) throw new Error('Say how much warmer it gets, from 0 to 100 °C.');
            onChange({
                ...{
                    string_mm: string ?? undefined,
                    joist_every_mm: every ?? undefined,
                    joist_first_mm: every === null ? undefined : (first ?? 0),
                },
                swing_c: swing,
            });
        } catch (error) {
            setProblem(error instanceof Error ? error.message : 'One of the lengths was not understood.');
        }
    };
    const said = (tape: { mm: number } | null): string => (tape === null ? '' : saidLength(tape.mm, units));
    return (
        <details className="hang-settings">
            <summary>String, joists and warmth</summary>
            <form className="mu-form" onSubmit={(event) => void submit(event)}>
                <LengthField
                    id="ha-string"
                    name="string"
                    label="String to the crown, first hanger"
                    units={units}
                    start={said(report.string)}
                />
                <LengthField
                    id="ha-every"
                    name="every"
                    label="Joists, one every"
                    units={units}
                    start={said(report.joist_every)}
                    help="where some cross"
                />
                <LengthField
                    id="ha-first"
                    name="first"
                    label="The first, from the leg's beginning"
                    units={units}
                    start={said(report.joist_first)}
                />
                <label className="choice">
                    <span className="cap">Warmer than when it was joined, °C</span>
                    <input name="swing" type="number" min={0} max={100} step="any" defaultValue={report.swing_c} />
                </label>
                {problem && (
                    <p className="problem" role="alert">
                        {problem}
                    </p>
                )}
                <button type="submit" className="main-act">
                    Hang it so
                </button>
            </form>
        </details>
    );
}
