import { useEffect, useState } from 'react';
import { evaluate, makeUp, type MakeUpAsked } from '../../api/queries';
import type { JobRun, MadeUp, MadeUpWay, RunReport } from '../../api/types';
import { Dial } from '../../drawing/dial/Dial';
import { Isometric } from '../../drawing/iso/Isometric';
import { Said } from '../../drawing/Said';
import { Shape } from '../../drawing/Shape';
import { useSize } from '../../shared/useSize';
import type { JobEditor } from '../job/useJobEditor';
import { CutInPanel } from './CutInPanel';
import { EndsForm } from './EndsForm';
import { OrderList } from './OrderList';
import { TrapFitPanel } from './TrapFitPanel';
import { WrapFiles } from './WrapFiles';
import { WrapStrip } from './WrapStrip';
import { accepted, bendsInWords, dialInWords, notesOf, relaxInWords } from './ways';

interface Props {
    run: RunReport;
    plan: JobRun;
    editor: JobEditor;
    onTaken: () => void;
}

const MOVES = { ends: 'From end to end', 'cut-in': 'Cut into a line that stands', trap: 'Fit a trap' } as const;

/** Two ends, and what leads from one to the other: ways best first, each drawn in place, with its marks; one is taken into the run. */
export function MakeUpStation({ run, plan, editor, onTaken }: Props) {
    const [made, setMade] = useState<MadeUp | null>(null);
    const [chosen, setChosen] = useState(0);
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState('');
    const [move, setMove] = useState<keyof typeof MOVES>('ends');
    const { units } = editor.evaluation;
    const tabs = (
        <div className="view-tabs mu-tabs" role="group" aria-label="What is made up">
            {(Object.keys(MOVES) as (keyof typeof MOVES)[]).map((key) => (
                <button
                    key={key}
                    type="button"
                    aria-pressed={move === key}
                    className={move === key ? 'on' : ''}
                    onClick={() => setMove(key)}
                >
                    {MOVES[key]}
                </button>
            ))}
        </div>
    );
    const ways = made ? (made.solutions.length > 0 ? made.solutions : made.relax.map((one) => one.solution)) : [];
    const way = ways[chosen];
    // What was found is of the run as it was then.
    useEffect(() => {
        setMade(null);
        setProblem('');
    }, [plan]);
    const ask = async (asked: MakeUpAsked): Promise<void> => {
        setBusy(true);
        setProblem('');
        const answer = await makeUp(editor.document, asked);
        setBusy(false);
        setChosen(0);
        if (answer.ok) setMade(answer.data);
        else {
            setMade(null);
            setProblem(Object.values(answer.errors).flat()[0] ?? answer.message);
        }
    };
    if (move !== 'ends')
        return (
            <main className="station">
                {tabs}
                {move === 'cut-in' ? (
                    <CutInPanel editor={editor} system={plan.system} />
                ) : (
                    <TrapFitPanel editor={editor} system={plan.system} size={plan.size} />
                )}
            </main>
        );
    return (
        <main className="station make-up">
            {tabs}
            <section className="mu-ways" aria-label="Ends and ways">
                <EndsForm run={run} units={units} busy={busy} onAsk={(asked) => void ask(asked)} />
                {problem && (
                    <p className="problem" role="alert">
                        {problem}
                    </p>
                )}
                {made && <WayList made={made} chosen={chosen} onChoose={setChosen} units={units} />}
                <OrderList document={editor.document} run={run} />
                <WrapFiles document={editor.document} run={run} />
            </section>
            <section className="mu-picture" aria-label="Drawn in place">
                {made && way ? (
                    <Preview key={`${chosen}`} editor={editor} run={run} way={way} />
                ) : (
                    <p className="none">
                        {run.legs.length === 0
                            ? 'Call out a first leg on Route: from it the pipe is led on.'
                            : 'Say which two ends, and look for ways. Every roll and length comes out of the geometry; nothing has to be held up and twisted.'}
                    </p>
                )}
            </section>
            <section className="mu-marks" aria-label="Marks">
                {made && way && (
                    <>
                        <div className="acts">
                            <button
                                type="button"
                                className="main-act"
                                onClick={() => {
                                    editor.change((document) => accepted(document, plan.id, way));
                                    onTaken();
                                }}
                            >
                                Take it into the run
                            </button>
                        </div>
                        <Marks way={way} units={units} />
                    </>
                )}
            </section>
            {made && way && way.bends.length > 1 && (
                <div className="mu-strips">
                    {way.bends.slice(1).map((_, i) => (
                        <WrapStrip key={i} made={made} way={way} leg={i + 1} units={units} />
                    ))}
                </div>
            )}
        </main>
    );
}

