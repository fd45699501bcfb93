import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { cutQuery } from '../../api/queries';
import type { CuttingReport, JobRun, RunReport } from '../../api/types';
import { NotYet } from '../../shared/NotYet';
import { FindingLines } from '../../shared/FindingLines';
import type { JobEditor } from '../../editing';
import type { SharedSelection } from '../../editing';
import { RestsOn } from '../../shared/SourceTap';
import { CutRow } from './CutRow';
import { addedUp, stocked, stockOf, ticked, unticked, usualEnd } from '../../editing';
import { LookLonger } from './LookLonger';
import { MeasureFirst } from './MeasureFirst';
import { RunDrawings } from './RunDrawings';
import { SawForm } from './SawForm';
import { Sticks } from './Sticks';
import { StockForm } from './StockForm';
import { TicketFile } from './TicketFile';
import { TickOff } from './TickOff';
import { ToBuy } from './ToBuy';

interface Props {
    run: RunReport;
    plan: JobRun;
    editor: JobEditor;
    base: string;
    selection: SharedSelection;
}

/**
 * What to cut for this run, piece by piece, ticked off as it is cut; what came out otherwise moves what is left. Beside
 * it the sticks that it all comes from.
 */
export function CutStation({ run, plan, editor, base, selection }: Props) {
    const { units } = editor.evaluation;
    // A plan of sticks that takes longer than the rest of the evaluation is asked for by itself.
    const planned = editor.evaluation.cuts?.[run.id];
    const asked = useQuery({
        ...cutQuery(editor.ofJob, run.id, editor.site.version),
        enabled: planned === undefined && !editor.isFetching,
    }).data;
    const report = planned ?? asked;
    const usual = usualEnd(report?.pieces ?? []);
    // A tick stands as soon as it is made, whether there is an answer to it or not.
    const ticks = editor.site.cut[run.id] ?? {};
    // Until the log is read it is as the plan of sticks has it.
    const isCut = (key: string): boolean =>
        editor.site.isKnown ? key in ticks : (report?.pieces.find((one) => one.key === key)?.cut ?? false);
    const added = addedUp(report?.pieces ?? [], ticks);
    const done = run.pieces.filter((piece) => isCut(piece.key)).length;
    const pieces = run.pieces.length === 1 ? t`piece` : t`pieces`;
    return (
        <main className="station cut-station">
            <div className="cut-head">
                <h1>
                    {run.pieces.length === 0
                        ? t`Nothing to cut yet`
                        : t`${run.pieces.length - done} of ${run.pieces.length} ${pieces} to cut`}
                </h1>
                {run.legs.length === 0 && <NotYet text={t`No leg yet.`} station="route" act={t`Call out a leg`} />}
                <Link className="main-act" to={`${base}/cut/ticket`}>
                    {t`Cut ticket, to print`}
                </Link>
                {report && <TicketFile report={report} plan={plan} editor={editor} />}
                <p className="say">
                    {t`${plan.name}. Lengths are end to end, to the stop inside each socket`}
                    {run.system.hubs !== null && t`; of a piece with a hub from the bottom of that`}
                    <Trans>
                        . Tick off what is cut; where a piece came out otherwise, say so, and those that depend on it
                        are reckoned again.
                    </Trans>
                    {usual !== '' && t` Ends: ${usual}, unless the piece says otherwise.`}
                </p>
            </div>
            {added.isHere && editor.saving !== 'saved' && <AddedUpHere isOpen={added.isOpen} />}
            {report && <FindingLines findings={report.findings} />}
            {report && report.measure.length > 0 && <MeasureFirst list={report.measure} editor={editor} />}
            {run.pieces.map((piece) => {
                const now = added.pieces.find((one) => one.key === piece.key);
                return (
                    <CutRow
                        key={piece.key}
                        piece={now ? { ...piece, cut: now.now } : piece}
                        now={now}
                        printedOn={report?.printed?.on}
                        usual={usual}
                        run={run}
                        units={units}
                        selected={selection.selected?.key === piece.key}
                        onSelect={() => selection.select({ kind: 'piece', key: piece.key })}
                    >
                        {now && (piece.known || isCut(piece.key)) && (
                            <TickOff
                                piece={{ ...now, cut: isCut(piece.key) }}
                                units={units}
                                onCut={(mm) => editor.happened([ticked(run.id, piece.key, mm)])}
                                onBack={() => editor.happened([unticked(run.id, piece.key)])}
                            />
                        )}
                    </CutRow>
                );
            })}
            {report && report.groups.length > 0 && <Stock report={report} run={run} editor={editor} />}
            {run.pieces.length > 0 && <ToBuy editor={editor} pipes={report?.groups ?? []} />}
            {run.pieces.length > 0 && <RunDrawings of={editor.ofJob} plan={plan} />}
            {run.pieces.length > 0 && <RestsOn sources={[...run.sources, ...(report?.sources.slice(0, 1) ?? [])]} />}
        </main>
    );
}

/** What is shown of pieces that depend on a cut that the server has not heard of. */
function AddedUpHere({ isOpen }: { isOpen: boolean }) {
    const open = t`What follows from the last cuts is not known here yet: cut nothing on their legs before it is.`;
    const known = t`What follows from the last cut is added up on this device, and reckoned anew when it is sent.`;
    return (
        <p className={isOpen ? 'say problem' : 'say'} role="status">
            {isOpen ? open : known}
        </p>
    );
}

/** The sticks of the whole job, those of this run's pipes first. */
function Stock({ report, run, editor }: { report: CuttingReport; run: RunReport; editor: JobEditor }) {
    const { units } = editor.evaluation;
    const names = Object.fromEntries(editor.document.runs.map((one) => [one.id, one.name]));
    const has = (group: CuttingReport['groups'][number]): boolean =>
        group.sticks.some((stick) => stick.cuts.some((cut) => cut.run === run.id));
    const groups = [...report.groups.filter(has), ...report.groups.filter((group) => !has(group))];
    return (
        <div className="cut-plan">
            <h2>{t`From which sticks, for the whole job`}</h2>
            <SawForm
                key={JSON.stringify([report.kerf.mm, editor.document.cutting?.objective])}
                report={report}
                editor={editor}
            />
            {groups.some((group) => !group.optimal) && <LookLonger report={report} run={run.id} editor={editor} />}
            {groups.map((group) => (
                <div key={`${group.system} ${group.size}`} className="cut-group">
                    <Sticks group={group} run={run.id} names={names} units={units} />
                    <StockForm
                        id={`stock-${group.system}-${group.size.replace('/', '-')}`}
                        rows={stockOf(editor.document, group.system, group.size)}
                        units={units}
                        onChange={(edit) =>
                            editor.change((document) =>
                                stocked(
                                    document,
                                    group.system,
                                    group.size,
                                    edit(stockOf(document, group.system, group.size)),
                                ),
                            )
                        }
                    />
                </div>
            ))}
        </div>
    );
}
