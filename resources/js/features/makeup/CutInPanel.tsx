import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { reasonOf } from '../../api/client';
import { cutIn, systemsQuery } from '../../api/queries';
import type { CutInInput, CutInOutput, JobRun, Units } from '../../api/types';
import { CutInDrawing } from '../../drawing/cutin/CutInDrawing';
import { Shape } from '../../shared/Shape';
import { FindingLines } from '../../shared/FindingLines';
import { formLengths } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { LengthField } from '../../shared/LengthField';
import { lengthInWords, saidLength } from '../../shared/lengths';
import { RestsOn } from '../../shared/SourceTap';
import { useChoices } from '../../shared/useChoices';
import type { JobEditor } from '../../editing';
import { CutList } from './CutList';
import { KeepMeasures } from './KeepMeasures';
import { given, ownNumbers, type MoveOf, type ValuesOf } from './moves';
import { useReckoning } from './useReckoning';

type Values = ValuesOf<'cut-in'>;

interface Props {
    editor: JobEditor;
    run: string | undefined;
    system: string;
    place: JobRun['place'] | undefined;
    /** a kept move that is open */
    opened: MoveOf<'cut-in'> | null;
    onKept: (id: string | null) => void;
}

/**
 * A fitting cut into a line that stands: what is measured, where it is cut, what hangs first, and the steps in order.
 */
export function CutInPanel({ editor, run, system, place, opened, onKept }: Props) {
    const { units } = editor.evaluation;
    const known =
        editor.document.standing?.filter((pipe) => pipe.system !== undefined && pipe.size !== undefined) ?? [];
    const { reckoned, problem, busy, onSubmit } = useReckoning(
        (form) => read(form, units),
        (values) => ask(values, editor, place),
        opened?.values,
    );
    if (known.length === 0)
        return (
            <p className="none">
                {t`Enter the line that stands on Look, and find out what it is: nothing is cut by a guess.`}
            </p>
        );
    return (
        <div className={opened ? 'cut-in kept' : 'cut-in'}>
            <form className="mu-form" onSubmit={onSubmit}>
                <label className="choice">
                    <span className="cap">{t`Existing pipe`}</span>
                    <select name="standing" defaultValue={opened?.values.standing}>
                        {known.map((pipe) => (
                            <option key={pipe.id} value={pipe.id}>
                                {pipe.name}: {pipe.system} {pipe.size}
                            </option>
                        ))}
                    </select>
                </label>
                <label className="choice">
                    <span className="cap">{t`It lies`}</span>
                    <select name="ground" defaultValue={opened?.values.ground ?? place?.ground}>
                        <option value="above">{t`above ground`}</option>
                        <option value="buried">{t`in the ground`}</option>
                    </select>
                </label>
                <Measures start={opened?.values ?? {}} system={system} units={units} />
                <Problem text={problem} />
                <button type="submit" className="main-act" disabled={busy}>
                    {busy ? t`Reckoning …` : t`Where to cut`}
                </button>
            </form>
            <div className="ci-answer">
                {reckoned ? (
                    <>
                        <Answer {...reckoned} units={units} />
                        <KeepMeasures
                            editor={editor}
                            run={run}
                            measured={{ kind: 'cut-in', values: reckoned.values }}
                            opened={opened}
                            onKept={onKept}
                        />
                    </>
                ) : (
                    <p className="none">
                        {t`Measure the line and the fitting. The cuts, the stubs and the order come out.`}
                    </p>
                )}
            </div>
        </div>
    );
}

