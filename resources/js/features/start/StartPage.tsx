import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { copyJob, makeStart, startedQuery } from '../../api/queries';
import type { Start, StartAnswer } from '../../api/types';
import { MiniFallLine } from '../../drawing/section/MiniFallLine';
import { Explained } from '../../shared/Explained';
import { Shape } from '../../shared/Shape';
import { useSettled } from '../../shared/useSettled';
import { askedFields, numberOf, sentValues, valueOf } from './asked';
import { Asked } from './Asked';
import { ChosenStart } from './ChosenStart';
import { HowTosOf } from './HowToLinks';
import { StartHead } from './StartHead';
import { StartPicture } from './StartPicture';
import { useEntered } from './useEntered';

/** One task: what is asked for, in the order in which one would measure, and what comes of it at once. */
export function StartPage() {
    return <ChosenStart>{(start) => <StartForm key={start.id} start={start} />}</ChosenStart>;
}

function StartForm({ start }: { start: Start }) {
    const navigate = useNavigate();
    const { values, enter, forget } = useEntered(start.id);
    const [name, setName] = useState(start.name);
    const [book, setBook] = useState(start.rulebooks[0]?.key ?? '');
    const [at, setAt] = useState('');
    const [problem, setProblem] = useState('');
    const [isBusy, setBusy] = useState(false);
    const asked = { values: sentValues(start, values), name: name.trim() || start.name, rulebook: book };
    const settled = useSettled(JSON.stringify(asked), 250);
    const made = useQuery(startedQuery(start.id, JSON.parse(settled) as typeof asked));
    const problems = made.data?.answer.problems ?? {};
    const isCurrent = settled === JSON.stringify(asked) && !made.isPlaceholderData && !made.isError;

    // What stands in the fields is sent, whether or not what comes of it was shown yet.
    const begin = async (): Promise<string> => {
        const last = await makeStart(start.id, asked);
        if (!last.ok) return last.message;
        const { document, answer } = last.data;
        if (!document) {
            globalThis.document.getElementById(`start-${Object.keys(answer.problems)[0] ?? ''}`)?.focus();
            return '';
        }
        const kept = await copyJob(document);
        if (!kept.ok) return kept.message;
        forget();
        const run = document.runs.at(-1)?.id ?? 'none';
        void navigate(`/jobs/${kept.data.id}/runs/${run}/${start.opens}`);
        return '';
    };
    const send = async (event: FormEvent): Promise<void> => {
        event.preventDefault();
        if (isBusy) return;
        setBusy(true);
        setProblem(await begin());
        setBusy(false);
    };

    return (
        <div className="starts">
            <StartHead title={start.name} />
            <main className="start-page">
                <form onSubmit={(event) => void send(event)} noValidate>
                    <h1>{start.name}</h1>
                    <p className="say">
                        <Explained text={start.say} />
                    </p>
                    {askedFields(start, values).map((field) => (
                        <Asked
                            key={field.id}
                            field={field}
                            number={numberOf(start, field.id)}
                            value={valueOf(field, values)}
                            problem={problems[field.id]}
                            onFocus={() => setAt(field.id)}
                            onChange={(value) => enter(field.id, value)}
                        />
                    ))}
                    <BookAndName books={start.rulebooks} book={book} name={name} onBook={setBook} onName={setName} />
                    <p className="start-acts">
                        <button type="submit" className="main-act" disabled={isBusy}>
                            {t`Start the job`}
                        </button>
                        <Link className="plain" to="/start">
                            {t`Another task`}
                        </Link>
                        <Link className="plain" to={`/start/${start.id}/paper`}>
                            {t`On paper, to take along`}
                        </Link>
                    </p>
                    {(problem || problems['']) && (
                        <p className="problem" role="alert">
                            <Shape kind="stop" size={16} /> {problem || problems['']}
                        </p>
                    )}
                </form>
                <aside aria-label={t`What comes of it`}>
                    <StartPicture strokes={start.strokes} at={at} number={(field) => numberOf(start, field)} />
                    {made.isError && (
                        <p className="problem" role="alert">
                            {made.error.message}
                        </p>
                    )}
                    {made.data && <Comes answer={made.data.answer} isCurrent={isCurrent} />}
                    <HowTosOf start={start} />
                </aside>
            </main>
        </div>
    );
}

interface BookAndNameProps {
    books: { key: string; name: string }[];
    book: string;
    name: string;
    onBook: (book: string) => void;
    onName: (name: string) => void;
}

function BookAndName({ books, book, name, onBook, onName }: BookAndNameProps) {
    return (
        <>
            <label className="start-field">
                <b>{t`Rulebook`}</b>
                <select id="start-rulebook" value={book} onChange={(event) => onBook(event.target.value)}>
                    {books.map((one) => (
                        <option key={one.key} value={one.key}>
                            {one.name}
                        </option>
                    ))}
                </select>
            </label>
            <label className="start-field">
                <b>{t`Name the job`}</b>
                <input
                    id="start-name"
                    value={name}
                    maxLength={120}
                    autoComplete="off"
                    onChange={(event) => onName(event.target.value)}
                />
            </label>
        </>
    );
}

/** The drawing, what is cut or joined, and what stands against it. */
function Comes({ answer, isCurrent }: { answer: StartAnswer; isCurrent: boolean }) {
    const { drawing, says, against, later } = answer;
    return (
        <div className={isCurrent ? 'start-comes' : 'start-comes stale'} aria-live="polite">
            {drawing && <MiniFallLine run={drawing} fill={answer.drawn_fill} width={420} height={150} />}
            {says.length > 0 && (
                <ul className="start-says">
                    {says.map((line) => (
                        <li key={line}>{line}</li>
                    ))}
                </ul>
            )}
            {against.length > 0 && (
                <ul className="start-against">
                    {against.map((one) => (
                        <li key={one.title}>
                            <Shape kind={one.severity} size={15} /> {one.title}
                        </li>
                    ))}
                </ul>
            )}
            {later.length > 0 && <p className="cap">{t`To measure later: ${later.join('; ')}.`}</p>}
        </div>
    );
}
