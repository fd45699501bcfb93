import { t } from '@lingui/core/macro';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { Suspense, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { accountQuery, boardQuery, type BoardAsked } from '../../api/queries';
import type { BoardPage, JobRow as Row } from '../../api/types';
import { browserStorage, jobsWithDrafts, jobsWithWaiting } from '../../editing';
import { useGuide } from '../../shared/guide';
import { loaded } from '../../shared/loaded';
import { mayNow } from '../../shared/roles';
import { Shape } from '../../shared/Shape';
import { useSettled } from '../../shared/useSettled';
import { useTitle } from '../../shared/useTitle';
import { versionServed } from '../../shared/version';
import { BoardHead } from './BoardHead';
import { DropFiles } from './DropFiles';
import { Find } from './Find';
import { JobRow } from './JobRow';
import { NewJob } from './NewJob';
import { useBoardActs } from './useBoardActs';
import { useBoardAsked } from './useBoardAsked';
import { useTakingIn } from './useTakingIn';

// Menus and dialogs are fetched once the jobs are there.
const RowActs = loaded(() => import('./RowActs').then((part) => part.RowActs));
const CopyDialog = loaded(() => import('./CopyDialog').then((part) => part.CopyDialog));
const ProjectDialog = loaded(() => import('./ProjectDialog').then((part) => part.ProjectDialog));

/** The job board: a ruled row for each job, the new one on top. */
export function Board() {
    const { asked, ask, isFiltered } = useBoardAsked();
    const search = useSettled(asked.search.trim(), 250);
    const board = useInfiniteQuery({ ...boardQuery({ ...asked, search }), refetchOnMount: 'always' });
    const [first] = board.data?.pages ?? [];
    const jobs = board.data?.pages.flatMap((page) => page.jobs) ?? [];
    const navigate = useNavigate();
    const open = (id: string): void => void navigate(`/jobs/${id}`);
    const taking = useTakingIn(open);
    const acts = useBoardActs(asked.shelf);
    const [copied, setCopied] = useState<Row | null>(null);
    const [grouped, setGrouped] = useState<Row | null>(null);
    // A job with much in it shows most.
    const shown = jobs.find((job) => job.summary?.run?.drawing && job.gone_on === null);
    const guide = useGuide();
    const mayStart = mayNow(useQuery(accountQuery).data, 'apprentice');
    useTitle(t`All jobs`);

    return (
        <div className="board">
            <BoardHead />
            {mayStart && <NewJob onStarted={open} onFiles={(files) => void taking.take(files)} />}
            {mayStart && <DropFiles onFiles={(files) => void taking.take(files)} />}
            <nav className="board-starts" aria-label={t`Begin with a task`}>
                <Link to="/start">{t`What is the job? Begin with a task, and measure what it asks for`}</Link>
                {shown?.summary?.run && (
                    <button
                        type="button"
                        className="as-link"
                        onClick={() => guide.showRound(shown.id, shown.summary?.run?.id ?? '')}
                    >
                        {t`Show me round ${shown.name}: two minutes`}
                    </button>
                )}
            </nav>
            <Unsaved jobs={jobs} />
            <TakenIn taking={taking} />
            <JustDone acts={acts} />
            <Shelves shelves={first?.shelves} at={asked.shelf} onShelf={(shelf) => ask({ shelf })} />
            {(isFiltered || (first?.count ?? 0) > FEW || (first?.projects.length ?? 0) > 0) && (
                <Find asked={asked} people={first?.people ?? []} projects={first?.projects ?? []} onAsk={ask} />
            )}
            <div className="board-caps cap" aria-hidden="true">
                <span>{t`Job`}</span>
                <span>{t`Fall line`}</span>
                <span>{t`Station, of nine`}</span>
                <span>{t`Next`}</span>
                <span>{t`Built`}</span>
                <span>{asked.shelf === 'deleted' ? t`Deleted by` : t`Last saved by`}</span>
            </div>
            <main>
                <h1 className="unseen">{t`All jobs`}</h1>
                {board.isPending && <p className="waiting">{t`Fetching the jobs.`}</p>}
                {board.isError && (
                    <p className="waiting" role="alert">
                        {board.error.message}{' '}
                        <button type="button" className="plain" onClick={() => void board.refetch()}>
                            {t`Try again`}
                        </button>
                    </p>
                )}
                <Rows jobs={jobs} acts={acts} onCopy={setCopied} onProject={setGrouped} />
                {first && jobs.length === 0 && <p className="waiting">{noneInWords(asked, search, isFiltered)}</p>}
                {board.hasNextPage && (
                    <p className="more-jobs">
                        <button
                            type="button"
                            className="plain"
                            disabled={board.isFetchingNextPage}
                            onClick={() => void board.fetchNextPage()}
                        >
                            {board.isFetchingNextPage
                                ? t`Fetching more jobs`
                                : t`More jobs: ${jobs.length} of ${first?.count ?? 0} are shown`}
                        </button>
                    </p>
                )}
            </main>
            <p className="cap version">{t`Fall Bend ${versionServed()}`}</p>
            <Suspense fallback={null}>
                {copied && <CopyDialog job={copied} onClose={() => setCopied(null)} onCopied={open} />}
                {grouped && (
                    <ProjectDialog job={grouped} projects={first?.projects ?? []} onClose={() => setGrouped(null)} />
                )}
            </Suspense>
        </div>
    );
}

interface RowsProps {
    jobs: Row[];
    acts: ReturnType<typeof useBoardActs>;
    onCopy: (job: Row) => void;
    onProject: (job: Row) => void;
}

function Rows({ jobs, acts, onCopy, onProject }: RowsProps) {
    return jobs.map((job) => (
        <JobRow
            key={job.id}
            job={job}
            acts={
                <Suspense fallback={null}>
                    <RowActs job={job} acts={acts} onCopy={() => onCopy(job)} onProject={() => onProject(job)} />
                </Suspense>
            }
        />
    ));
}

/** So few jobs are seen at a glance. */
const FEW = 6;

function noneInWords({ shelf, station, person }: BoardAsked, search: string, isFiltered: boolean): string {
    if (isFiltered && station === '' && person === '') return t`No job has “${search}” in its name.`;
    if (isFiltered) return t`No job is like that.`;
    if (shelf === 'archived') return t`Nothing is archived.`;
    return shelf === 'deleted' ? t`Nothing was deleted in the last 30 days.` : t`No job yet. Name the first one above.`;
}

const SHELVES: [BoardAsked['shelf'], string][] = [
    ['open', t`Open`],
    ['archived', t`Archived`],
    ['deleted', t`Deleted`],
];

interface ShelvesProps {
    shelves: BoardPage['shelves'] | undefined;
    at: BoardAsked['shelf'];
    onShelf: (shelf: BoardAsked['shelf']) => void;
}

/** The jobs that are worked on, those that are archived, those that were deleted; once there are such. */
function Shelves({ shelves, at, onShelf }: ShelvesProps) {
    if (!shelves || (at === 'open' && shelves.archived + shelves.deleted === 0)) return null;
    return (
        <nav className="board-shelves" aria-label={t`Which jobs`}>
            {SHELVES.map(([key, name]) => (
                <button
                    key={key}
                    type="button"
                    className={key === at ? 'on' : ''}
                    aria-current={key === at ? 'true' : undefined}
                    onClick={() => onShelf(key)}
                >
                    {name} <span className="cap">{shelves[key]}</span>
                </button>
            ))}
        </nav>
    );
}

/** What this browser still holds of jobs that the server has not saved: opening the job saves it. */
function Unsaved({ jobs }: { jobs: Row[] }) {
    const ids = [...new Set([...jobsWithDrafts(browserStorage()), ...jobsWithWaiting(browserStorage())])];
    if (ids.length === 0) return null;
    return (
        <p className="unsaved" role="status">
            <Shape kind="warn" size={16} /> {t`Not saved yet, stored on this device:`}{' '}
            {ids.map((id, i) => (
                <span key={id}>
                    {i > 0 && ', '}
                    <Link to={`/jobs/${id}`}>{jobs.find((job) => job.id === id)?.name ?? t`a job`}</Link>
                </span>
            ))}
            {t`. Open it, and it is saved.`}
        </p>
    );
}

/** How far files are taken in, and which could not be. */
function TakenIn({ taking }: { taking: ReturnType<typeof useTakingIn> }) {
    const { now, taken, refused } = taking;
    return (
        <>
            {(now !== null || taken > 1) && (
                <p className="unsaved" role="status">
                    {now ?? t`${taken} jobs came in.`}
                </p>
            )}
            {refused.map((text) => (
                <p key={text} className="problem unsaved" role="alert">
                    <Shape kind="stop" size={16} /> {text}
                </p>
            ))}
        </>
    );
}

/** What was just done with a job, with its way back. */
function JustDone({ acts: { done, problem } }: { acts: ReturnType<typeof useBoardActs> }) {
    return (
        <>
            {problem && (
                <p className="problem unsaved" role="alert">
                    <Shape kind="stop" size={16} /> {problem}
                </p>
            )}
            {done && (
                <p className="unsaved" role="status">
                    {done.text}{' '}
                    {done.undo && (
                        <button type="button" className="plain" onClick={() => void done.undo?.()}>
                            {t`Undo`}
                        </button>
                    )}
                </p>
            )}
        </>
    );
}
