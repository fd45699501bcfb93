import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { repeatGroup } from '../../api/queries';
import { readLength } from '../../api/lengths';
import { FormActs } from '../../shared/FormActs';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import type { JobEditor } from '../../editing';
import { Problem } from '../../shared/Problem';

/** A run with all that meets it once more, further along what it enters, as it is or mirrored. */
export function RepeatDialog({ editor, run, onClose }: { editor: JobEditor; run: string; onClose: () => void }) {
    const [problem, setProblem] = useState('');
    const name = editor.evaluation.network.places.find((place) => place.run === run)?.name ?? run;
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const step = await readLength(formText(form, 'step'), editor.evaluation.units);
        if (!step.ok) {
            document.getElementById('repeat-step')?.focus();
            return;
        }
        const times = Number(formText(form, 'times'));
        const result = await repeatGroup(
            editor.job.id,
            editor.document,
            run,
            form.has('back') ? -step.data.mm : step.data.mm,
            times,
            form.has('mirrored'),
        );
        if (!result.ok) {
            setProblem(result.message);
            return;
        }
        editor.replace(result.data);
        onClose();
    };
    return (
        <Modal show onHide={onClose} aria-labelledby="repeat-title">
            <Modal.Body>
                <h2 id="repeat-title">{t`${name}, once more`}</h2>
                <p className="say">
                    <Trans>
                        With everything that enters it and every vent that leaves it. What it enters stays the same; the
                        copy stands further along.
                    </Trans>
                </p>
                <Form className="run-form" onSubmit={(event) => void submit(event)}>
                    <LengthField
                        id="repeat-step"
                        name="step"
                        label={t`How far along from the one before`}
                        units={editor.evaluation.units}
                        start=""
                        autoFocus
                    />
                    <Form.Group controlId="repeat-times">
                        <Form.Label>{t`How many`}</Form.Label>
                        <Form.Control name="times" type="number" min={1} max={50} defaultValue={1} required />
                    </Form.Group>
                    <Form.Check
                        id="repeat-mirrored"
                        name="mirrored"
                        label={t`Mirrored: east and west, left and right change places`}
                    />
                    <Form.Check id="repeat-back" name="back" label={t`Back toward the start`} />
                    <Problem text={problem} />
                    <FormActs leave="Cancel" onLeave={onClose} send="Add copies" />
                </Form>
            </Modal.Body>
        </Modal>
    );
}
