import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { cutIn, systemsQuery } from '../../api/queries';
import type { CutInInput, CutInOutput, Units } from '../../api/types';
import { CutInDrawing } from '../../drawing/cutin/CutInDrawing';
import { Shape } from '../../drawing/Shape';
import { formLength } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import { lengthInWords } from '../../shared/lengths';
import { RestsOn } from '../../shared/SourceTap';
import type { JobEditor } from '../job/useJobEditor';
import { FindingLines } from './FindingLines';

const PATTERNS = ['wye', 'combo', 'san-tee', 'vent-tee', 'swept-tee', 'branch-135', 'branch-112'];

interface Result {
    answer: CutInOutput;
    centre: number;
    length: number | null;
}

/** A fitting cut into a line that stands: what is measured, where it is cut, what hangs first, and the steps in order. */
export function CutInPanel({ editor, system }: { editor: JobEditor; system: string }) {
    const { units } = editor.evaluation;
    const systems = (useQuery(systemsQuery).data?.systems ?? []).filter((one) => one.laid);
    const known = editor.document.standing?.filter((pipe) => pipe.system !== undefined && pipe.size !== undefined) ?? [];
    const [result, setResult] = useState<Result | null>(null);
    const [problem, setProblem] = useState('');
    const [busy, setBusy] = useState(false);
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        setProblem('');
        setBusy(true);
        try {
            setResult(await ask(new FormData(event.currentTarget), editor, units));
        } catch (error) {
            setProblem(error instanceof Error ? error.message : 'That did not work. Try again.');
        } finally {
            setBusy(false);
        }
    };
    if (known.length === 0)
        return <p className="none">Enter the line that stands on Look, and find out what it is: nothing is cut by a guess.</p>;
    return (
        <div className="cut-in">
            <form className="mu-form" onSubmit={(event) => void submit(event)}>
                <label className="choice">
                    <span className="cap">The line that stands</span>
                    <select name="standing">
                        {known.map((pipe) => (
                            <option key={pipe.id} value={pipe.id}>
                                {pipe.name}: {pipe.system} {pipe.size}
                            </option>
                        ))}
                    </select>
                </label>
                <LengthField id="ci-length" name="length" label="Its length, end to end" units={units} start="" />
                <LengthField id="ci-centre" name="centre" label="Branch at, from upstream" units={units} start="" />
                <label className="choice">
                    <span className="cap">Fitting of</span>
                    <select name="system" defaultValue={system} key={systems.length}>
                        {systems.map((one) => (
                            <option key={one.key} value={one.key}>
                                {one.short}
                            </option>
                        ))}
                    </select>
                </label>
                <label className="choice">
                    <span className="cap">Pattern</span>
                    <select name="pattern">
                        {PATTERNS.map((one) => (
                            <option key={one}>{one}</option>
                        ))}
                    </select>
                </label>
                <label className="choice">
                    <span className="cap">Branch size</span>
                    <input name="branch" defaultValue="2" required />
                </label>
                <LengthField
                    id="ci-in"
                    name="run_in"
                    label="Measured: centre to upstream stop"
                    units={units}
                    start=""
                    help="where the catalogue has none"
                />
                <LengthField
                    id="ci-out"
                    name="run_out"
                    label="Centre to downstream stop"
                    units={units}
                    start=""
                    help="where the catalogue has none"
                />
                <LengthField
                    id="ci-insertion"
                    name="insertion"
                    label="Each end goes into the coupling"
                    units={units}
                    start=""
                    help="to its ridge; where it is not stated"
                />
                <LengthField id="ci-room-up" name="room_up" label="Bare pipe upstream" units={units} start="0" />
                <LengthField id="ci-room-down" name="room_down" label="Bare pipe downstream" units={units} start="0" />
                {problem && (
                    <p className="problem" role="alert">
                        {problem}
                    </p>
                )}
                <button type="submit" className="main-act" disabled={busy}>
                    {busy ? 'Reckoning …' : 'Where to cut'}
                </button>
            </form>
            <div className="ci-answer">
                {result ? (
                    <Answer result={result} units={units} />
                ) : (
                    <p className="none">Measure the line and the fitting. The cuts, the stubs and the order come out.</p>
                )}
            </div>
        </div>
    );
}

