import { useState, type FormEvent } from 'react';
import { trapFit } from '../../api/queries';
import type { TrapFitInput, TrapFitOutput, Units } from '../../api/types';
import { Shape } from '../../drawing/Shape';
import { TrapFitDrawing } from '../../drawing/trapfit/TrapFitDrawing';
import { formLength } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import { lengthInWords } from '../../shared/lengths';
import { RestsOn } from '../../shared/SourceTap';
import type { JobEditor } from '../job/useJobEditor';
import { FindingLines } from './FindingLines';

const FIXTURES: TrapFitInput['fixture'][] = [
    'lavatory',
    'kitchen-sink',
    'sink',
    'bar-sink',
    'mop-sink',
    'laundry-tub',
    'bidet',
    'bath',
    'shower',
];
const TRAPS: TrapFitInput['trap']['pattern'][] = ['p', 'bottle', 'anti-siphon', 's'];

interface Result {
    answer: TrapFitOutput;
    drawn: { ahead: number; down: number; tall: number; reach: number; seal: number | null };
}

/** A trap between a tailpiece and an outlet: what was measured, what to cut, whether it may be, and the steps. */
export function TrapFitPanel({ editor, system, size }: { editor: JobEditor; system: string; size: string }) {
    const { units } = editor.evaluation;
    const [result, setResult] = useState<Result | null>(null);
    const [problem, setProblem] = useState('');
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        setProblem('');
        try {
            setResult(await ask(new FormData(event.currentTarget), editor, system, size));
        } catch (error) {
            setProblem(error instanceof Error ? error.message : 'That did not work. Try again.');
        }
    };
    return (
        <div className="cut-in">
            <form className="mu-form" onSubmit={(event) => void submit(event)}>
                <label className="choice">
                    <span className="cap">Fixture</span>
                    <select name="fixture">
                        {FIXTURES.map((one) => (
                            <option key={one} value={one}>
                                {one.replace('-', ' ')}
                            </option>
                        ))}
                    </select>
                </label>
                <label className="choice">
                    <span className="cap">Trap</span>
                    <select name="pattern">
                        {TRAPS.map((one) => (
                            <option key={one} value={one}>
                                {one}
                            </option>
                        ))}
                    </select>
                </label>
                <label className="choice">
                    <span className="cap">Outlet in the</span>
                    <select name="where">
                        <option>wall</option>
                        <option>floor</option>
                    </select>
                </label>
                <LengthField id="tf-ahead" name="ahead" label="Tailpiece to the wall" units={units} start="" />
                <LengthField id="tf-aside" name="aside" label="Outlet to the side" units={units} start="0" />
                <LengthField
                    id="tf-down"
                    name="down"
                    label="Outlet below the tailpiece"
                    units={units}
                    start=""
                    help="its middle, below the tailpiece's end"
                />
                <LengthField id="tf-tail" name="tail" label="Tailpiece, length" units={units} start="" />
                <LengthField id="tf-tall" name="tall" label="Trap, how tall" units={units} start="" help="tailpiece's end to its outlet" />
                <LengthField id="tf-reach" name="reach" label="Trap, how far it reaches" units={units} start="" />
                <LengthField id="tf-elbow" name="elbow" label="Its elbow, leg to stop" units={units} start="" />
                <LengthField id="tf-depth" name="depth" label="Tube goes into the wall" units={units} start="" />
                <LengthField id="tf-seal" name="seal" label="Seal" units={units} start="" />
                {problem && (
                    <p className="problem" role="alert">
                        {problem}
                    </p>
                )}
                <button type="submit" className="main-act">
                    Fit it
                </button>
            </form>
            <div className="ci-answer">
                {result ? (
                    <Answer result={result} units={units} />
                ) : (
                    <p className="none">
                        Set the trap together in the hand, and measure it: no table says how tall it is. Into {system} {size}, as the run
                        is.
                    </p>
                )}
            </div>
        </div>
    );
}

async function ask(form: FormData, editor: JobEditor, system: string, size: string): Promise<Result> {
    const { units } = editor.evaluation;
    const mm = (name: string, needed = false): Promise<number | null> => formLength(form, name, units, needed);
    const [ahead, aside, down, tail] = [
        (await mm('ahead', true)) ?? 0,
        (await mm('aside')) ?? 0,
        (await mm('down', true)) ?? 0,
        (await mm('tail', true)) ?? 0,
    ];
    const measures = { tall_mm: await mm('tall'), reach_mm: await mm('reach'), elbow_mm: await mm('elbow'), seal_mm: await mm('seal') };
    const depth = await mm('depth');
    const floor = formText(form, 'where') === 'floor';
    const answer = await trapFit({
        fixture: formText(form, 'fixture') as TrapFitInput['fixture'],
        rulebook: editor.document.rulebook,
        tailpiece: { at: [aside, 0, down], size, length_mm: tail },
        outlet: {
            at: [0, floor ? 0 : ahead, 0],
            along: floor ? [0, 0, -1] : [0, 1, 0],
            system,
            size,
            ...(depth === null ? {} : { depth_mm: depth }),
        },
        trap: {
            pattern: formText(form, 'pattern') as TrapFitInput['trap']['pattern'],
            size,
            ...Object.fromEntries(Object.entries(measures).filter(([, value]) => value !== null)),
        },
    });
    if (!answer.ok) throw new Error(Object.values(answer.errors).flat()[0] ?? answer.message);
    return {
        answer: answer.data,
        drawn: { ahead, down, tall: measures.tall_mm ?? 0, reach: measures.reach_mm ?? 0, seal: measures.seal_mm },
    };
}

function Answer({ result, units }: { result: Result; units: Units }) {
    const { answer, drawn } = result;
    const words = (mm: number): string => lengthInWords(mm, units);
    const tube = answer.cuts[0];
    const change =
        answer.shorten_mm > 0
            ? `shorten the tailpiece by ${words(answer.shorten_mm)}`
            : answer.extend_mm > 0
              ? `extend the tailpiece by ${words(answer.extend_mm)}`
              : null;
    return (
        <>
            <FindingLines findings={answer.findings} />
            {answer.fits && answer.findings.length === 0 && (
                <p className="ci-finding">
                    <Shape kind="done" size={18} /> It fits: {change ?? 'the heights meet'}.
                </p>
            )}
            {answer.arm?.length_mm != null && drawn.tall > 0 && (
                <TrapFitDrawing
                    {...drawn}
                    high={answer.extend_mm - answer.shorten_mm}
                    said={{ change, tube: tube ? `cut ${words(tube.length_mm)}` : null }}
                />
            )}
            {tube && (
                <p className="say">
                    The wall tube is cut {words(tube.length_mm)}, of which {words(tube.insertion_mm)} go into the wall.
                </p>
            )}
            <ul className="ci-steps">
                {answer.parts.map((part) => (
                    <li key={part.part}>
                        <b>{part.part}</b> {part.size}: {part.why}
                    </li>
                ))}
            </ul>
            <ol className="ci-steps">
                {answer.steps.map((one) => (
                    <li key={one.step}>{one.words}</li>
                ))}
            </ol>
            <RestsOn sources={answer.sources} />
        </>
    );
}
