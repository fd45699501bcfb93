import { t } from '@lingui/core/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import { reasonOf, type Result } from '../../api/client';
import { amendmentsQuery, dropAmendments, keepAmendments } from '../../api/queries';
import type { Amendments, KeptAmendments } from '../../api/types';
import { formText } from '../../shared/formText';
import { dayIn } from '../../shared/locale';
import { Problem } from '../../shared/Problem';
import { saveFile } from '../../shared/saveFile';
import { useChoices } from '../../shared/useChoices';

const FORMAT = 'fall-bend-amendments';

/** What a town or an inspector has otherwise than a book: small named books over books, with who said so and when. */
export function AmendmentsList() {
    const kept = useQuery(amendmentsQuery);
    const client = useQueryClient();
    const [problem, setProblem] = useState<string | null>(null);
    const done = async (result: Result<unknown>): Promise<boolean> => {
        setProblem(result.ok ? null : reasonOf(result));
        if (result.ok) await client.invalidateQueries({ queryKey: ['amendments'] });
        return result.ok;
    };
    const keep = async (said: unknown): Promise<boolean> => done(await keepAmendments(said as Amendments));
    const drop = async (id: number): Promise<boolean> => done(await dropAmendments(id));
    const takeIn = async (file: File | undefined): Promise<void> => {
        if (!file) return;
        const said = amendmentsIn(await file.text());
        if (typeof said === 'string') setProblem(said);
        else await keep(said);
    };
    return (
        <section aria-label={t`Local amendments`} className="amendments">
            <h2>{t`Local amendments`}</h2>
            <p className="say">
                {t`What a town or an inspector has otherwise than the book. A job says which holds for it.`}
            </p>
            {kept.data?.map((one) => (
                <AmendmentsRow key={one.id} kept={one} onDrop={() => void drop(one.id)} />
            ))}
            <Problem text={problem} />
            <NewAmendments onKeep={keep} />
            <label className="plain as-file">
                {t`Take some in from a file`}
                <input
                    type="file"
                    accept=".json,application/json"
                    className="unseen"
                    onChange={(event) => {
                        const input = event.currentTarget;
                        void takeIn(input.files?.[0]).then(() => (input.value = ''));
                    }}
                />
            </label>
        </section>
    );
}

function AmendmentsRow({ kept, onDrop }: { kept: KeptAmendments; onDrop: () => void }) {
    const { amendments: one, unusable } = kept;
    const books = useChoices().rulebooks;
    const book = books.find((other) => other.key === one.rulebook)?.name ?? one.rulebook;
    return (
        <div className="amendments-row">
            <span className="tagp">{one.rows.length}</span>
            <div>
                <b>{t`${one.name}, to ${book}`}</b>
                <p className="cap">{t`said by ${one.said_by} on ${dayIn(one.said_on)}; kept by ${kept.by}`}</p>
                {unusable !== null && <p className="problem">{t`They cannot be used now: ${unusable}.`}</p>}
            </div>
            <span className="acts">
                <button
                    type="button"
                    className="plain small"
                    aria-label={t`Save ${one.name} as a file`}
                    onClick={() =>
                        saveFile(
                            new Blob([amendmentsFile(one)], { type: 'application/json' }),
                            `${one.name}.amendments.json`,
                        )
                    }
                >
                    {t`Save as a file`}
                </button>
                <button
                    type="button"
                    className="plain small"
                    aria-label={t`Keep ${one.name} no longer`}
                    onClick={onDrop}
                >
                    {t`Remove`}
                </button>
            </span>
        </div>
    );
}

function NewAmendments({ onKeep }: { onKeep: (said: Amendments) => Promise<boolean> }) {
    const books = useChoices().rulebooks;
    const submit = (event: FormEvent<HTMLFormElement>): void => {
        event.preventDefault();
        const form = event.currentTarget;
        const text = (name: string): string => formText(new FormData(form), name).trim();
        const said = {
            name: text('name'),
            rulebook: text('rulebook'),
            said_by: text('said_by'),
            said_on: text('said_on'),
            rows: [],
        };
        void onKeep(said).then((isKept) => isKept && form.reset());
    };
    return (
        <details>
            <summary>{t`Name new ones`}</summary>
            <Form onSubmit={submit} className="run-form">
                <Form.Group controlId="amendments-name">
                    <Form.Label>{t`Where they hold`}</Form.Label>
                    <Form.Control name="name" maxLength={80} required autoComplete="off" />
                </Form.Group>
                <Form.Group controlId="amendments-book">
                    <Form.Label>{t`To which book`}</Form.Label>
                    <Form.Select name="rulebook">
                        {books.map((book) => (
                            <option key={book.key} value={book.key}>
                                {book.name}
                            </option>
                        ))}
                    </Form.Select>
                </Form.Group>
                <Form.Group controlId="amendments-by">
                    <Form.Label>{t`Who said so`}</Form.Label>
                    <Form.Control name="said_by" maxLength={120} required autoComplete="off" />
                </Form.Group>
                <Form.Group controlId="amendments-on">
                    <Form.Label>{t`On which day`}</Form.Label>
                    <Form.Control name="said_on" type="date" required />
                </Form.Group>
                <button type="submit" className="plain">
                    {t`Keep them`}
                </button>
            </Form>
        </details>
    );
}

/** The text of a file of amendments: what they are, and what it is a file of. */
export const amendmentsFile = (one: Amendments): string =>
    `${JSON.stringify({ format: FORMAT, version: 1, ...one }, null, 2)}\n`;

/** What stands in such a file, to be read by the server; what is wrong where it is none. */
export function amendmentsIn(text: string): Record<string, unknown> | string {
    let read: unknown;
    try {
        read = JSON.parse(text);
    } catch {
        return t`This is not a whole JSON file. Nothing was taken in.`;
    }
    if (typeof read !== 'object' || read === null || !('format' in read) || read.format !== FORMAT)
        return t`This is no file of amendments. Nothing was taken in.`;
    const { format, version, ...said } = read as Record<string, unknown>;
    void format;
    if (version !== 1) return t`These amendments are of a later version. Nothing was taken in.`;
    return said;
}
