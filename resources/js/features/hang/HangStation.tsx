import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { hangQuery } from '../../api/queries';
import type { HangingReport, JobHanging, RunReport, Units } from '../../api/types';
import { SagDrawing } from '../../drawing/hang/SagDrawing';
import { StringLine } from '../../drawing/hang/StringLine';
import { Said } from '../../drawing/Said';
import { NotYet } from '../../shared/NotYet';
import { warmerInWords } from '../../shared/quantities';
import { Shape } from '../../shared/Shape';
import { RestsOn } from '../../shared/SourceTap';
import { useSize } from '../../shared/useSize';
import type { JobEditor } from '../../editing';
import { TableIn, TablesOut } from '../lists';
import { FindingLines } from '../../shared/FindingLines';
import { runInWords, smallInWords } from '../../shared/lengths';
import { FaceForm } from './FaceForm';
import {
    added,
    faced,
    growthInWords,
    hangerInWords,
    hangingOf,
    isAt,
    levelled,
    moved,
    offInWords,
    placeOf,
    replaced,
    standing,
    stepOf,
    stretches,
    withHanging,
    type HangerReport,
    type Place,
    type SpanReport,
} from '../../editing';
import { HangSettings } from './HangSettings';
import { Reading } from './Reading';

/**
 * What holds a run: every hanger with its place and what is measured down to it, what hangs between two, and what one
 * that is moved does to it.
 */
export function HangStation({ run, editor }: { run: RunReport; editor: JobEditor }) {
    const { units } = editor.evaluation;
    const query = useQuery(hangQuery(editor.ofJob, run.id, editor.site.version));
    const report = query.data;
    const [selected, setSelected] = useState(1);
    // A hanger that is moved stays the chosen one, whichever number it gets; and a tap counts from where the last one
    // put it, drawn or not.
    const put = useRef<Place | null>(null);
    if (run.legs.length === 0)
        return (
            <NotYet text={t`No leg yet: what is not laid out is not hung.`} station="route" act={t`Call out a leg`} />
        );
    if (!report) return <p className="none">{query.isError ? query.error.message : t`One moment.`}</p>;
    const hanger =
        report.hangers.find((one) => put.current !== null && isAt(placeOf(one), put.current)) ??
        report.hangers.find((one) => one.number === selected) ??
        report.hangers[0];
    const select = (number: number): void => {
        setSelected(number);
        put.current = null;
    };
    const change = (by: (hanging: JobHanging) => Omit<Partial<JobHanging>, 'run'>): void =>
        editor.change((document) => withHanging(document, run.id, by(hangingOf(document, run.id))));
    const changePlaces = (edit: (places: Place[]) => Place[]): void =>
        editor.change((document) =>
            withHanging(document, run.id, { own: edit(standing(document, run.id, report.hangers)) }),
        );
    const now = (one: HangerReport, places: Place[]): Place => {
        const last = put.current;
        return last !== null && places.some((place) => isAt(place, last)) ? last : placeOf(one);
    };
    const move = (one: HangerReport, by: number): void =>
        changePlaces((places) => {
            const from = now(one, places);
            const to = moved(from, by, one.leg_mm);
            put.current = to;
            return replaced(places, from, to);
        });
    return (
        <main className="station hang">
            <section className="hang-strings" aria-label={t`Hangers under the string`} tabIndex={0}>
                <Strings report={report} run={run} units={units} selected={hanger?.number ?? null} onSelect={select} />
            </section>
            <section className="hang-list" aria-label={t`Hangers`}>
                <h2>
                    {report.hangers.length} {report.hangers.length === 1 ? t`hanger` : t`hangers`}
                    {report.own && t`, set by hand`}
                </h2>
                <ol>
                    {report.hangers.map((one) => (
                        <HangerRow
                            key={one.number}
                            hanger={one}
                            units={units}
                            on={one.number === hanger?.number}
                            onSelect={select}
                        />
                    ))}
                </ol>
                {report.own && (
                    <button type="button" className="plain" onClick={() => change(() => ({ own: undefined }))}>
                        {t`Back to what is reckoned`}
                    </button>
                )}
                <HangSettings report={report} units={units} onChange={(settings) => change(() => settings)} />
                <TablesOut of={editor.ofJob} lists={['hangers', 'levels']} />
                <TableIn editor={editor} />
            </section>
            <section className="hang-one" aria-label={t`The hanger chosen`}>
                {hanger && (
                    <Chosen
                        report={report}
                        hanger={hanger}
                        units={units}
                        onMove={(by) => move(hanger, by)}
                        onRemove={() => changePlaces((places) => replaced(places, now(hanger, places), null))}
                        onAdd={(span) => changePlaces((places) => added(places, report.hangers, span))}
                        face={hangingOf(editor.document, run.id).faces?.find((one) => one.leg === hanger.leg_id)}
                        onRead={(mm) => editor.happened([levelled(run.id, placeOf(hanger), mm)])}
                        onFace={(name, mm) => change((hanging) => ({ faces: faced(hanging, hanger.leg_id, name, mm) }))}
                    />
                )}
                <FindingLines findings={report.findings} />
                <Expansion report={report} units={units} />
                <RestsOn sources={report.sources} />
            </section>
        </main>
    );
}

