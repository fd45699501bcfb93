import { t } from '@lingui/core/macro';
import { useRef, useState, type FormEvent } from 'react';
import { startJob } from '../../api/queries';
import { Shape } from '../../shared/Shape';
import { useChoices } from '../../shared/useChoices';

interface Props {
    onStarted: (id: string) => void;
    /** takes job files */
    onFiles: (files: File[]) => void;
}

/** A new job: its name, its units and its rulebook; or one from a file. */
export function NewJob({ onStarted, onFiles }: Props) {
    const [name, setName] = useState('');
    const books = useChoices().rulebooks;
    const [book, setBook] = useState(0);
    const [problem, setProblem] = useState<string | null>(null);
    const file = useRef<HTMLInputElement>(null);

    const start = async (event: FormEvent): Promise<void> => {
        event.preventDefault();
        if (name.trim() === '') {
            setProblem(t`Say what the job is called.`);
            return;
        }
        const { units, key } = books[book] ?? { units: 'inch', key: '' };
        const result = await startJob({ name: name.trim(), place: '', units, rulebook: key });
        if (result.ok) onStarted(result.data.id);
        else setProblem(result.message);
    };

    const take = (chosen: FileList | null): void => {
        onFiles([...(chosen ?? [])]);
        if (file.current) file.current.value = '';
    };

    return (
        <form className="new-job" onSubmit={(event) => void start(event)}>
            <label className="lab" htmlFor="new-job">
                <b>{t`New job`}</b>
                <span className="cap">{t`Name the job`}</span>
            </label>
            <input
                id="new-job"
                value={name}
                onChange={(event) => setName(event.target.value)}
                placeholder={t`what is it called, and where`}
                maxLength={120}
                autoComplete="off"
            />
            <fieldset>
                <legend className="unseen">{t`Units and rulebook`}</legend>
                {books.map(({ units, key, name: bookName }, i) => (
                    <label key={`${units} ${key}`} className={i === book ? 'on' : ''}>
                        <input
                            type="radio"
                            name="book"
                            className="unseen"
                            checked={i === book}
                            onChange={() => setBook(i)}
                        />
                        <b>{units === 'inch' ? t`inches` : t`mm`}</b>
                        <span className="cap">{bookName}</span>
                    </label>
                ))}
            </fieldset>
            <button type="submit" className="main-act">
                {t`Start the job`}
            </button>
            <button type="button" className="plain from-file" onClick={() => file.current?.click()}>
                {t`From a file`}
            </button>
            <input
                ref={file}
                type="file"
                className="unseen"
                accept=".json,application/json"
                multiple
                tabIndex={-1}
                aria-label={t`Job file`}
                onChange={(event) => take(event.target.files)}
            />
            {problem && (
                <p className="problem" role="alert">
                    <Shape kind="stop" size={16} /> {problem}
                </p>
            )}
        </form>
    );
}
