import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { hangQuery } from '../../api/queries';
import type { HangingReport, RunReport, Units } from '../../api/types';
import { SagDrawing } from '../../drawing/hang/SagDrawing';
import { StringLine } from '../../drawing/hang/StringLine';
import { Said } from '../../drawing/Said';
import { Shape } from '../../drawing/Shape';
import { RestsOn } from '../../shared/SourceTap';
import { useSize } from '../../shared/useSize';
import type { JobEditor } from '../job/useJobEditor';
import { FindingLines } from '../../shared/FindingLines';
import { added, hangerInWords, kept, moved, stepOf, stretches, withHanging, type HangerReport, type SpanReport } from './hanging';
import { HangSettings } from './HangSettings';

/** What holds a run: every hanger with its place and what is measured down to it, what hangs between two, and what one that is moved does to it. */
export function HangStation({ run, editor }: { run: RunReport; editor: JobEditor }) {
    const { units } = editor.evaluation;
    const query = useQuery(hangQuery(editor.document, run.id));
    const report = query.data;
    const [selected, setSelected] = useState(1);
    if (run.legs.length === 0) return <p className="none">Call out a leg on Route: what is not laid out is not hung.</p>;
    if (!report) return <p className="none">{query.isError ? query.error.message : 'One moment.'}</p>;
    const hanger = report.hangers.find((one) => one.number === selected) ?? report.hangers[0];
    const setOwn = (own: { leg: string; at_mm: number }[] | undefined): void =>
        editor.change((document) => withHanging(document, run.id, { own }));
    return (
        <main className="station hang">
            <section className="hang-strings" aria-label="Hangers under the string">
                <Strings report={report} run={run} units={units} selected={hanger?.number ?? null} onSelect={setSelected} />
            </section>
            <section className="hang-list" aria-label="Hangers">
                <h2>
                    {report.hangers.length} {report.hangers.length === 1 ? 'hanger' : 'hangers'}
                    {report.own && ', set by hand'}
                </h2>
                <ol>
                    {report.hangers.map((one) => (
                        <HangerRow key={one.number} hanger={one} units={units} on={one.number === hanger?.number} onSelect={setSelected} />
                    ))}
                </ol>
                {report.own && (
                    <button type="button" className="plain" onClick={() => setOwn(undefined)}>
                        Back to what is reckoned
                    </button>
                )}
                <HangSettings
                    report={report}
                    units={units}
                    onChange={(change) => editor.change((document) => withHanging(document, run.id, change))}
                />
            </section>
            <section className="hang-one" aria-label="The hanger chosen">
                {hanger && (
                    <Chosen
                        report={report}
                        hanger={hanger}
                        units={units}
                        onMove={(by) => setOwn(moved(report.hangers, hanger.number, by))}
                        onRemove={() => setOwn(kept(report.hangers.filter((one) => one.number !== hanger.number)))}
                        onAdd={(span) => setOwn(added(report.hangers, span))}
                    />
                )}
                <FindingLines findings={report.findings} />
                <Expansion report={report} units={units} />
                <RestsOn sources={report.sources} />
            </section>
        </main>
    );
}

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
            {groups.length === 0 && <p className="none">Nothing of this run lies level: it is held by brackets.</p>}
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
            <p className="cap">Measured from the string down to the crown of the pipe: so the fall is built before the pipe is hung.</p>
        </div>
    );
}

function HangerRow({ hanger, units, on, onSelect }: { hanger: HangerReport; units: Units; on: boolean; onSelect: (n: number) => void }) {
    return (
        <li>
            <button type="button" className={on ? 'hang-row on' : 'hang-row'} aria-pressed={on} onClick={() => onSelect(hanger.number)}>
                <b className="hang-n">{hanger.number}</b>
                <span className="hang-at">
                    <Said tape={hanger.tape} units={units} feet unit />
                    <span className="cap">
                        {' '}
                        leg {hanger.leg}, <Said tape={hanger.at} units={units} feet unit /> from its beginning
                    </span>
                </span>
                <span className="hang-drop mk">{hanger.below_string && <Said tape={hanger.below_string} units={units} unit />}</span>
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
}

/** One hanger to be moved, and the spans on either side of it as they hang now. */
function Chosen({ report, hanger, units, onMove, onRemove, onAdd }: ChosenProps) {
    const spans = report.spans.filter((span) => span.from_tape_mm === hanger.tape_mm || span.to_tape_mm === hanger.tape_mm);
    const step = stepOf(units);
    return (
        <>
            <h2>Hanger {hanger.number}</h2>
            <div className="hang-step">
                <button type="button" aria-label="Move it upstream" onClick={() => onMove(-step)}>
                    −
                </button>
                <output className="mk">
                    <Said tape={hanger.tape} units={units} feet unit />
                </output>
                <button type="button" aria-label="Move it downstream" onClick={() => onMove(step)}>
                    +
                </button>
            </div>
            <div className="acts">
                <button type="button" className="plain" onClick={onRemove}>
                    Leave it out
                </button>
            </div>
            {spans.map((span) => (
                <Span key={span.from_tape_mm} span={span} units={units} onAdd={() => onAdd(span)} />
            ))}
        </>
    );
}

function Span({ span, units, onAdd }: { span: SpanReport; units: Units; onAdd: () => void }) {
    const words = (tape: { inch: string; metric: string; mm: number } | null): string =>
        tape === null
            ? 'not known'
            : tape.mm < 0.8
              ? `${tape.mm.toFixed(1)} mm`
              : units === 'inch'
                ? `${tape.inch} in`
                : `${tape.metric} mm`;
    return (
        <div className="hang-span">
            <h3>
                <Said tape={span.length} units={units} feet unit /> hang free
                {span.most && (
                    <>
                        , <Said tape={span.most} units={units} feet unit /> at most
                    </>
                )}
            </h3>
            <SagDrawing span={span} said={{ sag: words(span.sag), pond: span.pond ? words(span.pond) : null }} />
            <p>
                Sags {words(span.sag)};{' '}
                {span.pond ? <b>water stays, {words(span.pond)} deep</b> : span.sag ? 'no water stays' : 'whether water stays is not known'}
                .
                {span.longest && (
                    <>
                        {' '}
                        At this fall no water stays up to <Said tape={span.longest} units={units} feet unit />.
                    </>
                )}
            </p>
            <button type="button" className="plain small" onClick={onAdd}>
                Set one between
            </button>
        </div>
    );
}

/** How far each leg grows, and what it pulls at. */
function Expansion({ report, units }: { report: HangingReport; units: Units }) {
    if (report.expansion.length === 0) return null;
    return (
        <details className="hang-growth">
            <summary>How far it grows, {Math.round(report.swing_c)} °C warmer</summary>
            <ul>
                {report.expansion.map((one) => (
                    <li key={one.leg}>
                        Leg {one.leg}: <b>{one.growth.mm.toFixed(1)} mm</b>
                        {units === 'inch' && ` (${(one.growth.mm / 25.4).toFixed(2)} in)`}, at {one.pulls}
                    </li>
                ))}
            </ul>
        </details>
    );
}