function Measures({ start, system, units }: { start: Values; system: string; units: Units }) {
    const choices = useChoices();
    const systems = (useQuery(systemsQuery).data?.systems ?? []).filter((one) => one.laid);
    const said = (mm: number | undefined, otherwise = ''): string =>
        mm === undefined ? otherwise : saidLength(mm, units);
    const where = t`where the catalog has none`;
    return (
        <>
            <LengthField
                id="ci-length"
                name="length"
                label={t`Its length, end to end`}
                units={units}
                start={said(start.length_mm)}
            />
            <LengthField
                id="ci-centre"
                name="centre"
                label={t`Branch at, from upstream`}
                units={units}
                start={said(start.centre_mm)}
            />
            <label className="choice">
                <span className="cap">{t`Fitting of`}</span>
                <select name="system" defaultValue={start.system ?? system} key={systems.length}>
                    {systems.map((one) => (
                        <option key={one.key} value={one.key}>
                            {one.short}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`Pattern`}</span>
                <select name="pattern" defaultValue={start.pattern}>
                    {choices.cut_in_patterns.map(({ key, name }) => (
                        <option key={key} value={key}>
                            {name}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`Branch size`}</span>
                <input name="branch" defaultValue={start.branch ?? '2'} required />
            </label>
            <LengthField
                id="ci-in"
                name="run_in"
                label={t`Measured: center to upstream stop`}
                units={units}
                start={said(start.run_in_mm)}
                help={where}
            />
            <LengthField
                id="ci-out"
                name="run_out"
                label={t`Center to downstream stop`}
                units={units}
                start={said(start.run_out_mm)}
                help={where}
            />
            <LengthField
                id="ci-insertion"
                name="insertion"
                label={t`Each end goes into the coupling`}
                units={units}
                start={said(start.insertion_mm)}
                help={t`to its ridge; where it is not stated`}
            />
            <LengthField
                id="ci-room-up"
                name="room_up"
                label={t`Bare pipe upstream`}
                units={units}
                start={said(start.room_up_mm, '0')}
            />
            <LengthField
                id="ci-room-down"
                name="room_down"
                label={t`Bare pipe downstream`}
                units={units}
                start={said(start.room_down_mm, '0')}
            />
        </>
    );
}

async function read(form: FormData, units: Units): Promise<Values> {
    const names = ['length', 'centre', 'run_in', 'run_out', 'insertion', 'room_up', 'room_down'] as const;
    const mm = await formLengths(form, names, units);
    return given<Values>({
        standing: formText(form, 'standing'),
        ground: formText(form, 'ground'),
        length_mm: mm.length,
        centre_mm: mm.centre,
        system: formText(form, 'system').trim(),
        pattern: formText(form, 'pattern'),
        branch: formText(form, 'branch').trim(),
        run_in_mm: mm.run_in,
        run_out_mm: mm.run_out,
        insertion_mm: mm.insertion,
        room_up_mm: mm.room_up,
        room_down_mm: mm.room_down,
    });
}

async function ask(values: Values, editor: JobEditor, place: JobRun['place'] | undefined): Promise<CutInOutput> {
    const pipe = editor.document.standing?.find((one) => one.id === values.standing);
    if (!pipe?.system || !pipe.size) throw new Error(t`Say which line stands.`);
    if (values.centre_mm === undefined) throw new Error(t`Say how far from its upstream end the branch is to come.`);
    const { system = '', pattern = '', branch = '' } = values;
    const row = `${pattern}/${pipe.size}${branch === pipe.size ? '' : `x${branch}`}`;
    const side = (room: number | undefined): CutInInput['upstream'] => ({
        slide_room_mm: room ?? 0,
        fixed: true,
        ...(values.insertion_mm === undefined ? {} : { insertion_mm: values.insertion_mm }),
    });
    const measured = (['run_in_mm', 'run_out_mm'] as const).flatMap((field) => {
        const value = values[field];
        return value === undefined ? [] : [{ table: system, row, field, value }];
    });
    const answer = await cutIn({
        pipe: {
            system: pipe.system,
            size: pipe.size,
            ...(values.length_mm === undefined ? {} : { length_mm: values.length_mm }),
        },
        fitting: { system, row },
        centre_at_mm: values.centre_mm,
        upstream: side(values.room_up_mm),
        downstream: side(values.room_down_mm),
        ground: values.ground === 'buried' ? 'buried' : 'above',
        ...(place?.access === undefined ? {} : { access: place.access }),
        kerf_mm: editor.evaluation.saw_kerf.mm,
        rulebook: editor.document.rulebook,
        ...ownNumbers(editor.document, measured),
    });
    if (!answer.ok) throw new Error(reasonOf(answer));
    return answer.data;
}

function Answer({ answer, values, units }: { answer: CutInOutput; values: Values; units: Units }) {
    const words = (mm: number): string => lengthInWords(mm, units);
    const [first, second] = answer.cut_marks_mm ?? [];
    const [upper, lower] = answer.stubs_mm ?? [];
    const kilos = answer.released_kg;
    const weigh = (kg: number | null): string =>
        kg === null ? t`not known` : units === 'inch' ? `${Math.ceil(kg * 2.2046)} lb` : `${Math.ceil(kg)} kg`;
    return (
        <>
            <FindingLines findings={answer.findings} />
            {answer.closes && answer.findings.length === 0 && (
                <p className="ci-finding">
                    <Shape kind="done" size={18} />{' '}
                    <Trans>
                        It closes: upstream the coupling is {way(answer.upstream.way)}, downstream{' '}
                        {way(answer.downstream.way)}.
                    </Trans>
                </p>
            )}
            {first !== undefined &&
                second !== undefined &&
                upper !== undefined &&
                lower !== undefined &&
                first >= 0 && (
                    <>
                        <CutInDrawing
                            marks={[first, second]}
                            stubs={[upper, lower]}
                            centre={values.centre_mm ?? 0}
                            length={values.length_mm ?? null}
                            said={{
                                first: words(first),
                                second: words(second),
                                out: words(answer.piece_out_mm ?? 0),
                                stubs: [words(upper), words(lower)],
                            }}
                        />
                        <CutList
                            cuts={[
                                { what: t`First mark, from the upstream end`, said: words(first) },
                                { what: t`Second mark, from the same end`, said: words(second) },
                                { what: t`Stub, upstream`, said: words(upper) },
                                { what: t`Stub, downstream`, said: words(lower) },
                            ]}
                        />
                    </>
                )}
            {kilos && (
                <p className="say">
                    <Trans>
                        Loose once it is cut: upstream {weigh(kilos.up)} empty, {weigh(kilos.up_full)} full of water;
                        downstream {weigh(kilos.down)} and {weigh(kilos.down_full)}. It hangs before the first cut.
                    </Trans>
                </p>
            )}
            {answer.findings.every((one) => one.severity !== 'stop') && (
                <ol className="ci-steps">
                    {answer.order.map((one) => (
                        <li key={one.step}>{one.words}</li>
                    ))}
                </ol>
            )}
            <RestsOn sources={answer.sources} />
        </>
    );
}

const way = (one: CutInOutput['upstream']['way']): string =>
    one === 'slide'
        ? t`slid back on the pipe`
        : one === 'roll-back'
          ? t`rolled back on itself`
          : one === 'draw'
            ? t`put on with the pipe drawn away`
            : t`in the way`;
