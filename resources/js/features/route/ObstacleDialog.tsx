import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import type { JobObstacle, LegReport, Units } from '../../api/types';
import { FormActs } from '../../shared/FormActs';
import { formLengths } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import type { JobEditor } from '../../editing';
import { freeObstacleId, OBSTACLES } from './obstacleWords';

const LENGTHS = ['at', 'every', 'depth', 'top', 'span', 'bearing', 'allowed', 'gap', 'length'] as const;

/** A form for what a leg goes through or past. */
export function ObstacleDialog({
    leg,
    run,
    editor,
    onClose,
}: {
    leg: LegReport;
    run: string;
    editor: JobEditor;
    onClose: () => void;
}) {
    const [kind, setKind] = useState<JobObstacle['kind']>('joist');
    const { units } = editor.evaluation;
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const read = await formLengths(form, LENGTHS, units, (name) => name === 'at').catch(() => null);
        if (read === null) return;
        const obstacle = obstacleOf(form, read, {
            id: freeObstacleId(editor.document.obstacles ?? []),
            kind,
            run,
            leg: leg.id,
        });
        editor.change((old) => ({ ...old, obstacles: [...(old.obstacles ?? []), obstacle] }));
        onClose();
    };
    return (
        <Modal show onHide={onClose} aria-labelledby="obstacle-title">
            <Modal.Body>
                <h2 id="obstacle-title">{t`Leg ${leg.number} goes through`}</h2>
                <Form className="run-form" onSubmit={(event) => void submit(event)}>
                    <Form.Group controlId="obstacle-kind">
                        <Form.Label>{t`What`}</Form.Label>
                        <Form.Select
                            value={kind}
                            onChange={(event) => setKind(event.target.value as JobObstacle['kind'])}
                            autoFocus
                        >
                            {OBSTACLES.map((one) => (
                                <option key={one.kind} value={one.kind}>
                                    {one.name}
                                </option>
                            ))}
                        </Form.Select>
                    </Form.Group>
                    <Form.Group controlId="obstacle-what">
                        <Form.Label>{t`Called`}</Form.Label>
                        <Form.Control name="what" maxLength={80} placeholder={t`joist, 2 × 10`} />
                    </Form.Group>
                    <ObstacleFields kind={kind} units={units} />
                    <p className="say whole">
                        <Trans>
                            Structural lumber: ask before cutting. The product advises; the engineer and the local code
                            decide.
                        </Trans>
                    </p>
                    <FormActs leave="Leave it" onLeave={onClose} send="Keep" />
                </Form>
            </Modal.Body>
        </Modal>
    );
}

type Lengths = Record<(typeof LENGTHS)[number], number | null>;

/** What stands in the way, as the form has it. */
function obstacleOf(
    form: FormData,
    read: Lengths,
    place: Pick<JobObstacle, 'id' | 'kind' | 'run' | 'leg'>,
): JobObstacle {
    const count = Number(formText(form, 'count') || '1');
    return {
        ...place,
        what: formText(form, 'what').trim(),
        at_mm: read.at ?? 0,
        ...(read.every !== null && count > 1 ? { every_mm: read.every, count } : {}),
        ...(read.depth === null ? {} : { depth_mm: read.depth }),
        ...(read.top === null ? {} : { top_mm: read.top }),
        ...(read.span === null ? {} : { span_mm: read.span }),
        ...(read.bearing === null ? {} : { bearing_mm: read.bearing }),
        ...(read.allowed === null ? {} : { allowed_mm: read.allowed }),
        ...(read.gap === null ? {} : { gap_mm: read.gap }),
        ...(read.length === null ? {} : { length_mm: read.length }),
        ...(formText(form, 'cut') === 'notch' ? { cut: 'notch' as const } : {}),
        ...(form.has('bearing_wall') ? { bearing: true } : {}),
        ...(form.has('rated') ? { rated: true } : {}),
        ...(form.has('sealed') ? { sealed: true } : {}),
    };
}

/** What is measured of it, each kind its own. */
function ObstacleFields({ kind, units }: { kind: JobObstacle['kind']; units: Units }) {
    const fields = OBSTACLES.find((one) => one.kind === kind)?.fields ?? [];
    const length = (name: (typeof LENGTHS)[number], label: string, help?: string) => (
        <LengthField
            key={name}
            id={`obstacle-${name}`}
            name={name}
            label={label}
            units={units}
            start=""
            {...(help ? { help } : {})}
        />
    );
    return (
        <>
            {length('at', t`Along the leg, to the middle of the first`)}
            {fields.includes('every') && (
                <>
                    <Form.Group controlId="obstacle-count">
                        <Form.Label>{t`How many`}</Form.Label>
                        <Form.Control name="count" type="number" min={1} max={500} defaultValue={1} />
                    </Form.Group>
                    {length('every', t`From one to the next`)}
                </>
            )}
            {fields.includes('depth') &&
                length('depth', kind === 'stud' || kind === 'plate' ? t`Its width, across the wall` : t`Its depth`)}
            {fields.includes('top') &&
                length(
                    'top',
                    kind === 'stud'
                        ? t`From its face to the middle of the pipe`
                        : t`From its top down to the middle of the pipe`,
                )}
            {fields.includes('span') && length('span', t`Its span`)}
            {fields.includes('bearing') && length('bearing', t`From the nearer bearing`)}
            {fields.includes('allowed') && length('allowed', t`Largest hole that its maker allows there`)}
            {fields.includes('gap') && length('gap', t`Distance from the pipe`)}
            {fields.includes('length') && length('length', t`How long the stretch is`)}
            {fields.includes('cut') && (
                <Form.Group controlId="obstacle-cut">
                    <Form.Label>{t`It is`}</Form.Label>
                    <Form.Select name="cut">
                        <option value="hole">{t`drilled`}</option>
                        <option value="notch">{t`notched`}</option>
                    </Form.Select>
                </Form.Group>
            )}
            {fields.includes('bearing_wall') && (
                <Form.Check id="obstacle-bearing-wall" name="bearing_wall" label={t`In a bearing wall`} />
            )}
            {fields.includes('rated') && <Form.Check id="obstacle-rated" name="rated" label={t`Rated for fire`} />}
            {fields.includes('rated') && (
                <Form.Check id="obstacle-sealed" name="sealed" label={t`Sealed by a listed system`} />
            )}
        </>
    );
}
