import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState, type FormEvent } from 'react';
import type { MakeUpAsked } from '../../api/queries';
import type { RunReport, Units } from '../../api/types';
import { formLengths } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import { saidLength } from '../../shared/lengths';
import { given, type MoveOf, type ValuesOf } from './moves';
import { ObstacleFields, readObstacle, type Obstacle } from './Obstacles';
import { Problem } from '../../shared/Problem';

export interface EndsMeasured {
    kind: 'ends';
    values: ValuesOf<'ends'>;
    obstacles?: Obstacle[];
}

interface Props {
    run: RunReport;
    units: Units;
    busy: boolean;
    /** a kept move that is open */
    start: MoveOf<'ends'> | null;
    /** legs that were picked on the drawing */
    picked: Picked;
    onPick: (picked: Picked) => void;
    onAsk: (measured: EndsMeasured) => void;
}

export interface Picked {
    from: string;
    to: string;
}

/** Inches of fall to the foot, as it is said in an inch job. */
const PER_FOOT = 1000 / 12;

/** What is asked of the server by what was measured. */
export function askedOf(run: string, { values, obstacles }: Pick<EndsMeasured, 'values' | 'obstacles'>): MakeUpAsked {
    const {
        along_mm = 0,
        over_mm = 0,
        down_mm = 0,
        turn_deg = 0,
        plumb,
        fall_mm_per_m,
        from_leg,
        to_leg,
        max_bends,
        clearance_mm,
    } = values;
    return {
        run,
        ...given<Pick<MakeUpAsked, 'max_bends' | 'clearance_mm' | 'from_leg'>>({ max_bends, clearance_mm, from_leg }),
        ...(obstacles && obstacles.length > 0 ? { obstacles } : {}),
        to:
            to_leg === undefined
                ? {
                      along_mm,
                      over_mm,
                      down_mm,
                      turn_deg,
                      ...(plumb ? { plumb } : { fall_mm_per_m: fall_mm_per_m ?? 0 }),
                  }
                : { leg: to_leg },
    };
}

/**
 * Which two ends: two legs of the run, or on from its end to what was measured from there; and what stands in the way.
 */
export function EndsForm({ run, units, busy, start, picked, onPick, onAsk }: Props) {
    const laid = run.legs.filter((leg) => leg.laid);
    const [mode, setMode] = useState<'legs' | 'measured'>(
        start ? (start.values.to_leg === undefined ? 'measured' : 'legs') : laid.length > 1 ? 'legs' : 'measured',
    );
    const [boxes, setBoxes] = useState<{ n: number; start: Obstacle | null }[]>(
        (start?.obstacles ?? []).map((box, n) => ({ n, start: box })),
    );
    const [problem, setProblem] = useState('');
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        setProblem('');
        try {
            onAsk(
                await read(
                    new FormData(event.currentTarget),
                    mode,
                    boxes.map((box) => box.n),
                    units,
                ),
            );
        } catch (error) {
            setProblem(error instanceof Error ? error.message : t`One of the lengths was not understood.`);
        }
    };
    return (
        <form className="mu-form" onSubmit={(event) => void submit(event)}>
            <WhichEnds mode={mode} canBeLegs={laid.length > 1} onMode={setMode} />
            {mode === 'legs' ? (
                <BetweenLegs legs={laid} picked={picked} onPick={onPick} />
            ) : (
                <OnFromTheEnd legs={laid} start={start} units={units} />
            )}
            <label className="choice">
                <span className="cap">{t`Most bends`}</span>
                <select name="bends" defaultValue={start?.values.max_bends ?? 3}>
                    {[1, 2, 3, 4].map((n) => (
                        <option key={n}>{n}</option>
                    ))}
                </select>
            </label>
            {boxes.map((box) => (
                <ObstacleFields
                    key={box.n}
                    n={box.n}
                    start={box.start}
                    units={units}
                    onRemove={() => setBoxes(boxes.filter((one) => one.n !== box.n))}
                />
            ))}
            {boxes.length > 0 && (
                <>
                    <LengthField
                        id="mu-clearance"
                        name="clearance"
                        label={t`Keep away`}
                        units={units}
                        start={saidLength(start?.values.clearance_mm ?? (units === 'inch' ? 25.4 : 25), units)}
                    />
                    <p className="say">{t`Measured from the beginning of the first leg, the way it runs.`}</p>
                </>
            )}
            <button
                type="button"
                className="plain whole"
                onClick={() => setBoxes([...boxes, { n: Math.max(-1, ...boxes.map((box) => box.n)) + 1, start: null }])}
            >
                {boxes.length === 0 ? t`Something stands in the way` : t`And something else`}
            </button>
            <Problem text={problem} />
            <button type="submit" className="main-act" disabled={busy || laid.length === 0}>
                {busy ? t`Looking …` : t`Look for ways`}
            </button>
        </form>
    );
}

interface WhichProps {
    mode: 'legs' | 'measured';
    canBeLegs: boolean;
    onMode: (mode: 'legs' | 'measured') => void;
}

