import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { cutQuery, jobQuery } from '../../api/queries';
import type { CuttingReport, JobDocument, RunReport, Units } from '../../api/types';
import { Isometric } from '../../drawing/iso/Isometric';
import { Said } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';
import { whenSaved } from '../../editing';
import { BrandGlyph } from '../../shared/Brand';
import { useTitle } from '../../shared/useTitle';
import { BendList } from './BendList';
import { CheckScale } from './CheckScale';
import { CutRow } from './CutRow';
import { dayOf, exactInWords, onSite, printed, usualEnd } from '../../editing';
import { useSiteLog, Waiting } from '../sitelog';

/** Nothing is asked before the job is there. */
const EMPTY = { runs: [] } as unknown as JobDocument;

/** The cut ticket: one clean page of paper, with a scale to check the printer. */
export function CutTicket() {
    const { id = '', run: runId = '' } = useParams();
    // What was just changed is saved before a ticket is made of the job.
    const saved = useQuery({ queryKey: ['saved', id], queryFn: () => whenSaved(id), gcTime: 0 });
    const job = useQuery({ ...jobQuery(id, [`run:${runId}`]), enabled: saved.data !== undefined });
    const { log, state, entries, isKnown } = useSiteLog(id);
    const site = useMemo(() => onSite(entries, state.pending), [entries, state.pending]);
    const cut = useQuery({
        ...cutQuery({ job: id, document: job.data?.document ?? EMPTY }, runId, site.version),
        enabled: job.data !== undefined && isKnown,
    });
    usePaper();
    const plan = job.data?.document;
    const said = plan?.runs.find((one) => one.id === runId);
    useTitle(t`Cut ticket`, said?.name, plan?.name);
    if (!job.data || !plan) return <p className="waiting">{job.isError ? job.error.message : t`One moment.`}</p>;
    const { evaluation, revision } = job.data;
    const run = evaluation.runs.find((one) => one.id === runId);
    if (!run || !said) return <p className="waiting">{t`There is no such run in this job.`}</p>;
    // What changed since the ticket before stands on this one; only then is this one what later changes are held
    // against.
    const print = (): void => {
        window.print();
        if (cut.data) log.add([printed(run.id, dayOf(new Date()), cut.data.pieces)]);
    };
    const { units } = evaluation;
    return (
        <main className="ticket" data-mode="paper">
            <p className="screen-only">
                <Link className="plain" to={`/jobs/${id}/runs/${run.id}/cut`}>
                    {t`Back`}
                </Link>{' '}
                <button type="button" className="main-act" onClick={print}>
                    {t`Print`}
                </button>
            </p>
            {saved.data === false && (
                <p className="problem" role="alert">
                    <Shape kind="stop" size={16} />{' '}
                    <Trans>
                        This job has changes on this device that are not saved yet; they are not on this ticket.
                    </Trans>
                </p>
            )}
            <div className="screen-only">
                <Waiting state={state} log={log} />
            </div>
            <header>
                <h1>{t`Cut ticket`}</h1>
                <span className="brand">
                    <BrandGlyph /> {t`Fall Bend`}
                </span>
            </header>
            <TicketFields
                fields={[
                    [t`Job`, plan.name],
                    [t`Run ${plan.runs.indexOf(said) + 1}`, said.name],
                    [t`Pipe`, `${run.system.letters} ${said.size}`],
                    [t`Revision`, String(revision)],
                ]}
            >
                {t`kerf`} <Said tape={cut.data?.kerf ?? evaluation.saw_kerf} units={units} unit />
            </TicketFields>
            <TicketPieces run={run} cut={cut.data} units={units} />
            <TicketHolds run={run} cut={cut.data} />
            <BendList run={run} units={units} />
            <TicketFoot run={run} units={units} />
        </main>
    );
}

/** The screen is as the paper will be, while a ticket is looked at. */
function usePaper(): void {
    useEffect(() => {
        const mode = document.documentElement.dataset.mode;
        document.documentElement.dataset.mode = 'paper';
        return () => {
            if (mode) document.documentElement.dataset.mode = mode;
        };
    }, []);
}

function TicketFields({ fields, children }: { fields: [string, string][]; children: ReactNode }) {
    return (
        <dl className="ticket-fields">
            {fields.map(([name, value]) => (
                <div key={name}>
                    <dt>{name}</dt>
                    <dd>{value}</dd>
                </div>
            ))}
            <div>
                <dt>{t`Saw`}</dt>
                <dd>{children}</dd>
            </div>
        </dl>
    );
}

interface PiecesProps {
    run: RunReport;
    cut: CuttingReport | undefined;
    units: Units;
}

