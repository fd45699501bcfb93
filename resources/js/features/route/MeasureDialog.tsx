import type { FormEvent } from 'react';
import Modal from 'react-bootstrap/Modal';
import { readLength } from '../../api/lengths';
import type { JobRun, RunReport, Units } from '../../api/types';
import { FormActs } from '../../shared/FormActs';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import type { JobEditor } from '../../editing';

interface Props {
    row: string;
    run: RunReport;
    editor: JobEditor;
    system: JobRun['system'];
    onClose: () => void;
}

/** A take-off measured on the fitting in hand, in place of the catalogue's. */
export function MeasureDialog({ row, run, editor, system, onClose }: Props) {
    const fitting = run.fittings.find((one) => one.row === row);
    const { units } = editor.evaluation;
    if (!fitting) return null;
    const straight = fitting.turn_deg === null;
    const fields = fieldsOf(fitting);

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
                        source: 'measured on the fitting in hand',
                    })),
                ],
            },
        }));
        onClose();
    };

    return (
        <Modal show onHide={onClose} aria-labelledby="measure-title">
            <Modal.Body>
                <h2 id="measure-title">
                    {fitting.size} {fitting.name}
                </h2>
                <p className="say">
                    {straight
                        ? 'Measure inside it, from one stop to the other.'
                        : 'Lay a straightedge along each axis; measure from where they cross to the stop inside the hub.'}
                </p>
                <p className="cap">
                    {fitting.known
                        ? `Catalogue: ${units === 'inch' ? `${fitting.take_off.inch} in` : `${fitting.take_off.metric} mm`}, ${fitting.source.status}, ${fitting.source.confidence} confidence. ${fitting.source.source}.`
                        : 'No table states it: nothing can be cut to it before.'}
                </p>
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
                    <FormActs leave="Leave as it was" onLeave={onClose} send="Use it in this job" isWhole={false} />
                </form>
            </Modal.Body>
        </Modal>
    );
}

/** What is measured of a fitting, by its field: what is said of it. */
function fieldsOf(fitting: RunReport['fittings'][number]): [string, string][] {
    const straight = fitting.turn_deg === null;
    return fitting.branch
        ? [
              ['run_in_mm', 'Up the run, from where the axes cross to the stop'],
              ['run_out_mm', 'Down the run, to the stop'],
              ['branch_mm', 'Along the branch, to the stop'],
          ]
        : [
              [
                  !straight ? 'take_off_mm' : fitting.pattern === 'bushing' ? 'offset_mm' : 'stop_mm',
                  straight ? 'Stop to stop' : 'Centre to stop',
              ],
          ];
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