/** Why there is no string. */
const noString = (report: HangingReport): string =>
    report.findings.some((finding) => finding.rule === 'hang.bedded')
        ? t`This run lies in the ground: it is bedded, not hung.`
        : report.hangers.length === 0
          ? t`No hanger is left.`
          : t`Nothing of this run lies level: it is held by brackets.`;

function Strings({
    report,
    run,
    units,
    selected,
    onSelect,
}: {
    report: HangingReport;
    run: RunReport;
    units: Units;
    selected: number | null;
    onSelect: (number: number) => void;
}) {
    const [ref, { width }] = useSize<HTMLDivElement>();
    const groups = stretches(report);
    return (
        <div ref={ref}>
            {groups.length === 0 && <p className="none">{noString(report)}</p>}
            {width > 0 &&
                groups.map((group) => (
                    <StringLine
                        key={group[0]?.number}
                        hangers={group}
                        outside={Object.values(run.pipes)[0]?.od_mm ?? 60}
                        units={units}
                        selected={selected}
                        onSelect={onSelect}
                        width={width}
                    />
                ))}
            {groups.length > 0 && (
                <p className="cap">
                    <Trans>
                        Measured from the string down to the crown of the pipe: so the fall is built before the pipe is
                        hung.
                    </Trans>
                </p>
            )}
        </div>
    );
}

function HangerRow({
    hanger,
    units,
    on,
    onSelect,
}: {
    hanger: HangerReport;
    units: Units;
    on: boolean;
    onSelect: (n: number) => void;
}) {
    return (
        <li>
            <button
                type="button"
                className={on ? 'hang-row on' : 'hang-row'}
                aria-pressed={on}
                onClick={() => onSelect(hanger.number)}
            >
                <b className="hang-n">{hanger.number}</b>
                <span className="hang-at">
                    <Said tape={hanger.tape} units={units} feet unit />
                    <span className="cap">
                        {' '}
                        {hanger.face ? (
                            <>
                                <Said tape={hanger.face.at} units={units} feet unit /> {t`from ${hanger.face.name}`}
                            </>
                        ) : (
                            <>
                                {t`leg ${hanger.leg},`} <Said tape={hanger.at} units={units} feet unit />{' '}
                                {t`from its beginning`}
                            </>
                        )}
                    </span>
                </span>
                <span className="hang-drop mk">
                    {hanger.below_string && <Said tape={hanger.below_string} units={units} unit />}
                    {hanger.off_mm !== null && <span className="cap">{offInWords(hanger.off_mm, units)}</span>}
                </span>
                <span className="cap hang-why">
                    {!hanger.clear && <Shape kind="warn" size={14} />} {hangerInWords(hanger)}
                </span>
            </button>
        </li>
    );
}

