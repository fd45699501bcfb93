import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { reasonOf } from '../../api/client';
import { copyOfJob } from '../../api/queries';
import { FormActs } from '../../shared/FormActs';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';

interface Props {
    job: { id: string; name: string };
    onClose: () => void;
    onCopied: (id: string) => void;
}

/** A copy of a job to begin another with: its plan, and nothing of what was done. */
export function CopyDialog({ job, onClose, onCopied }: Props) {
    const [problem, setProblem] = useState<string | null>(null);
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const result = await copyOfJob(job.id, formText(new FormData(event.currentTarget), 'name').trim());
        if (result.ok) onCopied(result.data.id);
        else setProblem(reasonOf(result));
    };
    return (
        <Modal show onHide={onClose} aria-labelledby="copy-title">
            <Modal.Body>
                <h2 id="copy-title">{t`A copy of ${job.name}`}</h2>
                <p className="say">
                    <Trans>
                        It has the same pipes, runs and settings. Nothing of it is cut, joined, tested or signed.
                    </Trans>
                </p>
                <Form onSubmit={(event) => void submit(event)}>
                    <Form.Group controlId="copy-name">
                        <Form.Label>{t`Name of the new job`}</Form.Label>
                        <Form.Control
                            name="name"
                            defaultValue={t`${job.name}, copy`.slice(0, 120)}
                            maxLength={120}
                            autoComplete="off"
                            autoFocus
                            onFocus={(event) => event.target.select()}
                        />
                    </Form.Group>
                    <Problem text={problem} />
                    <FormActs leave="Cancel" onLeave={onClose} send="Make the copy" />
                </Form>
            </Modal.Body>
        </Modal>
    );
}
