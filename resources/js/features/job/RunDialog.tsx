import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import type { JobDocument, JobRun, Units } from '../../api/types';
import { systemsQuery } from '../../api/queries';
import { FormActs } from '../../shared/FormActs';
import { formText } from '../../shared/formText';
import { saidLength } from '../../shared/lengths';
import { Choice } from '../../shared/Choice';
import { LengthField } from '../../shared/LengthField';
import { EndFields } from './EndFields';
import { readOr } from '../../shared/formLength';
import { readEnd, Unreadable } from './ends';
import type { JobEditor } from '../../editing';

interface Props {
    editor: JobEditor;
    /** the run to change; none for a new one */
    plan: JobRun | undefined;
    onClose: () => void;
    onNew: (id: string) => void;
}

const HEADINGS = [
    [0, 'north'],
    [90, 'east'],
    [180, 'south'],
    [270, 'west'],
] as const;

/** Where a run starts and ends, of what pipe it is, and how its ends were levelled. */
export function RunDialog({ editor, plan, onClose, onNew }: Props) {
    const { document, evaluation } = editor;
    const [system, setSystem] = useState<string>(
        plan?.system ?? (evaluation.rulebook.id === 'adh-2015' ? 'pp-push-fit' : 'pvc-dwv-40'),
    );
    const level = plan?.level_difference_mm;

    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const id = plan?.id ?? freeId([...document.runs.map((run) => run.id), ...editor.site.runs]);
        const read = await readRun(form, document, plan, evaluation.units);
        if (typeof read === 'string') {
            window.document.getElementById(read)?.focus();
            return;
        }
        const next: JobRun = { ...read, id, system: system as JobRun['system'] };
        editor.change((old) => ({
            ...old,
            runs: plan ? old.runs.map((run) => (run.id === next.id ? next : run)) : [...old.runs, next],
        }));
        onClose();
        if (!plan) onNew(next.id);
    };

    return (
        <Modal show onHide={onClose} aria-labelledby="run-title">
            <Modal.Body>
                <h2 id="run-title">{plan ? t`This run` : t`A new run`}</h2>
                <Form onSubmit={(event) => void submit(event)} className="run-form">
                    <NameAndEnds plan={plan} document={document} units={evaluation.units} />
                    <PipeAndSize plan={plan} system={system} onSystem={setSystem} />
                    <PlaceAndUse plan={plan} />
                    <LengthField
                        id="run-level"
                        name="level"
                        label={t`Tie-in below outlet, center to center`}
                        help={t`levelled on site; leave empty if not yet`}
                        units={evaluation.units}
                        start={level === undefined ? '' : saidLength(level, evaluation.units)}
                    />
                    <FormActs leave="Cancel" onLeave={onClose} send={plan ? t`Keep` : t`Start the run`} />
                </Form>
            </Modal.Body>
        </Modal>
    );
}

interface PartProps {
    plan: JobRun | undefined;
}

/** What a run is called, what it starts from and what it ties in to. */
function NameAndEnds({ plan, document, units }: PartProps & { document: JobDocument; units: Units }) {
    return (
        <>
            <Form.Group controlId="run-name" className="whole">
                <Form.Label>{t`What it is called`}</Form.Label>
                <Form.Control
                    name="name"
                    defaultValue={plan?.name}
                    placeholder={t`Lavatory to stack`}
                    required
                    maxLength={120}
                    autoFocus
                />
            </Form.Group>
            <Form.Group controlId="run-outlet">
                <Form.Label>{t`It starts from`}</Form.Label>
                <Form.Control
                    name="outlet"
                    defaultValue={plan?.outlet.what}
                    placeholder={t`lavatory trap`}
                    required
                    maxLength={80}
                />
            </Form.Group>
            <EndFields side="outlet" plan={plan} document={document} units={units} />
            <Form.Group controlId="run-tie-in">
                <Form.Label>{t`It ties in to`}</Form.Label>
                <Form.Control
                    name="tie_in"
                    defaultValue={plan?.tie_in.what}
                    placeholder={t`stack stub`}
                    required
                    maxLength={80}
                />
            </Form.Group>
            <EndFields side="tie_in" plan={plan} document={document} units={units} />
        </>
    );
}