/** Every piece with what its ends want, and what stands on the ticket before and is not cut any more. */
function TicketPieces({ run, cut, units }: PiecesProps) {
    const now = (key: string) => cut?.pieces.find((one) => one.key === key);
    const usual = usualEnd(cut?.pieces ?? []);
    const gone = cut?.printed?.gone ?? [];
    return (
        <>
            <div className="cut-caps cap">
                <span>{t`piece`}</span>
                <span>{t`cut length, ${units === 'inch' ? t`inches` : t`millimeters`}`}</span>
                <span>{t`ends; line round the pipe at the lip`}</span>
                <span>{t`where it goes`}</span>
                <span>{t`cut`}</span>
            </div>
            {run.pieces.map((piece) => (
                <CutRow
                    key={piece.key}
                    piece={{ ...piece, cut: now(piece.key)?.now ?? piece.cut }}
                    now={now(piece.key)}
                    printedOn={cut?.printed?.on}
                    usual={usual}
                    run={run}
                    units={units}
                    box
                >
                    {!now(piece.key)?.cut && Math.abs(now(piece.key)?.moved_mm ?? 0) > 0.05 && (
                        <span className="cap cut-note">
                            <Shape kind="warn" size={13} />{' '}
                            {t`other than it was laid out: a piece before it came out otherwise`}
                        </span>
                    )}
                </CutRow>
            ))}
            {usual !== '' && <p className="say">{t`Ends: ${usual}, unless the piece says otherwise.`}</p>}
            {gone.length > 0 && (
                <p className="say">
                    <Shape kind="warn" size={15} /> {t`${gone.join(', ')} of the ticket of`} {cut?.printed?.on}
                    {t`: not cut any more.`}
                </p>
            )}
            {run.pieces.length === 0 && <p className="say">{t`Nothing to cut: no leg has room for a piece.`}</p>}
        </>
    );
}

/** What must be settled or measured before anything is cut. */
function TicketHolds({ run, cut }: Omit<PiecesProps, 'units'>) {
    const stops = run.findings.filter((finding) => finding.severity === 'stop');
    const doubtful = run.fittings.filter(
        (fitting, i) =>
            fitting.doubtful &&
            fitting.turn_deg === null &&
            !fitting.branch &&
            run.fittings.findIndex((one) => one.row === fitting.row) === i,
    );
    const first = (cut?.measure ?? []).filter((one) => one.runs.includes(run.id));
    return (
        <>
            {stops.length > 0 && (
                <p className="ticket-stop">
                    <Shape kind="stop" size={18} /> <b>{t`Hold.`}</b>{' '}
                    {stops
                        .map((finding) => `${finding.where.leg ? t`Leg ${finding.where.leg}: ` : ''}${finding.title}`)
                        .join('. ')}
                    .
                </p>
            )}
            {doubtful.length > 0 && (
                <p className="say small">
                    <Shape kind="note" size={14} />{' '}
                    <Trans>
                        Measure before cutting:{' '}
                        {doubtful.map((fitting) => `${fitting.size} ${fitting.name}`).join(', ')}. Their lengths are{' '}
                        {doubtful.every((one) => one.source.status === 'assumed') ? t`assumed` : t`assumed or derived`}.
                    </Trans>
                </p>
            )}
            {first.length > 0 && (
                <p className="say small">
                    <Shape kind="note" size={14} />{' '}
                    <Trans>
                        To spare the trimming, measure{' '}
                        {first.map((one) => t`one ${one.name}: ${exactInWords(one)}`).join('; ')}.
                    </Trans>
                </p>
            )}
        </>
    );
}

/** The run as it stands, how pipe is cut, the scale, and who did it. */
function TicketFoot({ run, units }: { run: RunReport; units: Units }) {
    return (
        <>
            {run.pieces.length > 0 && (
                <section className="ticket-iso" aria-label={t`The run`}>
                    <h2>{t`As it stands in the room`}</h2>
                    <Isometric
                        run={run}
                        turns={0}
                        width={740}
                        height={360}
                        selected={null}
                        onSelect={() => undefined}
                    />
                </section>
            )}
            <section className="ticket-how" aria-label={t`How`}>
                <How text={t`Cut square, all round`} d="M2 2V26M2 6H34M2 22H34" />
                <How text={t`Burr off inside`} d="M10 6H34M10 22H34M10 6L3 10M10 22L3 18" />
                <How text={t`Chamfer outside`} d="M12 6H34M12 22H34M3 8L10 1M3 20L10 27" />
                <How text={t`Line at the depth shown`} d="M2 6H34M2 22H34" mark />
            </section>
            <section className="ticket-foot">
                <CheckScale units={units} />
                <p className="say">
                    <Trans>
                        Lay a tape on this scale. If it is not {units === 'inch' ? t`3 in` : t`80 mm`}, print again at
                        full size. Lengths run to the stop inside each socket. Goggles on; the saw's dust is not for
                        breathing. The local code and the licensed plumber decide.
                    </Trans>
                </p>
            </section>
            <footer>
                <span>{t`cut by`}</span>
                <span>{t`tried dry by`}</span>
                <span>{t`date`}</span>
            </footer>
        </>
    );
}

function How({ text, d, mark = false }: { text: string; d: string; mark?: boolean }) {
    return (
        <div>
            <svg width="40" height="28" viewBox="0 0 40 28" aria-hidden="true">
                <path d={d} style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 2.4 }} />
                {mark && <path d="M18 1V27" style={{ stroke: 'var(--mark)', strokeWidth: 3.4 }} />}
            </svg>
            {text}
        </div>
    );
}
