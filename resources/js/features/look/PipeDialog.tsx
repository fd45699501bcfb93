import { t } from '@lingui/core/macro';
import type { FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { readLength } from '../../api/lengths';
import type { JobStanding, Units } from '../../api/types';
import { FormActs } from '../../shared/FormActs';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import type { JobEditor } from '../../editing';
import { END_NAMES, freeStandingId } from './standingEdits';

interface Props {
    editor: JobEditor;
    pipe: JobStanding | undefined;
    onClose: () => void;
    onNew: (id: string) => void;
    onRemove: (id: string) => void;
}

/** What a standing pipe is called, how it ends, where that end is, and what is in the way. */
export function PipeDialog({ editor, pipe, onClose, onNew, onRemove }: Props) {
    const { units } = editor.evaluation;
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const text = (key: string): string => formText(form, key).trim();
        const level = text('level') === '' ? null : await readLength(text('level'), units);
        if (level && !level.ok) {
            document.getElementById('pipe-level')?.focus();
            return;
        }
        // What was measured of a pipe that is gone is not taken for another one's.
        const taken = [...(editor.document.standing ?? []).map((one) => one.id), ...Object.keys(editor.site.measured)];
        const next = pipeOf(form, pipe, pipe?.id ?? freeStandingId(taken), level?.data.mm);
        editor.change((old) => ({
            ...old,
            standing: pipe
                ? (old.standing ?? []).map((one) => (one.id === next.id ? next : one))
                : [...(old.standing ?? []), next],
        }));
        onClose();
        if (!pipe) onNew(next.id);
    };
    return (
        <Modal show onHide={onClose} aria-labelledby="pipe-title">
            <Modal.Body>
                <h2 id="pipe-title">{pipe ? pipe.name : t`A standing pipe`}</h2>
                <Form onSubmit={(event) => void submit(event)} className="run-form">
                    <PipeFields pipe={pipe} units={units} />
                    <FormActs leave="Cancel" onLeave={onClose} send={pipe ? t`Keep` : t`Add it`}>
                        {pipe && (
                            <button
                                type="button"
                                className="plain"
                                onClick={() => {
                                    onRemove(pipe.id);
                                    onClose();
                                }}
                            >
                                {t`Take it out`}
                            </button>
                        )}
                    </FormActs>
                </Form>
            </Modal.Body>
        </Modal>
    );
}

function PipeFields({ pipe, units }: { pipe: JobStanding | undefined; units: Units }) {
    return (
        <>
            <Form.Group controlId="pipe-name">
                <Form.Label>{t`What you call it`}</Form.Label>
                <Form.Control
                    name="name"
                    defaultValue={pipe?.name}
                    placeholder={t`stub on the stack`}
                    required
                    maxLength={80}
                    autoFocus
                />
            </Form.Group>
            <Form.Group controlId="pipe-end">
                <Form.Label>{t`It ends in`}</Form.Label>
                <Form.Select name="end" defaultValue={pipe?.end ?? 'plain'}>
                    {END_NAMES.map(([key, name]) => (
                        <option key={key} value={key}>
                            {name}
                        </option>
                    ))}
                </Form.Select>
            </Form.Group>
            <Form.Group controlId="pipe-at" className="whole">
                <Form.Label>{t`Where its center is`}</Form.Label>
                <Form.Control
                    name="at"
                    defaultValue={pipe?.at}
                    placeholder={t`cellar, 62 in from the corner`}
                    maxLength={200}
                />
            </Form.Group>
            <Form.Group controlId="pipe-faces">
                <Form.Label>{t`Which way it points`}</Form.Label>
                <Form.Control name="faces" defaultValue={pipe?.faces} placeholder={t`west`} maxLength={80} />
            </Form.Group>
            <LengthField
                id="pipe-level"
                name="level"
                label={t`Its center over the mark of the job`}
                help={t`levelled on site; leave empty if not yet`}
                units={units}
                start={
                    pipe?.level_mm === undefined ? '' : units === 'mm' ? String(pipe.level_mm) : `${pipe.level_mm} mm`
                }
            />
            <Form.Group controlId="pipe-way" className="whole">
                <Form.Label>{t`What is in the way`}</Form.Label>
                <Form.Control
                    name="in_the_way"
                    defaultValue={pipe?.in_the_way}
                    placeholder={t`joists, pipes, buried services`}
                    maxLength={300}
                />
            </Form.Group>
            <Form.Check
                id="pipe-fixed"
                name="fixed"
                className="whole"
                label={t`It cannot be moved along its axis`}
                defaultChecked={pipe?.fixed ?? true}
            />
            <Form.Check
                id="pipe-vent"
                name="vent"
                className="whole"
                label={t`From here up it is only a vent: open to the air, and nothing discharges into it`}
                defaultChecked={pipe?.vent ?? false}
            />
        </>
    );
}

/** The pipe as the form has it. */
function pipeOf(form: FormData, pipe: JobStanding | undefined, id: string, levelMm: number | undefined): JobStanding {
    const text = (key: string): string => formText(form, key).trim();
    const {
        at: _,
        faces: __,
        level_mm: ___,
        in_the_way: ____,
        vent: _____,
        ...rest
    } = pipe ?? ({} as Partial<JobStanding>);
    return {
        ...rest,
        id,
        name: text('name'),
        end: text('end') as JobStanding['end'],
        fixed: form.has('fixed'),
        how: pipe?.how ?? 'guessed',
        ...(text('at') ? { at: text('at') } : {}),
        ...(text('faces') ? { faces: text('faces') } : {}),
        ...(levelMm === undefined ? {} : { level_mm: levelMm }),
        ...(text('in_the_way') ? { in_the_way: text('in_the_way') } : {}),
        ...(form.has('vent') ? { vent: true } : {}),
    };
}