/** Of what pipe it is. */
function PipeAndSize({ plan, system, onSystem }: PartProps & { system: string; onSystem: (key: string) => void }) {
    const systems = useQuery(systemsQuery).data?.systems.filter((one) => one.laid) ?? [];
    const sizes = systems.find((one) => one.key === system)?.laid_sizes ?? [plan?.size ?? '2'];
    return (
        <>
            <Form.Group controlId="run-system">
                <Form.Label>{t`Pipe`}</Form.Label>
                <Form.Select value={system} onChange={(event) => onSystem(event.target.value)}>
                    {systems.map((one) => (
                        <option key={one.key} value={one.key}>
                            {one.name}
                        </option>
                    ))}
                </Form.Select>
            </Form.Group>
            <Choice
                key={`${system} ${sizes.length}`}
                id="run-size"
                name="size"
                label={
                    system.endsWith('-40') || system.startsWith('ci-') || system.includes('sdr')
                        ? t`Size in inches`
                        : t`Size in millimeters`
                }
                start={plan && sizes.includes(plan.size) ? plan.size : sizes.includes('2') ? '2' : sizes[0]}
                options={sizes.map((size) => [size, size])}
            />
        </>
    );
}

/** The four, and the one that a run of a file faces beside them. */
function headings(now: number): [string, string][] {
    const four = HEADINGS.map(([deg, name]): [string, string] => [String(deg), name]);
    return four.some(([deg]) => deg === String(now)) ? four : [...four, [String(now), t`${now}° from north`]];
}

/** Where its joints are, what it carries, and which way its outlet faces. */
function PlaceAndUse({ plan }: PartProps) {
    return (
        <>
            <Choice
                id="run-ground"
                name="ground"
                label={t`Its joints are`}
                start={plan?.place?.ground}
                options={[
                    ['above', t`above ground`],
                    ['buried', 'buried'],
                ]}
            />
            <Choice
                id="run-access"
                name="access"
                label={t`and afterward`}
                start={plan?.place?.access}
                options={[
                    ['open', t`in the open`],
                    ['panel', t`behind an opening`],
                    ['concealed', t`closed in for good`],
                ]}
            />
            <Form.Check
                id="run-line"
                name="line"
                className="whole"
                label={t`It ends where the building drain meets the sewer`}
                defaultChecked={plan?.place?.at_drain_sewer_line ?? false}
            />
            <Choice
                id="run-use"
                name="use"
                label={t`It carries`}
                start={plan?.use}
                options={[
                    ['drain', t`more than one fixture`],
                    ['fixture-drain', t`one fixture`],
                    ['vent', t`air: it is a vent`],
                ]}
            />
            <Choice
                id="run-heading"
                name="heading"
                label={t`The outlet faces`}
                start={String(plan?.heading_deg ?? 0)}
                options={headings(plan?.heading_deg ?? 0)}
            />
        </>
    );
}

/** The run as the form has it; the id of the field where something cannot be read. */
async function readRun(
    form: FormData,
    document: JobDocument,
    plan: JobRun | undefined,
    units: Units,
): Promise<Omit<JobRun, 'system' | 'id'> | string> {
    const text = (key: string): string => formText(form, key).trim();
    const level = text('level');
    const levelMm = level === '' ? null : await readOr(level, plan?.level_difference_mm, units);
    if (level !== '' && levelMm === null) return 'run-level';
    let ends: Pick<JobRun, 'outlet' | 'tie_in'>;
    try {
        const [outlet, tie_in] = await Promise.all([
            readEnd(form, 'outlet', document, plan?.outlet, units),
            readEnd(form, 'tie_in', document, plan?.tie_in, units),
        ]);
        ends = { outlet, tie_in };
    } catch (error) {
        if (!(error instanceof Unreadable)) throw error;
        return error.field;
    }
    const { level_difference_mm: _, ...rest } = plan ?? { legs: [] };
    return {
        ...rest,
        name: text('name'),
        size: text('size') as JobRun['size'],
        use: text('use') as JobRun['use'],
        ...ends,
        place: {
            ground: text('ground') as 'above' | 'buried',
            access: text('access') as 'open' | 'panel' | 'concealed',
            ...(form.has('line') ? { at_drain_sewer_line: true } : {}),
        },
        heading_deg: Number(text('heading')),
        ...(levelMm === null ? {} : { level_difference_mm: levelMm }),
    };
}

function freeId(taken: string[]): string {
    for (let n = taken.length + 1; ; n++) if (!taken.includes(`run-${n}`)) return `run-${n}`;
}
