import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useEffect, useState } from 'react';
import { reasonOf } from '../../api/client';
import { evaluateRun, makeUp } from '../../api/queries';
import type { JobMove, JobRun, MadeUp, MadeUpWay, RunReport } from '../../api/types';
import { Dial } from '../../drawing/dial/Dial';
import { TurnableIso } from '../../drawing/iso/TurnableIso';
import type { Selection } from '../../drawing/section/FallLine';
import { Said } from '../../drawing/Said';
import { NotYet } from '../../shared/NotYet';
import { Shape } from '../../shared/Shape';
import type { JobEditor } from '../../editing';
import { CutInPanel } from './CutInPanel';
import { askedOf, EndsForm, type EndsMeasured, type Picked } from './EndsForm';
import { KeepMeasures } from './KeepMeasures';
import { KeptMoves } from './KeptMoves';
import { MOVE_NAMES, movesOf, type MoveOf } from './moves';
import { OrderList } from './OrderList';
import { TrapFitPanel } from './TrapFitPanel';
import { WrapFiles } from './WrapFiles';
import { WrapStrip } from './WrapStrip';
import { accepted, bendsInWords, dialInWords, notesOf, relaxInWords } from './ways';
import { Problem } from '../../shared/Problem';
import { useAddressed } from '../../shared/useAddressed';

interface Props {
    run: RunReport;
    plan: JobRun;
    editor: JobEditor;
    onTaken: () => void;
}

type StationProps = Pick<Props, 'editor' | 'onTaken'> & {
    /** undefined in a job without runs: a trap is fitted and a line cut into all the same */
    run: RunReport | undefined;
    plan: JobRun | undefined;
};

/**
 * The guided moves of one run: what was measured for them and kept, and the one at hand. Where one thing alone was
 * measured, that is open.
 */
export function MakeUpStation({ run, plan, editor, onTaken }: StationProps) {
    const kept = movesOf(editor.document, plan?.id);
    const only = kept.length === 1 ? kept[0] : undefined;
    const [at, goTo] = useAddressed({ move: only?.kind ?? (plan ? 'ends' : 'trap-fit'), kept: only?.id ?? '' });
    const openedId = at.kept === '' ? null : at.kept;
    const setOpenedId = (id: string | null): void => goTo({ kept: id ?? '' });
    const opened = kept.find((one) => one.id === openedId) ?? null;
    const kinds = (Object.keys(MOVE_NAMES) as JobMove['kind'][]).filter((one) => plan !== undefined || one !== 'ends');
    const kind = kinds.find((one) => one === at.move) ?? kinds[0] ?? 'trap-fit';
    // Changed beside it, or taken back, a kept move is shown anew; kept by hand it is the one on the screen already.
    const key = `${kind} ${openedId ?? ''}`;
    const common = { editor, run: plan?.id, onKept: setOpenedId };
    return (
        <main className={kind === 'ends' ? 'station make-up' : 'station'}>
            <div className="mu-tabs">
                <div className="view-tabs" role="group" aria-label={t`What is made up`}>
                    {kinds.map((one) => (
                        <button
                            key={one}
                            type="button"
                            aria-pressed={kind === one}
                            className={kind === one ? 'on' : ''}
                            onClick={() => goTo({ move: one, kept: '' })}
                        >
                            {MOVE_NAMES[one]}
                        </button>
                    ))}
                </div>
                <KeptMoves moves={kept} opened={openedId} onOpen={(move) => goTo({ move: move.kind, kept: move.id })} />
            </div>
            {kind === 'cut-in' ? (
                <CutInPanel
                    key={key}
                    {...common}
                    system={plan?.system ?? ''}
                    place={plan?.place}
                    opened={opened?.kind === 'cut-in' ? opened : null}
                />
            ) : kind === 'trap-fit' || !run || !plan ? (
                <TrapFitPanel key={key} {...common} into={plan} opened={opened?.kind === 'trap-fit' ? opened : null} />
            ) : (
                <EndToEnd
                    key={key}
                    run={run}
                    plan={plan}
                    editor={editor}
                    opened={opened?.kind === 'ends' ? opened : null}
                    onKept={setOpenedId}
                    onTaken={onTaken}
                />
            )}
        </main>
    );
}

interface EndToEndProps extends Props {
    opened: MoveOf<'ends'> | null;
    onKept: (id: string | null) => void;
}

/**
 * Two ends, and what leads from one to the other: ways best first, each drawn in place, with its marks; one is taken
 * into the run.
 */