function WayList({ made, chosen, onChoose, units }: { made: MadeUp; chosen: number; onChoose: (n: number) => void; units: 'inch' | 'mm' }) {
    const none = made.solutions.length === 0;
    return (
        <>
            <div className="mu-head">
                <h2>
                    {Math.round(made.turn_deg)}° to turn, <Said tape={made.apart} units={units} feet unit /> apart
                </h2>
                <p className="say">
                    {none
                        ? made.relax.length > 0
                            ? 'Nothing meets all that was asked. Each of these would, if one thing gives way:'
                            : 'Nothing meets both ends, and no single thing that gives way would be enough. Move an end.'
                        : `${made.searched.sequences} sequences of up to ${made.searched.max_bends} bends were tried${made.searched.exhaustive ? '' : ', not all to the end'}; best first.`}
                </p>
            </div>
            <ol className="mu-list">
                {(none ? made.relax.map((one) => one.solution) : made.solutions).map((way, i) => (
                    <li key={i}>
                        <button
                            type="button"
                            className={i === chosen ? 'mu-way on' : 'mu-way'}
                            aria-pressed={i === chosen}
                            onClick={() => onChoose(i)}
                        >
                            <b>
                                <span className="mu-n">{i + 1}</span> {bendsInWords(way)}
                            </b>
                            {none && made.relax[i] && (
                                <span>
                                    <Shape kind="warn" size={15} /> {relaxInWords(made.relax[i])}
                                </span>
                            )}
                            {notesOf(way).map((note) => (
                                <span key={note.text}>
                                    {note.severity && <Shape kind={note.severity} size={15} />} {note.text}
                                </span>
                            ))}
                        </button>
                    </li>
                ))}
            </ol>
        </>
    );
}

/** The run as it would be, evaluated by the server as any other. */
function Preview({ editor, run, way }: { editor: JobEditor; run: RunReport; way: MadeUpWay }) {
    const [turns, setTurns] = useState(0);
    const [seen, setSeen] = useState<RunReport | null>(null);
    const [ref, { width, height }] = useSize<HTMLDivElement>();
    const { document } = editor;
    useEffect(() => {
        const stop = new AbortController();
        void evaluate(accepted(document, run.id, way), undefined, stop.signal).then((answer) => {
            if (answer.ok) setSeen(answer.data.evaluation.runs.find((one) => one.id === run.id) ?? null);
        });
        return () => stop.abort();
    }, [document, run.id, way]);
    const against = seen?.findings.filter((one) => one.severity === 'stop' || one.severity === 'warn') ?? [];
    return (
        <div className="iso-panel" ref={ref}>
            {seen && width > 0 && (
                <Isometric
                    run={seen}
                    turns={turns}
                    width={width}
                    height={Math.max(height, 320)}
                    selected={null}
                    onSelect={() => undefined}
                />
            )}
            <div className="turn">
                <button type="button" aria-label="Turn the view left" onClick={() => setTurns(turns + 1)}>
                    ↺
                </button>
                <button type="button" aria-label="Turn the view right" onClick={() => setTurns(turns + 3)}>
                    ↻
                </button>
            </div>
            {seen && (
                <p className="mu-verdict">
                    {against.length === 0 ? (
                        <>
                            <Shape kind="done" size={16} /> Nothing would stand against this run.
                        </>
                    ) : (
                        against.slice(0, 2).map((one) => (
                            <span key={`${one.rule} ${one.where.leg}`}>
                                <Shape kind={one.severity} size={16} /> {one.title}
                                {one.where.leg !== null && `, leg ${one.where.leg}`}.{' '}
                            </span>
                        ))
                    )}
                </p>
            )}
        </div>
    );
}

function Marks({ way, units }: { way: MadeUpWay; units: 'inch' | 'mm' }) {
    const uprightAt = (leg: number): boolean => Math.abs(way.legs[leg]?.dip_deg ?? 0) > 45;
    return (
        <>
            {way.bends.map((bend, i) => (
                <div className="mu-mark" key={i}>
                    <h2>
                        Bend {i + 1}: {bend.name}
                    </h2>
                    {i > 0 && (
                        <p className="mu-big">
                            <span className="mk">
                                <Said tape={bend.mark} units={units} unit />
                            </span>
                            <span className="cap">
                                from the heel line of bend {i} to that of bend {i + 1},{' '}
                                {bend.mark_mm >= 0 ? 'clockwise' : 'against the clock'} looking downstream
                            </span>
                        </p>
                    )}
                    <div className="mu-dial">
                        <Dial deg={bend.dial_deg} upright={uprightAt(i)} label={`The dial: ${dialInWords(bend.dial_deg, uprightAt(i))}`} />
                        <p className="say">
                            {dialInWords(bend.dial_deg, uprightAt(i))}.{' '}
                            {uprightAt(i)
                                ? 'Mark north on the pipe, and turn the heel line that far from it.'
                                : 'Hold the dial of a small level on the hub, and turn the bend until it reads so.'}
                        </p>
                    </div>
                </div>
            ))}
            <h2>To cut</h2>
            <ul className="mu-cuts">
                {way.legs.map((leg, i) => (
                    <li key={i}>
                        <span className="cap">
                            {i === 0 ? 'to bend 1' : i === way.legs.length - 1 ? `from bend ${i}` : `bend ${i} to ${i + 1}`}
                        </span>{' '}
                        {leg.cut ? (
                            <b className="mk">
                                <Said tape={leg.cut} units={units} unit />
                            </b>
                        ) : (
                            'no pipe: one fitting in the other'
                        )}
                    </li>
                ))}
            </ul>
            <p className="cap">Stop to stop. A glued joint is not sprung to fit: dry-fit before anything is cemented.</p>
        </>
    );
}
