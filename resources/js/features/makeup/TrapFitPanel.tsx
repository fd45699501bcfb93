import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { reasonOf } from '../../api/client';
import { systemsQuery, trapFit } from '../../api/queries';
import type { JobDocument, TrapFitInput, TrapFitOutput, Units } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { TrapFitDrawing } from '../../drawing/trapfit/TrapFitDrawing';
import { TrapOverFloorDrawing } from '../../drawing/trapfit/TrapOverFloorDrawing';
import { FindingLines } from '../../shared/FindingLines';
import { formLengths } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { LengthField } from '../../shared/LengthField';
import { lengthInWords, saidLength } from '../../shared/lengths';
import { RestsOn } from '../../shared/SourceTap';
import { pairs, useChoices } from '../../shared/useChoices';
import type { JobEditor } from '../../editing';
import { CutList } from './CutList';
import { KeepMeasures } from './KeepMeasures';
import { given, ownNumbers, type MoveOf, type ValuesOf } from './moves';
import { useReckoning } from './useReckoning';

const USUAL = {
    inch: { system: 'pvc-dwv-40', size: '1-1/2' },
    mm: { system: 'pvcu-solvent', size: '32' },
};

const SIZES = { inch: ['1-1/4', '1-1/2', '2', '3', '4'], mm: ['32', '40', '50', '110'] };

type Values = ValuesOf<'trap-fit'>;
type Mm = Exclude<{ [Key in keyof Values]-?: Key extends `${string}_mm` ? Key : never }[keyof Values], undefined>;

interface Into {
    system: string;
    size: string;
}

interface Props {
    /** pipe of the run; undefined where there is none: then what the outlet is of is asked, too */
    into: Into | undefined;
    editor: JobEditor;
    run: string | undefined;
    /** a kept move that is open */
    opened: MoveOf<'trap-fit'> | null;
    onKept: (id: string | null) => void;
}

/** A trap between a tailpiece and an outlet: what was measured, what to cut, whether it may be, and the steps. */
export function TrapFitPanel({ editor, run, into, opened, onKept }: Props) {
    const { units } = editor.evaluation;
    const system = opened?.values.outlet_system ?? into?.system ?? USUAL[units].system;
    const size = opened?.values.outlet_size ?? into?.size ?? USUAL[units].size;
    const { reckoned, problem, onSubmit } = useReckoning(
        (form) => read(form, units),
        (values) => ask(values, editor.document, { system: values.outlet_system ?? system, size }),
        opened?.values,
    );
    return (
        <div className={opened ? 'cut-in kept' : 'cut-in'}>
            <form className="mu-form" onSubmit={onSubmit}>
                {(into === undefined || opened?.values.outlet_system !== undefined) && (
                    <OutletSystem start={system} units={units} />
                )}
                <Measures start={opened?.values ?? {}} size={size} units={units} />
                <Problem text={problem} />
                <button type="submit" className="main-act">
                    {t`Fit it`}
                </button>
            </form>
            <div className="ci-answer">
                {reckoned ? (
                    <>
                        <Answer {...reckoned} units={units} />
                        <KeepMeasures
                            editor={editor}
                            run={run}
                            measured={{ kind: 'trap-fit', values: reckoned.values }}
                            opened={opened}
                            onKept={onKept}
                        />
                    </>
                ) : (
                    <p className="none">
                        <Trans>Set the trap together in the hand, and measure it: no table says how tall it is.</Trans>
                        {into && t` Into ${into.system}, as the run is.`}
                    </p>
                )}
            </div>
        </div>
    );
}

/** What the pipe in the wall or floor is of, where no run says so. */
function OutletSystem({ start, units }: { start: string; units: Units }) {
    const region = units === 'mm' ? 'uk' : 'us';
    const systems = (useQuery(systemsQuery).data?.systems ?? []).filter((one) => one.region === region);
    // What stands in it at first is among them only once they are fetched.
    return (
        systems.length > 0 && (
            <Pick name="outlet_system" label={t`The outlet is of`} options={pairs(systems)} start={start} />
        )
    );
}

function Pick({
    name,
    label,
    options,
    start,
}: {
    name: string;
    label: string;
    options: [string, string][];
    start: string | undefined;
}) {
    return (
        <label className="choice">
            <span className="cap">{label}</span>
            <select name={name} defaultValue={start}>
                {options.map(([value, text]) => (
                    <option key={value} value={value}>
                        {text}
                    </option>
                ))}
            </select>
        </label>
    );
}

