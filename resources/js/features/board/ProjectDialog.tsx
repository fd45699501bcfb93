import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { reasonOf } from '../../api/client';
import { putIntoProject } from '../../api/queries';
import type { BoardPage } from '../../api/types';
import { FormActs } from '../../shared/FormActs';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';

interface Props {
    job: { id: string; name: string; project: string };
    projects: BoardPage['projects'];
    onClose: () => void;
}

/** What a job belongs to: one that is there, or a new one by its name. */
export function ProjectDialog({ job, projects, onClose }: Props) {
    const client = useQueryClient();
    const [problem, setProblem] = useState<string | null>(null);
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const result = await putIntoProject(job.id, formText(new FormData(event.currentTarget), 'project').trim());
        if (!result.ok) {
            setProblem(reasonOf(result));
            return;
        }
        onClose();
        await client.invalidateQueries({ queryKey: ['jobs'] });
    };
    return (
        <Modal show onHide={onClose} aria-labelledby="project-title">
            <Modal.Body>
                <h2 id="project-title">{t`What ${job.name} belongs to`}</h2>
                <p className="say">{t`Jobs of one site, such as its dwellings, are found together by its name.`}</p>
                <Form onSubmit={(event) => void submit(event)}>
                    <Form.Group controlId="project-name">
                        <Form.Label>{t`Project; empty: none`}</Form.Label>
                        <Form.Control
                            name="project"
                            defaultValue={job.project}
                            list="projects"
                            maxLength={80}
                            autoComplete="off"
                            autoFocus
                        />
                        <datalist id="projects">
                            {projects.map(({ name }) => (
                                <option key={name} value={name} />
                            ))}
                        </datalist>
                    </Form.Group>
                    <Problem text={problem} />
                    <FormActs leave={t`Cancel`} onLeave={onClose} send={t`Save`} />
                </Form>
            </Modal.Body>
        </Modal>
    );
}