interface ChosenProps {
    report: HangingReport;
    hanger: HangerReport;
    units: Units;
    onMove: (by: number) => void;
    onRemove: () => void;
    onAdd: (span: SpanReport) => void;
    face: { name: string; before_mm: number } | undefined;
    onRead: (belowMm: number | null) => void;
    onFace: (name: string, beforeMm: number) => void;
}

/** One hanger to be moved, and the spans on either side of it as they hang now. */
function Chosen({ report, hanger, units, onMove, onRemove, onAdd, face, onRead, onFace }: ChosenProps) {
    const spans = report.spans.filter(
        (span) => span.from_tape_mm === hanger.tape_mm || span.to_tape_mm === hanger.tape_mm,
    );
    const step = stepOf(units);
    return (
        <>
            <h2>{t`Hanger ${hanger.number}`}</h2>
            <div className="hang-step">
                <button type="button" aria-label={t`Move it upstream`} onClick={() => onMove(-step)}>
                    −
                </button>
                <output className="mk">
                    <Said tape={hanger.tape} units={units} feet unit />
                </output>
                <button type="button" aria-label={t`Move it downstream`} onClick={() => onMove(step)}>
                    +
                </button>
            </div>
            <div className="acts">
                <button type="button" className="plain" onClick={onRemove}>
                    {t`Leave it out`}
                </button>
            </div>
            {hanger.below_string && <Reading hanger={hanger} units={units} onRead={onRead} />}
            <FaceForm key={hanger.leg_id} hanger={hanger} face={face} units={units} onFace={onFace} />
            {spans.map((span) => (
                <Span key={span.from_tape_mm} span={span} units={units} onAdd={() => onAdd(span)} />
            ))}
        </>
    );
}

function Span({ span, units, onAdd }: { span: SpanReport; units: Units; onAdd: () => void }) {
    const words = (tape: { mm: number } | null): string =>
        tape === null ? t`not known` : smallInWords(tape.mm, units);
    return (
        <div className="hang-span">
            <h3>
                <Said tape={span.length} units={units} feet unit /> {t`hang free`}
                {span.most && (
                    <>
                        , <Said tape={span.most} units={units} feet unit /> {t`at most`}
                    </>
                )}
            </h3>
            <SagDrawing span={span} said={{ sag: words(span.sag), pond: span.pond ? words(span.pond) : null }} />
            <p>
                {t`Sags ${words(span.sag)};`}{' '}
                {span.pond ? (
                    <b>{t`water stays, ${words(span.pond)} deep`}</b>
                ) : span.sag ? (
                    t`no water stays`
                ) : (
                    t`whether water stays is not known`
                )}
                .
                {span.longest && (
                    <>
                        {' '}
                        {t`At this fall no water stays up to`} <Said tape={span.longest} units={units} feet unit />.
                    </>
                )}
            </p>
            <button type="button" className="plain small" onClick={onAdd}>
                {t`Set one between`}
            </button>
        </div>
    );
}

/** How far each straight stretch grows, where it is held and where that goes. */
function Expansion({ report, units }: { report: HangingReport; units: Units }) {
    if (report.expansion.length === 0) return null;
    const words = (mm: number): string => smallInWords(mm, units);
    return (
        <details className="hang-growth">
            <summary>{t`How far it grows, ${warmerInWords(report.swing_c, units)} warmer`}</summary>
            <ul>
                {report.expansion.map((one) => (
                    <li key={one.from_tape_mm}>
                        <b>
                            <Trans>
                                Leg {one.leg}, {runInWords(one.length.mm, units)} straight: {words(one.growth.mm)}
                            </Trans>
                        </b>
                        {one.fixed === 'hanger' && t`, held fast at hanger ${one.hanger ?? ''}`}
                        {one.fixed === 'tie-in' && t`, held by what it ends in`}
                        {one.ends
                            .filter((end) => end.move.mm >= 0.1)
                            .map((end) => (
                                <p key={end.way} className="say">
                                    {growthInWords(end, words, units)}.
                                </p>
                            ))}
                    </li>
                ))}
            </ul>
        </details>
    );
}