function Measures({ start, size, units }: { start: Values; size: string; units: Units }) {
    const choices = useChoices();
    const sizes = SIZES[units].map((one): [string, string] => [one, one]);
    const [isFloor, setFloor] = useState(start.where === 'floor');
    const [vented, setVented] = useState(start.vented ?? false);
    const length = (key: Mm, label: string, help?: string, otherwise = '') => {
        const mm = start[key];
        const name = key.replace(/_mm$/, '');
        return (
            <LengthField
                id={`tf-${name.replace('_', '-')}`}
                name={name}
                label={label}
                units={units}
                start={mm === undefined ? otherwise : saidLength(mm, units)}
                {...(help === undefined ? {} : { help })}
            />
        );
    };
    return (
        <>
            <Pick name="fixture" label={t`Fixture`} options={pairs(choices.hung_trap_fixtures)} start={start.fixture} />
            <Pick name="pattern" label={t`Trap`} options={pairs(choices.hung_traps)} start={start.pattern} />
            <label className="choice">
                <span className="cap">{t`Outlet in the`}</span>
                <select
                    name="where"
                    value={isFloor ? 'floor' : 'wall'}
                    onChange={(event) => setFloor(event.target.value === 'floor')}
                >
                    <option>{t`wall`}</option>
                    <option>{t`floor`}</option>
                </select>
            </label>
            {isFloor && (
                <label className="check">
                    <input
                        name="vented"
                        type="checkbox"
                        checked={vented}
                        onChange={(event) => setVented(event.target.checked)}
                    />{' '}
                    {t`a vent goes up from a tee over it`}
                </label>
            )}
            <Pick name="tail_size" label={t`Tailpiece, size`} options={sizes} start={start.tail_size ?? size} />
            <Pick name="trap_size" label={t`Trap, size`} options={sizes} start={start.trap_size ?? size} />
            <Pick name="outlet_size" label={t`Outlet, size`} options={sizes} start={start.outlet_size ?? size} />
            {length('ahead_mm', isFloor ? t`Tailpiece to the outlet, across` : t`Tailpiece to the wall`)}
            {length('aside_mm', t`Outlet to the side`, undefined, '0')}
            {length(
                'down_mm',
                t`Outlet below the tailpiece`,
                isFloor ? t`its face, below the tailpiece's end` : t`its middle, below the tailpiece's end`,
            )}
            {length('tail_mm', t`Tailpiece, length`)}
            {length('tall_mm', t`Trap, how tall`, t`tailpiece's end to its outlet`)}
            {length('reach_mm', t`Trap, how far it reaches`)}
            {length('adjust_mm', t`It adjusts in height by`, t`where it is made to`, '0')}
            {length('elbow_mm', t`Its elbow, leg to stop`)}
            {length('depth_mm', isFloor ? t`Pipe goes into the outlet` : t`Tube goes into the wall`)}
            {length('seal_mm', t`Seal`)}
            {length('cabinet_mm', t`Floor of the cabinet, below the tailpiece`, t`where there is one`)}
            {isFloor && vented && (
                <>
                    {length('tee_branch_mm', t`Tee, crossing to the stop in its branch`, t`where the catalog has none`)}
                    {length('tee_out_mm', t`Tee, crossing to the stop below`, t`where the catalog has none`)}
                </>
            )}
        </>
    );
}

const NEEDED: Mm[] = ['ahead_mm', 'down_mm', 'tail_mm'];
const LENGTHS: Mm[] = [
    ...NEEDED,
    'aside_mm',
    'tall_mm',
    'reach_mm',
    'adjust_mm',
    'elbow_mm',
    'depth_mm',
    'seal_mm',
    'cabinet_mm',
    'tee_branch_mm',
    'tee_out_mm',
];

async function read(form: FormData, units: Units): Promise<Values> {
    const names = LENGTHS.map((key) => key.replace(/_mm$/, '')).filter((name) => form.has(name));
    const read = await formLengths(form, names, units, (name) => NEEDED.includes(`${name}_mm` as Mm));
    const values = Object.fromEntries(names.map((name) => [`${name}_mm`, read[name]]));
    return given<Values>({
        ...values,
        fixture: formText(form, 'fixture'),
        pattern: formText(form, 'pattern'),
        where: formText(form, 'where'),
        vented: form.has('vented') ? true : null,
        tail_size: formText(form, 'tail_size'),
        trap_size: formText(form, 'trap_size'),
        outlet_size: formText(form, 'outlet_size'),
        outlet_system: form.has('outlet_system') ? formText(form, 'outlet_system') : null,
    });
}

