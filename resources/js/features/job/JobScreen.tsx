import { t } from '@lingui/core/macro';
import { Suspense, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import type { Job, JobRun, RunReport } from '../../api/types';
import type { JobEditor, SharedSelection, Tabs } from '../../editing';
import { Boundary } from '../../shared/Boundary';
import { NEW_RUN, type RouteView } from '../../shared/views';
import { loaded } from '../../shared/loaded';
import { partsShown } from '../../shared/partsShown';
import { usePhone } from '../../shared/useSize';
import { useTitle } from '../../shared/useTitle';
import { FallLinePanel } from './FallLinePanel';
import { JobHead } from './JobHead';
import { RunGone } from './RunGone';
import { STATIONS } from '../../shared/stations';
import {
    CutStation,
    GlueUpStation,
    HangStation,
    House,
    JointsStation,
    LookStation,
    MakeUpStation,
    RecordStation,
    Route,
    ServicesHold,
    TestStation,
} from './stationParts';
import { Strip } from './Strip';
import { useJobEditor } from './useJobEditor';
import { useKeptWhole } from './useKeptWhole';
import { useSelection } from './useSelection';
import { ViewTabs } from './ViewTabs';

// What is opened at a tap is not waited for before anything is shown.
const Conflict = loaded(() => import('./Conflict').then((part) => part.Conflict));
const JobDialog = loaded(() => import('./JobDialog').then((part) => part.JobDialog));
const RunDialog = loaded(() => import('./RunDialog').then((part) => part.RunDialog));

/** A job with one of its runs: head, fall line, station strip, and the station at hand. */
export function JobScreen({ start, by, tabs }: { start: Job; by: string; tabs: Tabs }) {
    const editor = useJobEditor(start, by, tabs);
    useKeptWhole(editor);
    const { run: runId, station: stationKey = 'route' } = useParams();
    const navigate = useNavigate();
    const phone = usePhone();
    const [search, setSearch] = useSearchParams();
    const [dialog, setDialog] = useState<Dialog>(null);
    const [isWay, setIsWay] = useState(false);
    const callOut = useRef<HTMLTextAreaElement>(null);
    const isNamed = runId !== undefined && runId !== 'none';
    const named = editor.document.runs.find((run) => run.id === runId);
    // A run that is not there is said to be gone: nobody is shown another one in its place.
    const plan = named ?? (isNamed ? undefined : editor.document.runs[0]);
    const run = editor.evaluation.runs.find((report) => report.id === plan?.id);
    const selection = useSelection(run, editor.evaluation.units);
    const station = STATIONS.find((one) => one.key === stationKey) ?? STATIONS[1];
    const view: RouteView =
        plan && editor.typed?.run !== NEW_RUN ? ((search.get('view') as RouteView | null) ?? 'run') : 'house';
    const place = editor.evaluation.network.places.find((one) => one.run === run?.id);
    const leadsOn = place !== undefined && place.into !== null && !place.rises;
    const base = `/jobs/${start.id}/runs/${plan?.id ?? 'none'}`;
    usePartsShown(editor, plan?.id, station?.key ?? 'route', view, isWay && leadsOn && station?.key === 'route');

    useTitle(station?.name, plan?.name, editor.document.name);
    useKeys(base, editor, callOut);

    return (
        <div className="job">
            <JobHead
                editor={editor}
                plan={plan}
                phone={phone}
                onRun={() => setDialog('run')}
                onNewRun={() => setDialog('new')}
                onSettings={() => setDialog('job')}
            />
            <FallLineOf
                run={run}
                plan={plan}
                editor={editor}
                selection={selection}
                phone={phone}
                station={station?.key ?? 'route'}
                folded={isFolded(station?.key, view)}
                way={isWay && leadsOn && station?.key === 'route'}
                onRun={(id) => void navigate(`/jobs/${start.id}/runs/${id}/${stationKey}${window.location.search}`)}
            />
            <div className="perf" />
            <Strip
                base={base}
                on={station?.key ?? 'route'}
                run={run}
                standing={editor.evaluation.standing}
                beside={plan ? undefined : editor.document}
                cut={editor.site.isKnown ? Object.keys(editor.site.cut[plan?.id ?? ''] ?? {}) : null}
            />
            {station?.key === 'route' && run && (
                <ViewTabs
                    view={view}
                    onView={(next) => setSearch(next === 'run' ? {} : { view: next }, { replace: true })}
                    way={leadsOn ? isWay : null}
                    onWay={setIsWay}
                />
            )}
            <HoldOf job={start.id} plan={plan} />
            <Boundary key={station?.key} name={station?.name ?? t`This station`}>
                {isNamed && !named ? (
                    <RunGone job={start.id} runs={editor.document.runs} station={stationKey} />
                ) : (
                    <StationOfRun
                        job={start.id}
                        {...{ base, station, view, editor, run, plan, selection, callOut, phone }}
                        onDialog={setDialog}
                    />
                )}
            </Boundary>
            <Suspense fallback={<p className="waiting">{t`One moment.`}</p>}>
                <Dialogs
                    editor={editor}
                    plan={plan}
                    dialog={dialog}
                    onClose={() => setDialog(null)}
                    onNew={(id) => void navigate(`/jobs/${start.id}/runs/${id}`)}
                />
                {editor.conflict && <Conflict editor={editor} conflict={editor.conflict} />}
            </Suspense>
        </div>
    );
}

/** What a run waits for before anything is done: one in the ground, that the services there were located. */
function HoldOf({ job, plan }: { job: string; plan: JobRun | undefined }) {
    if (plan?.place?.ground !== 'buried') return null;
    return (
        <Suspense fallback={null}>
            <ServicesHold key={plan.id} job={job} run={plan} />
        </Suspense>
    );
}

interface FallLineProps {
    run: RunReport | undefined;
    plan: JobRun | undefined;
    editor: JobEditor;
    selection: SharedSelection;
    phone: boolean;
    station: string;
    folded: boolean;
    way: boolean;
    onRun: (id: string) => void;
}

/** The fall line of the run at hand. */
function FallLineOf({ run, plan, station, ...rest }: FallLineProps) {
    const ends = useEnds(rest.editor, plan);
    const name = STATIONS.find(({ key }) => key === station)?.name;
    return (
        <>
            {/* Cut has a heading of its own, and a job without a run says so. */}
            {plan && station !== 'cut' && (
                <h1 className="unseen">
                    {name}: {plan.name}
                </h1>
            )}
            {run && plan ? (
                <FallLinePanel run={run} ends={ends} {...rest} />
            ) : (
                // A run that is being read or said for the first time has its place; elsewhere none is kept.
                (plan || station === 'route') && <div className="fall-panel empty" />
            )}
        </>
    );
}

/** The dialog that is open: of the run at hand, of a new one, of the job. */
type Dialog = 'run' | 'new' | 'job' | null;

interface DialogProps {
    editor: JobEditor;
    plan: JobRun | undefined;
    dialog: Dialog;
    onClose: () => void;
    onNew: (id: string) => void;
}

function Dialogs({ editor, plan, dialog, onClose, onNew }: DialogProps) {
    if (dialog === null) return null;
    if (dialog === 'job') return <JobDialog editor={editor} onClose={onClose} />;
    return <RunDialog editor={editor} plan={dialog === 'run' ? plan : undefined} onClose={onClose} onNew={onNew} />;
}

interface StationProps {
    job: string;
    base: string;
    station: (typeof STATIONS)[number] | undefined;
    view: RouteView;
    editor: JobEditor;
    run: RunReport | undefined;
    plan: JobRun | undefined;
    selection: SharedSelection;
    callOut: RefObject<HTMLTextAreaElement | null>;
    phone: boolean;
    onDialog: (which: 'run' | 'new') => void;
}

/** The station at hand, of the run that is chosen; the house where none is, or all of it is looked at. */
function StationOfRun({ station, view, editor, run, plan, phone, job, onDialog, ...rest }: StationProps) {
    const navigate = useNavigate();
    if (station?.key === 'look') return <LookStation editor={editor} phone={phone} />;
    // A job may be single joints, or a trap, and no run.
    if (station?.key === 'joints' && !plan)
        return <JointsStation run={undefined} editor={editor} selection={rest.selection} phone={phone} />;
    if (station?.key === 'make-up' && !plan)
        return <MakeUpStation run={undefined} plan={undefined} editor={editor} onTaken={() => undefined} />;
    // The first run of a job exists while it is being said: the field that it is said in must stay.
    if (plan !== undefined && !run && view === 'run')
        return (
            <main className="station" aria-busy="true">
                {!editor.isFetching && <p className="waiting">{t`This run is not there.`}</p>}
            </main>
        );
    if (!run || !plan || (station?.key === 'route' && view !== 'run'))
        return (
            <House
                editor={editor}
                view={view}
                selected={run?.id}
                onOpen={(id) => void navigate(`/jobs/${job}/runs/${id}/route`)}
                onSelect={(id) => void navigate(`/jobs/${job}/runs/${id}/route?view=house`, { replace: true })}
                onNew={() => onDialog('new')}
            />
        );
    const { base, selection, callOut } = rest;
    switch (station?.key) {
        case 'cut':
            return <CutStation run={run} plan={plan} editor={editor} base={base} selection={selection} />;
        case 'joints':
            return <JointsStation run={run} editor={editor} selection={selection} phone={phone} />;
        case 'make-up':
            return (
                <MakeUpStation
                    key={run.id}
                    run={run}
                    plan={plan}
                    editor={editor}
                    onTaken={() => void navigate(`${base}/route`)}
                />
            );
        case 'hang':
            return <HangStation key={run.id} run={run} editor={editor} />;
        case 'glue-up':
            return <GlueUpStation key={run.id} run={run} editor={editor} base={base} />;
        case 'test':
            return <TestStation key={run.id} run={run} editor={editor} job={job} />;
        case 'record':
            return <RecordStation run={run} editor={editor} job={job} />;
        default:
            return (
                <Route
                    run={run}
                    plan={plan}
                    editor={editor}
                    selection={selection}
                    callOut={callOut}
                    phone={phone}
                    onRun={() => onDialog('run')}
                    onStation={(key) => void navigate(`${base}/${key}`)}
                />
            );
    }
}

/** Alt and a digit: a station; Ctrl and Z: a step back; Escape: back to the call-out. */
function useKeys(base: string, editor: JobEditor, callOut: RefObject<HTMLTextAreaElement | null>): void {
    const navigate = useNavigate();
    useEffect(() => {
        const onKey = (event: KeyboardEvent): void => {
            const digit = /^Digit([1-9])$/.exec(event.code)?.[1];
            if (event.altKey && digit) {
                event.preventDefault();
                void navigate(`${base}/${STATIONS[Number(digit) - 1]?.key}`);
            }
            const typing =
                event.target instanceof HTMLElement && event.target.closest('textarea, input, select, [role=dialog]');
            if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing) {
                event.preventDefault();
                void editor.step(event.shiftKey ? 'redo' : 'undo');
            }
            if (event.key === 'Escape' && !document.querySelector('[role=dialog]')) callOut.current?.focus();
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, [base, navigate, editor, callOut]);
}

/** Asks for the parts of the evaluation that the station at hand shows. */
function usePartsShown(
    { want, document, evaluation }: JobEditor,
    run: string | undefined,
    station: string,
    view: RouteView,
    isWay: boolean,
): void {
    const names = partsShown({ run, station, view, document, places: evaluation.network.places, isWay }).join(' ');
    useEffect(() => want(names.split(' ')), [want, names]);
}

/** Whether a station draws the run itself: then its fall line is folded. */
function isFolded(station: string | undefined, view: RouteView): boolean {
    return (
        ['look', 'make-up', 'joints', 'hang', 'glue-up', 'test', 'record'].includes(station ?? '') ||
        (station === 'route' && view !== 'run')
    );
}

/** What a run leads from and into, in the words of the job. */
function useEnds(editor: JobEditor, plan: JobRun | undefined) {
    return useMemo(
        () => ({
            outlet: plan?.outlet.what ?? '',
            tieIn: plan?.tie_in.what ?? '',
            branches: Object.fromEntries(editor.evaluation.network.places.map((place) => [place.run, place.name])),
        }),
        [plan?.outlet.what, plan?.tie_in.what, editor.evaluation.network.places],
    );
}
