import { t } from '@lingui/core/macro';
import type { FormEvent } from 'react';
import Modal from 'react-bootstrap/Modal';
import { readLength } from '../../api/lengths';
import type { Units } from '../../api/types';
import { FormActs } from '../../shared/FormActs';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import type { JobEditor } from '../../editing';
import type { ToMeasure } from './toMeasure';

interface Props {
    fitting: ToMeasure;
    editor: JobEditor;
    onClose: () => void;
}

/** A length measured on the fitting in hand, in place of the catalogue's. */
export function MeasureDialog({ fitting, editor, onClose }: Props) {
    const { system, row, fields } = fitting;
    const { units } = editor.evaluation;

    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const measured = await readMeasured(
            form,
            fields.map(([field]) => field),
            units,
        );
        if (typeof measured === 'string') {
            (document.getElementById(`measured-${measured}`) ?? document.getElementById('measured'))?.focus();
            return;
        }
        if (measured.length === 0) {
            document.getElementById('measured')?.focus();
            return;
        }
        editor.change((old) => ({
            ...old,
            overrides: {
                ...old.overrides,
                catalogue: [
                    ...(old.overrides?.catalogue ?? []).filter(
                        (one) =>
                            one.table !== system || one.row !== row || !measured.some(([field]) => field === one.field),
                    ),
                    ...measured.map(([field, value]) => ({
                        table: system,
                        row,
                        field,
                        value,
                        source: t`measured on the fitting in hand`,
                    })),
                ],
            },
        }));
        onClose();
    };

    return (
        <Modal show onHide={onClose} aria-labelledby="measure-title">
            <Modal.Body>
                <h2 id="measure-title">{fitting.name}</h2>
                <p className="say">
                    {fitting.isStraight
                        ? t`Measure inside it, from one stop to the other.`
                        : t`Lay a straightedge along each axis; measure from where they cross to the stop in the hub.`}
                </p>
                <p className="cap">{fitting.said}</p>
                <form onSubmit={(event) => void submit(event)}>
                    {fields.map(([field, label], i) => (
                        <LengthField
                            key={field}
                            id={i === 0 ? 'measured' : `measured-${field}`}
                            name={field}
                            label={label}
                            units={units}
                            start=""
                            autoFocus={i === 0}
                        />
                    ))}
                    <FormActs leave="Cancel" onLeave={onClose} send="Use it in this job" isWhole={false} />
                </form>
            </Modal.Body>
        </Modal>
    );
}

/** What is entered, in mm by field; a text: the field that cannot be read. Of several, an empty one stays as it was. */
async function readMeasured(form: FormData, fields: string[], units: Units): Promise<[string, number][] | string> {
    const measured: [string, number][] = [];
    for (const field of fields) {
        const said = formText(form, field).trim();
        if (said === '' && fields.length > 1) continue;
        const result = await readLength(said, units);
        if (!result.ok || result.data.mm < 0) return field;
        measured.push([field, result.data.mm]);
    }
    return measured;
}