/** Measured from the outlet: the tailpiece hangs over it, in front of it and to its side. */
async function ask(values: Values, document: JobDocument, { system, size }: Into): Promise<TrapFitOutput> {
    const {
        ahead_mm = 0,
        aside_mm = 0,
        down_mm = 0,
        tall_mm,
        reach_mm,
        elbow_mm,
        seal_mm,
        adjust_mm,
        depth_mm,
        cabinet_mm,
    } = values;
    const floor = values.where === 'floor';
    const tee = given<{ branch_mm?: number; run_out_mm?: number }>({
        branch_mm: values.tee_branch_mm,
        run_out_mm: values.tee_out_mm,
    });
    const answer = await trapFit({
        fixture: (values.fixture ?? 'sink') as TrapFitInput['fixture'],
        rulebook: document.rulebook,
        ...ownNumbers(document),
        tailpiece: { at: [aside_mm, 0, down_mm], size: values.tail_size ?? size, length_mm: values.tail_mm ?? 0 },
        outlet: {
            at: [0, ahead_mm, 0],
            along: floor ? [0, 0, -1] : [0, 1, 0],
            system,
            size: values.outlet_size ?? size,
            ...given<{ depth_mm?: number; vented?: boolean }>({ depth_mm, vented: floor ? values.vented : null }),
            ...(floor && values.vented ? { tee } : {}),
        },
        trap: {
            pattern: (values.pattern ?? 'p') as TrapFitInput['trap']['pattern'],
            size: values.trap_size ?? size,
            ...given<Partial<TrapFitInput['trap']>>({ tall_mm, reach_mm, elbow_mm, seal_mm, adjust_mm }),
        },
        ...(cabinet_mm === undefined ? {} : { cabinet_floor_mm: down_mm - cabinet_mm }),
    });
    if (!answer.ok) throw new Error(reasonOf(answer));
    return answer.data;
}

function Answer({ answer, values, units }: { answer: TrapFitOutput; values: Values; units: Units }) {
    const words = (mm: number): string => lengthInWords(mm, units);
    const cut = (piece: string): TrapFitOutput['cuts'][number] | undefined =>
        answer.cuts.find((one) => one.piece === piece);
    const [tube, arm, riser] = [cut('wall-tube'), cut('arm'), cut('riser')];
    const change =
        answer.shorten_mm > 0
            ? t`shorten the tailpiece by ${words(answer.shorten_mm)}`
            : answer.extend_mm > 0
              ? t`extend the tailpiece by ${words(answer.extend_mm)}`
              : null;
    const {
        ahead_mm: ahead = 0,
        down_mm: down = 0,
        tall_mm: tall = 0,
        reach_mm: reach = 0,
        seal_mm: seal = null,
    } = values;
    const cuts = [
        { what: t`Wall tube, ${words(tube?.insertion_mm ?? 0)} of it in the wall`, of: tube },
        { what: t`Arm, stop to stop`, of: arm },
        { what: t`Riser, ${words(riser?.insertion_mm ?? 0)} of it in the outlet`, of: riser },
    ].flatMap(({ what, of }) => (of ? [{ what, said: words(of.length_mm) }] : []));
    return (
        <>
            <FindingLines findings={answer.findings} />
            {answer.fits && answer.findings.length === 0 && (
                <p className="ci-finding">
                    <Shape kind="done" size={18} />{' '}
                    <Trans>
                        It fits:{' '}
                        {change ?? (answer.riser_mm === null ? t`the heights meet` : t`the riser is cut to the height`)}
                        .
                    </Trans>
                </p>
            )}
            {answer.riser_mm !== null && answer.arm?.length_mm != null && answer.riser_mm > 0 && tall > 0 && (
                <TrapOverFloorDrawing
                    arm={answer.arm.length_mm}
                    riser={answer.riser_mm}
                    tall={tall}
                    reach={reach}
                    seal={seal}
                    said={{
                        arm: arm ? t`cut ${words(arm.length_mm)}` : null,
                        riser: riser ? t`cut ${words(riser.length_mm)}` : null,
                    }}
                />
            )}
            {answer.riser_mm === null && answer.arm?.length_mm != null && tall > 0 && (
                <TrapFitDrawing
                    ahead={ahead}
                    down={down}
                    tall={tall}
                    reach={reach}
                    seal={seal}
                    high={answer.extend_mm - answer.shorten_mm}
                    said={{ change, tube: tube ? t`cut ${words(tube.length_mm)}` : null }}
                />
            )}
            <CutList cuts={cuts} />
            <ul className="ci-steps">
                {answer.parts.map((part) => (
                    <li key={part.part}>
                        <b>{part.part}</b> {part.size}: {part.why}
                    </li>
                ))}
            </ul>
            <ol className="ci-steps">
                {answer.steps.map((one) => (
                    <li key={one.step}>{one.words}</li>
                ))}
            </ol>
            <RestsOn sources={answer.sources} />
        </>
    );
}