async function ask(form: FormData, editor: JobEditor, units: Units): Promise<Result> {
    const mm = (name: string): Promise<number | null> => formLength(form, name, units);
    const pipe = editor.document.standing?.find((one) => one.id === formText(form, 'standing'));
    const [length, centre] = [await mm('length'), await mm('centre')];
    if (!pipe?.system || !pipe.size) throw new Error('Say which line stands.');
    if (centre === null) throw new Error('Say how far from its upstream end the branch is to come.');
    const [system, branch] = [formText(form, 'system').trim(), formText(form, 'branch').trim()];
    const row = `${formText(form, 'pattern')}/${pipe.size}${branch === pipe.size ? '' : `x${branch}`}`;
    const [runIn, runOut, insertion] = [await mm('run_in'), await mm('run_out'), await mm('insertion')];
    const side = async (room: string): Promise<CutInInput['upstream']> => ({
        slide_room_mm: (await mm(room)) ?? 0,
        fixed: true,
        ...(insertion === null ? {} : { insertion_mm: insertion }),
    });
    const measured = [
        ...(runIn === null ? [] : [{ table: system, row, field: 'run_in_mm', value: runIn }]),
        ...(runOut === null ? [] : [{ table: system, row, field: 'run_out_mm', value: runOut }]),
    ];
    const answer = await cutIn({
        pipe: { system: pipe.system, size: pipe.size, ...(length === null ? {} : { length_mm: length }) },
        fitting: { system, row },
        centre_at_mm: centre,
        upstream: await side('room_up'),
        downstream: await side('room_down'),
        kerf_mm: editor.evaluation.saw_kerf.mm,
        rulebook: editor.document.rulebook,
        ...(measured.length > 0 ? { overrides: { catalogue: measured } } : {}),
    });
    if (!answer.ok) throw new Error(Object.values(answer.errors).flat()[0] ?? answer.message);
    return { answer: answer.data, centre, length };
}

function Answer({ result, units }: { result: Result; units: Units }) {
    const { answer, centre, length } = result;
    const words = (mm: number): string => lengthInWords(mm, units);
    const [first, second] = answer.cut_marks_mm ?? [];
    const [upper, lower] = answer.stubs_mm ?? [];
    const kilos = answer.released_kg;
    const weigh = (kg: number | null): string =>
        kg === null ? 'not known' : units === 'inch' ? `${Math.ceil(kg * 2.2046)} lb` : `${Math.ceil(kg)} kg`;
    return (
        <>
            <FindingLines findings={answer.findings} />
            {answer.closes && answer.findings.length === 0 && (
                <p className="ci-finding">
                    <Shape kind="done" size={18} /> It closes: upstream the coupling is {way(answer.upstream.way)}, downstream{' '}
                    {way(answer.downstream.way)}.
                </p>
            )}
            {first !== undefined && second !== undefined && upper !== undefined && lower !== undefined && first >= 0 && (
                <CutInDrawing
                    marks={[first, second]}
                    stubs={[upper, lower]}
                    centre={centre}
                    length={length}
                    said={{
                        first: words(first),
                        second: words(second),
                        out: words(answer.piece_out_mm ?? 0),
                        stubs: [words(upper), words(lower)],
                    }}
                />
            )}
            {kilos && (
                <p className="say">
                    Loose once it is cut: upstream {weigh(kilos.up)} empty, {weigh(kilos.up_full)} full of water; downstream{' '}
                    {weigh(kilos.down)} and {weigh(kilos.down_full)}. It hangs before the first cut.
                </p>
            )}
            <ol className="ci-steps">
                {answer.order.map((one) => (
                    <li key={one.step}>{one.words}</li>
                ))}
            </ol>
            <RestsOn sources={answer.sources} />
        </>
    );
}

const way = (one: CutInOutput['upstream']['way']): string =>
    one === 'slide'
        ? 'slid back on the pipe'
        : one === 'roll-back'
          ? 'rolled back on itself'
          : one === 'draw'
            ? 'put on with the pipe drawn away'
            : 'in the way';
