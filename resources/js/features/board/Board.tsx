import { useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { accountQuery, boardQuery, importJob, signOut, startJob, type BoardOrder } from '../../api/queries';
import type { JobRow as Row } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { browserStorage, jobsWithDrafts, jobsWithWaiting } from '../../editing';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { useChoices } from '../../shared/useChoices';
import { useSettled } from '../../shared/useSettled';
import { useTitle } from '../../shared/useTitle';
import { versionServed } from '../../shared/version';
import { JobRow } from './JobRow';

/** The job board: a ruled row for each job, the new one on top. */
export function Board() {
    const [search, setSearch] = useState('');
    const [order, setOrder] = useState<BoardOrder>('kept');
    const settled = useSettled(search.trim(), 250);
    const board = useInfiniteQuery({ ...boardQuery(settled, order), refetchOnMount: 'always' });
    const jobs = board.data?.pages.flatMap((page) => page.jobs) ?? [];
    const count = board.data?.pages[0]?.count;
    const navigate = useNavigate();
    useTitle('All jobs');

    return (
        <div className="board">
            <BoardHead jobs={count === undefined ? 'being fetched' : `${count} ${settled === '' ? 'open' : 'found'}`} />
            <NewJob onStarted={(id) => void navigate(`/jobs/${id}`)} />
            <nav className="board-starts" aria-label="Begin with a task">
                <Link to="/start">What is the job? Begin with a task, and measure what it asks for</Link>
            </nav>
            <Unsaved jobs={jobs} />
            {(search !== '' || (count ?? 0) > FEW) && (
                <Find search={search} order={order} onSearch={setSearch} onOrder={setOrder} />
            )}
            <div className="board-caps cap" aria-hidden="true">
                <span>Job</span>
                <span>Fall line</span>
                <span>Station, of nine</span>
                <span>Next</span>
                <span>First water</span>
                <span>Last saved by</span>
            </div>
            <main>
                {board.isPending && <p className="waiting">Fetching the jobs.</p>}
                {board.isError && (
                    <p className="waiting" role="alert">
                        {board.error.message}{' '}
                        <button type="button" className="plain" onClick={() => void board.refetch()}>
                            Try again
                        </button>
                    </p>
                )}
                {jobs.map((job) => (
                    <JobRow key={job.id} job={job} />
                ))}
                {board.data && jobs.length === 0 && (
                    <p className="waiting">
                        {settled === ''
                            ? 'No job yet. Name the first one above.'
                            : `No job has “${settled}” in its name.`}
                    </p>
                )}
                {board.hasNextPage && (
                    <p className="more-jobs">
                        <button
                            type="button"
                            className="plain"
                            disabled={board.isFetchingNextPage}
                            onClick={() => void board.fetchNextPage()}
                        >
                            {board.isFetchingNextPage
                                ? 'Fetching more jobs'
                                : `More jobs: ${jobs.length} of ${count} are shown`}
                        </button>
                    </p>
                )}
            </main>
            <p className="cap version">Fall Bend {versionServed()}</p>
        </div>
    );
}

/** Whose board it is, and how many jobs stand on it. */
function BoardHead({ jobs }: { jobs: string }) {
    const account = useQuery(accountQuery);
    const client = useQueryClient();
    const leave = async (): Promise<void> => {
        await signOut();
        client.clear();
        window.location.assign('/');
    };

    return (
        <header className="head">
            <div className="brand">
                <BrandGlyph /> Fall Bend
            </div>
            <div>
                <span className="cap">Crew</span>
                <b>{account.data?.crews[0]?.name ?? 'none'}</b>
            </div>
            <div>
                <span className="cap">Signed in</span>
                <b>{account.data?.name}</b>
            </div>
            <div className="wide">
                <span className="cap">Jobs</span>
                <b>{jobs}</b>
            </div>
            <div className="fill" />
            <button type="button" className="beside" onClick={() => void leave()}>
                Sign out
            </button>
            <Beside />
        </header>
    );
}

/** So few jobs are seen at a glance. */
const FEW = 6;

interface Finding {
    search: string;
    order: BoardOrder;
    onSearch: (search: string) => void;
    onOrder: (order: BoardOrder) => void;
}

function Find({ search, order, onSearch, onOrder }: Finding) {
    return (
        <div className="board-find" role="search">
            <label className="choice">
                <span className="cap">Find a job by its name</span>
                <input
                    type="search"
                    value={search}
                    maxLength={120}
                    onChange={(event) => onSearch(event.target.value)}
                />
            </label>
            <label className="choice">
                <span className="cap">Order</span>
                <select value={order} onChange={(event) => onOrder(event.target.value as BoardOrder)}>
                    <option value="kept">last saved first</option>
                    <option value="name">by name</option>
                </select>
            </label>
        </div>
    );
}

/** What this browser still holds of jobs that the server has not saved: opening the job saves it. */
function Unsaved({ jobs }: { jobs: Row[] }) {
    const ids = [...new Set([...jobsWithDrafts(browserStorage()), ...jobsWithWaiting(browserStorage())])];
    if (ids.length === 0) return null;
    return (
        <p className="unsaved" role="status">
            <Shape kind="warn" size={16} /> Not saved yet, stored on this device:{' '}
            {ids.map((id, i) => (
                <span key={id}>
                    {i > 0 && ', '}
                    <Link to={`/jobs/${id}`}>{jobs.find((job) => job.id === id)?.name ?? 'a job'}</Link>
                </span>
            ))}
            . Open it, and it is saved.
        </p>
    );
}

function NewJob({ onStarted }: { onStarted: (id: string) => void }) {
    const [name, setName] = useState('');
    const books = useChoices().rulebooks;
    const [book, setBook] = useState(0);
    const [problem, setProblem] = useState<string | null>(null);
    const file = useRef<HTMLInputElement>(null);

    const start = async (event: FormEvent): Promise<void> => {
        event.preventDefault();
        if (name.trim() === '') {
            setProblem('Say what the job is called.');
            return;
        }
        const { units, key } = books[book] ?? { units: 'inch', key: '' };
        const result = await startJob({ name: name.trim(), place: '', units, rulebook: key });
        if (result.ok) onStarted(result.data.id);
        else setProblem(result.message);
    };

    const take = async (chosen: File | undefined): Promise<void> => {
        if (!chosen) return;
        const result = await importJob(await chosen.text());
        if (file.current) file.current.value = '';
        if (result.ok) onStarted(result.data.id);
        else setProblem(`${chosen.name}: ${result.message}`);
    };

    return (
        <form className="new-job" onSubmit={(event) => void start(event)}>
            <label className="lab" htmlFor="new-job">
                <b>New job</b>
                <span className="cap">Name the job</span>
            </label>
            <input
                id="new-job"
                value={name}
                onChange={(event) => setName(event.target.value)}
                placeholder="what is it called, and where"
                maxLength={120}
                autoComplete="off"
            />
            <fieldset>
                <legend className="unseen">Units and rulebook</legend>
                {books.map(({ units, key, name: bookName }, i) => (
                    <label key={`${units} ${key}`} className={i === book ? 'on' : ''}>
                        <input
                            type="radio"
                            name="book"
                            className="unseen"
                            checked={i === book}
                            onChange={() => setBook(i)}
                        />
                        <b>{units === 'inch' ? 'inches' : 'mm'}</b>
                        <span className="cap">{bookName}</span>
                    </label>
                ))}
            </fieldset>
            <button type="submit" className="main-act">
                Start the job
            </button>
            <button type="button" className="plain from-file" onClick={() => file.current?.click()}>
                From a file
            </button>
            <input
                ref={file}
                type="file"
                className="unseen"
                accept=".json,application/json"
                tabIndex={-1}
                aria-label="Job file"
                onChange={(event) => void take(event.target.files?.[0])}
            />
            {problem && (
                <p className="problem" role="alert">
                    <Shape kind="stop" size={16} /> {problem}
                </p>
            )}
        </form>
    );
}