function WhichEnds({ mode, canBeLegs, onMode }: WhichProps) {
    return (
        <div className="chips" role="group" aria-label={t`Which two ends`}>
            <button
                type="button"
                className={mode === 'legs' ? 'chip on' : 'chip'}
                aria-pressed={mode === 'legs'}
                disabled={!canBeLegs}
                onClick={() => onMode('legs')}
            >
                {t`between two legs`}
            </button>
            <button
                type="button"
                className={mode === 'measured' ? 'chip on' : 'chip'}
                aria-pressed={mode === 'measured'}
                onClick={() => onMode('measured')}
            >
                {t`on from the end`}
            </button>
        </div>
    );
}

type Legs = RunReport['legs'];

const legWords = (leg: Legs[number]): string => `${leg.number}: ${leg.what || leg.phrase}`;

function BetweenLegs({ legs, picked, onPick }: { legs: Legs; picked: Picked; onPick: (picked: Picked) => void }) {
    return (
        <>
            <label className="choice">
                <span className="cap">{t`From the beginning of leg`}</span>
                <select
                    name="from"
                    value={picked.from}
                    onChange={(event) => onPick({ ...picked, from: event.target.value })}
                >
                    {legs.slice(0, -1).map((leg) => (
                        <option key={leg.id} value={leg.id}>
                            {legWords(leg)}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`To the end of leg`}</span>
                <select name="to" value={picked.to} onChange={(event) => onPick({ ...picked, to: event.target.value })}>
                    {legs.slice(1).map((leg) => (
                        <option key={leg.id} value={leg.id}>
                            {legWords(leg)}
                        </option>
                    ))}
                </select>
            </label>
            <p className="say">{t`Or tap the two on the drawing, the upper one first.`}</p>
        </>
    );
}

function OnFromTheEnd({ legs, start, units }: { legs: Legs; start: MoveOf<'ends'> | null; units: Units }) {
    const values = start?.values;
    const said = (mm: number | undefined): string => (mm === undefined ? '' : saidLength(mm, units));
    const fall = (values?.fall_mm_per_m ?? PER_FOOT / 4) / (units === 'inch' ? PER_FOOT : 1);
    return (
        <>
            <label className="choice">
                <span className="cap">{t`Made anew from leg`}</span>
                <select name="from" defaultValue={values?.from_leg ?? legs.at(-1)?.id}>
                    {legs.map((leg) => (
                        <option key={leg.id} value={leg.id}>
                            {legWords(leg)}
                        </option>
                    ))}
                </select>
            </label>
            <p className="say">
                <Trans>
                    From where the run ends now to where it is to end, looking the way it runs. To the left, back and up
                    with a minus.
                </Trans>
            </p>
            <LengthField id="mu-along" name="along" label={t`Along`} units={units} start={said(values?.along_mm)} />
            <LengthField
                id="mu-over"
                name="over"
                label={t`Over, to the right`}
                units={units}
                start={said(values?.over_mm ?? 0)}
            />
            <LengthField id="mu-down" name="down" label={t`Down`} units={units} start={said(values?.down_mm)} />
            <label className="choice">
                <span className="cap">{t`Turn right, °`}</span>
                <input name="turn" type="number" min={-180} max={180} step="any" defaultValue={values?.turn_deg ?? 0} />
            </label>
            <label className="choice">
                <span className="cap">{t`It falls, ${units === 'inch' ? t`inches per foot` : t`mm per m`}`}</span>
                <input name="fall" type="number" step="any" defaultValue={Math.round(fall * 1000) / 1000} />
            </label>
            <label className="check">
                <input name="plumb" type="checkbox" defaultChecked={values?.plumb ?? false} /> {t`straight down`}
            </label>
        </>
    );
}

async function read(form: FormData, mode: 'legs' | 'measured', boxes: number[], units: Units): Promise<EndsMeasured> {
    const names = [
        ...(boxes.length > 0 ? (['clearance'] as const) : []),
        ...(mode === 'measured' ? (['along', 'over', 'down'] as const) : []),
    ];
    const [mm, obstacles] = await Promise.all([
        formLengths(form, names, units, () => true),
        Promise.all(boxes.map((n) => readObstacle(form, n, units))),
    ]);
    const common = {
        from_leg: formText(form, 'from'),
        max_bends: Number(formText(form, 'bends')),
        ...(boxes.length > 0 ? { clearance_mm: mm.clearance ?? 0 } : {}),
    };
    const plumb = form.has('plumb');
    const values: ValuesOf<'ends'> =
        mode === 'legs'
            ? { ...common, to_leg: formText(form, 'to') }
            : {
                  ...common,
                  along_mm: mm.along ?? 0,
                  over_mm: mm.over ?? 0,
                  down_mm: mm.down ?? 0,
                  turn_deg: Number(formText(form, 'turn')),
                  ...(plumb
                      ? { plumb }
                      : { fall_mm_per_m: Number(formText(form, 'fall')) * (units === 'inch' ? PER_FOOT : 1) }),
              };
    return { kind: 'ends', values, ...(obstacles.length > 0 ? { obstacles } : {}) };
}