function EndToEnd({ run, plan, editor, opened, onKept, onTaken }: EndToEndProps) {
    const laid = run.legs.filter((leg) => leg.laid);
    const [picked, setPicked] = useState<Picked>({
        from: opened?.values.from_leg ?? laid[0]?.id ?? '',
        to: opened?.values.to_leg ?? laid.at(-1)?.id ?? '',
    });
    const { units } = editor.evaluation;
    const { made, measured, chosen, way, busy, problem, ask, choose } = useWays(run, plan, editor, opened);
    return (
        <>
            <section className="mu-ways" aria-label={t`Ends and ways`}>
                <details className="mu-measured" open={opened === null}>
                    <summary>{t`What is measured`}</summary>
                    <EndsForm
                        run={run}
                        units={units}
                        busy={busy}
                        start={opened}
                        picked={picked}
                        onPick={setPicked}
                        onAsk={(one) => void ask(one)}
                    />
                </details>
                <Problem text={problem} />
                {made && <WayList made={made} chosen={chosen} onChoose={choose} units={units} />}
                {made && measured && (
                    <KeepMeasures editor={editor} run={plan.id} measured={measured} opened={opened} onKept={onKept} />
                )}
                <OrderList of={editor.ofJob} run={run} />
                <WrapFiles of={editor.ofJob} run={run} />
            </section>
            <section className="mu-picture" aria-label={t`Drawn in place`}>
                {made && way ? (
                    <Preview key={`${chosen}`} editor={editor} run={run} made={made} way={way} />
                ) : laid.length === 0 ? (
                    <NotYet
                        text={t`No leg yet: from a first one the pipe is led on.`}
                        station="route"
                        act={t`Call out a leg`}
                    />
                ) : (
                    <>
                        <p className="say">
                            <Trans>
                                Say which two ends, and look for ways. Every roll and length comes out of the geometry;
                                nothing has to be held up and twisted.
                            </Trans>
                        </p>
                        <PickEnds run={run} picked={picked} onPick={setPicked} />
                    </>
                )}
            </section>
            <section className="mu-marks" aria-label={t`Marks`}>
                {made && way && (
                    <>
                        <div className="acts">
                            <button
                                type="button"
                                className="main-act"
                                onClick={() => {
                                    editor.change((document) => accepted(document, plan.id, made, way));
                                    onTaken();
                                }}
                            >
                                {t`Take it into the run`}
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
        </>
    );
}

/** The ways between two ends, as they were last looked for. */
function useWays(run: RunReport, plan: JobRun, editor: JobEditor, opened: EndsMeasured | null) {
    const [made, setMade] = useState<MadeUp | null>(null);
    const [measured, setMeasured] = useState<EndsMeasured | null>(null);
    const [chosen, setChosen] = useState(0);
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState('');
    const ways = made ? (made.solutions.length > 0 ? made.solutions : made.relax.map((one) => one.solution)) : [];
    const way = ways[chosen];
    const ask = async (one: EndsMeasured): Promise<void> => {
        setBusy(true);
        setProblem('');
        setMeasured(one);
        const answer = await makeUp(editor.ofJob, askedOf(run.id, one));
        setBusy(false);
        setChosen(0);
        if (answer.ok) setMade(answer.data);
        else {
            setMade(null);
            setProblem(reasonOf(answer));
        }
    };
    // What was found is of the run as it was then. A kept move is looked up as it is opened.
    const legs = JSON.stringify(plan.legs);
    useEffect(() => {
        setMade(null);
        setProblem('');
        if (opened) void ask(opened);
        // eslint-disable-next-line react-hooks/exhaustive-deps -- once for every state of the run
    }, [legs]);
    return { made, measured, chosen, way, busy, problem, ask, choose: setChosen };
}

/** The run as it is: a tap on a piece picks its leg, the upper end first, then the lower one. */
function PickEnds({ run, picked, onPick }: { run: RunReport; picked: Picked; onPick: (picked: Picked) => void }) {
    const [selected, setSelected] = useState<Selection | null>(null);
    const [isFirst, setFirst] = useState(true);
    const number = (id: string): number => run.legs.find((leg) => leg.id === id)?.number ?? 0;
    const pick = (selection: Selection): void => {
        setSelected(selection);
        const leg = legOf(run, selection);
        if (leg === null) return;
        if (isFirst)
            onPick({ from: leg, to: number(picked.to) > number(leg) ? picked.to : (run.legs.at(-1)?.id ?? leg) });
        else if (number(leg) > number(picked.from)) onPick({ ...picked, to: leg });
        else onPick({ from: leg, to: picked.from });
        setFirst(!isFirst);
    };
    return (
        <>
            <TurnableIso run={run} selected={selected} onSelect={pick} least={320} />
            <p className="cap mu-picked" role="status">
                <Trans>
                    From leg {number(picked.from)} to leg {number(picked.to)}. Tap the {isFirst ? t`upper` : t`lower`}{' '}
                    of two pieces.
                </Trans>
            </p>
        </>
    );
}

/** The leg of a piece or a joint that was picked. */
function legOf(run: RunReport, { kind, key }: Selection): string | null {
    const found =
        kind === 'piece' ? run.pieces.find((one) => one.key === key) : run.joints.find((one) => one.key === key);
    return run.legs.find((leg) => leg.number === found?.leg)?.id ?? null;
}

function WayList({
    made,
    chosen,
    onChoose,
    units,
}: {
    made: MadeUp;
    chosen: number;
    onChoose: (n: number) => void;
    units: 'inch' | 'mm';
}) {
    const none = made.solutions.length === 0;
    return (
        <>
            <div className="mu-head">
                <h2>
                    {t`${Math.round(made.turn_deg)}° to turn,`} <Said tape={made.apart} units={units} feet unit />{' '}
                    {t`apart`}
                </h2>
                <p className="say">{searchedInWords(made)}</p>
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
                                    <Shape kind="warn" size={15} /> {relaxInWords(made.relax[i], units)}
                                </span>
                            )}
                            {notesOf(way, units).map((note) => (
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
function Preview({ editor, run, made, way }: { editor: JobEditor; run: RunReport; made: MadeUp; way: MadeUpWay }) {
    const [seen, setSeen] = useState<RunReport | null>(null);
    const { document, job } = editor;
    useEffect(() => {
        const stop = new AbortController();
        evaluateRun({ job: job.id, document: accepted(document, run.id, made, way) }, run.id, stop.signal).then(
            (answer) => {
                if (answer.ok) setSeen(answer.data);
            },
            () => undefined, // Another way has taken its place.
        );
        return () => stop.abort();
    }, [document, job.id, run.id, made, way]);
    if (!seen) return null;
    const against = seen.findings.filter((one) => one.severity === 'stop' || one.severity === 'warn');
    return (
        <>
            <p className="mu-verdict">
                {against.length === 0 ? (
                    <>
                        <Shape kind="done" size={16} /> {t`Nothing would stand against this run.`}
                    </>
                ) : (
                    against.slice(0, 2).map((one) => (
                        <span key={`${one.rule} ${one.where.leg}`}>
                            <Shape kind={one.severity} size={16} /> {one.title}
                            {one.where.leg !== null && t`, leg ${one.where.leg}`}.{' '}
                        </span>
                    ))
                )}
            </p>
            <TurnableIso run={seen} selected={null} onSelect={() => undefined} least={320} />
        </>
    );
}

function Marks({ way, units }: { way: MadeUpWay; units: 'inch' | 'mm' }) {
    const uprightAt = (leg: number): boolean => Math.abs(way.legs[leg]?.dip_deg ?? 0) > 45;
    return (
        <>
            {way.bends.map((bend, i) => (
                <div className="mu-mark" key={i}>
                    <h2>{t`Bend ${i + 1}: ${bend.name}`}</h2>
                    {i > 0 && (
                        <p className="mu-big">
                            <span className="mk">
                                <Said tape={bend.mark} units={units} unit />
                            </span>
                            <span className="cap">
                                <Trans>
                                    from the heel line of bend {i} to that of bend {i + 1},{' '}
                                    {bend.mark_mm >= 0 ? t`clockwise` : t`against the clock`} looking downstream
                                </Trans>
                            </span>
                        </p>
                    )}
                    <div className="mu-dial">
                        <Dial
                            deg={bend.dial_deg}
                            upright={uprightAt(i)}
                            label={t`The dial: ${dialInWords(bend.dial_deg, uprightAt(i))}`}
                        />
                        <p className="say">
                            {dialInWords(bend.dial_deg, uprightAt(i))}.{' '}
                            {uprightAt(i)
                                ? t`Mark north on the pipe, and turn the heel line that far from it.`
                                : t`Hold the dial of a small level on the hub, and turn the bend until it reads so.`}
                        </p>
                    </div>
                </div>
            ))}
            <h2>{t`To cut`}</h2>
            <ul className="mu-cuts">
                {way.legs.map((leg, i) => (
                    <li key={i}>
                        <span className="cap">
                            {i === 0
                                ? t`to bend 1`
                                : i === way.legs.length - 1
                                  ? t`from bend ${i}`
                                  : t`bend ${i} to ${i + 1}`}
                        </span>{' '}
                        {leg.cut ? (
                            <b className="mk">
                                <Said tape={leg.cut} units={units} unit />
                            </b>
                        ) : (
                            t`no pipe: one fitting in the other`
                        )}
                    </li>
                ))}
            </ul>
            <p className="cap">
                {t`Stop to stop. A glued joint is not sprung to fit: dry-fit before anything is cemented.`}
            </p>
        </>
    );
}

/** What came of looking for ways. */
function searchedInWords({ solutions, relax, searched }: MadeUp): string {
    const { sequences, max_bends: bends, exhaustive } = searched;
    if (solutions.length > 0) {
        const part = exhaustive ? '' : t`, not all to the end`;
        return t`${sequences} sequences of up to ${bends} bends were tried${part}; best first.`;
    }
    if (relax.length > 0) return t`Nothing meets all that was asked. Each of these would, if one thing gives way:`;
    if (exhaustive) return t`Nothing meets both ends, and no single thing that gives way would be enough. Move an end.`;
    return (
        t`No way was found in the time there is, and not everything was tried.` +
        ' ' +
        t`Ask for fewer bends at the most, or for less that stands in the way.`
    );
}
