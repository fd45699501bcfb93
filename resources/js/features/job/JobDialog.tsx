import { t } from '@lingui/core/macro';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import type { JobDocument } from '../../api/types';
import type { JobEditor } from '../../editing';
import { Choice } from '../../shared/Choice';
import { FormActs } from '../../shared/FormActs';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { bookOf, judgedBy, useBooks } from '../../shared/useBooks';

/** What the job is called, where it is, and in which units and by which rulebook it is judged. */
export function JobDialog({ editor, onClose }: { editor: JobEditor; onClose: () => void }) {
    const { document } = editor;
    const books = useBooks(document);
    const [problem, setProblem] = useState<string | null>(null);
    const submit = (event: FormEvent<HTMLFormElement>): void => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const name = formText(form, 'name').trim();
        if (name === '') {
            setProblem(t`Say what the job is called.`);
            window.document.getElementById('job-name')?.focus();
            return;
        }
        const book = books.find((one) => one.key === formText(form, 'rulebook'));
        editor.change((old) => ({
            ...(book ? judgedBy(old, book) : old),
            name,
            place: formText(form, 'place').trim(),
            units: formText(form, 'units') as JobDocument['units'],
        }));
        onClose();
    };
    return (
        <Modal show onHide={onClose} aria-labelledby="job-title">
            <Modal.Body>
                <h2 id="job-title">{t`This job`}</h2>
                <Form onSubmit={submit} className="run-form">
                    <Form.Group controlId="job-name" className="whole">
                        <Form.Label>{t`What it is called`}</Form.Label>
                        <Form.Control
                            name="name"
                            defaultValue={document.name}
                            maxLength={120}
                            autoComplete="off"
                            autoFocus
                            aria-invalid={problem !== null}
                        />
                    </Form.Group>
                    <Form.Group controlId="job-place" className="whole">
                        <Form.Label>{t`Where it is`}</Form.Label>
                        <Form.Control name="place" defaultValue={document.place} maxLength={120} autoComplete="off" />
                    </Form.Group>
                    <Choice
                        id="job-units"
                        name="units"
                        label={t`Lengths are said in`}
                        start={document.units}
                        options={[
                            ['inch', t`feet and inches`],
                            ['mm', 'millimetres'],
                        ]}
                    />
                    <Choice
                        id="job-rulebook"
                        name="rulebook"
                        label={t`It is judged by`}
                        start={bookOf(document)}
                        options={books.map((one): [string, string] => [one.key, one.name])}
                    />
                    <Problem text={problem} />
                    <FormActs leave="Cancel" onLeave={onClose} send="Save" />
                </Form>
            </Modal.Body>
        </Modal>
    );
}
