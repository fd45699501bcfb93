import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState } from 'react';
import { readLength } from '../../api/lengths';
import type { Tape, Units } from '../../api/types';
import { BY_EYE, CALLIPER_MM, ROUGH, STRING, type Evidence } from './evidence';
import { Problem } from '../../shared/Problem';
import { useInstrument } from '../../shared/useInstrument';

const CALLIPER = ['calliper' as const];

const STEP = { inch: 25.4 / 16, mm: 1 };

/** How wide it is: by eye, with a calliper across it, or with a string round it; in the tape's own words. */
const FOR_EXAMPLE = { inch: { round: '13 5/8', across: '3 1/2' }, mm: { round: '346', across: '110' } };
const GIVE_OR_TAKE = { inch: { fine: '1/64', rough: '1/8' }, mm: { fine: '0.4', rough: '3' } };

export function Reading({
    evidence,
    units,
    onChange,
}: {
    evidence: Evidence;
    units: Units;
    onChange: (change: Partial<Evidence>) => void;
}) {
    const { mm } = evidence;
    const tape = useTape(mm, units);
    const [problem, setProblem] = useState<string | null>(null);
    const reads = useRef(0);
    const byEye = evidence.way === 'across' && evidence.error_mm >= ROUGH[units];

    const read = async (text: string, change: Partial<Evidence>): Promise<void> => {
        const turn = ++reads.current;
        const result = await readLength(text, units);
        // What was said later goes before.
        if (turn !== reads.current) return;
        if (result.ok && result.data.mm > 0) {
            setProblem(null);
            onChange({ ...change, mm: result.data.mm });
        } else setProblem(result.ok ? t`must be more than nothing` : (result.errors.text?.[0] ?? result.message));
    };
    const way = (kind: Way): void =>
        onChange({
            way: kind === 'string' ? 'round' : 'across',
            error_mm: kind === 'eye' ? ROUGH[units] : kind === 'string' ? STRING[units] : CALLIPER_MM,
            ...(kind === 'string' && evidence.way === 'across' ? { mm: null } : {}),
            ...(kind !== 'string' && evidence.way === 'round' ? { mm: null } : {}),
        });
    const isByHand = useRef(false);
    const instrument = useInstrument(CALLIPER, {
        isByHand: () => isByHand.current,
        onValue: (across) => onChange({ way: 'across', error_mm: CALLIPER_MM, mm: across }),
    });
    return (
        <div className="reading">
            <Ways evidence={evidence} byEye={byEye} onWay={way} />
            <div className="read-line">
                <label>
                    <span className="unseen">{evidence.way === 'round' ? t`String round it` : t`Across it`}</span>
                    <input
                        key={tape?.inch ?? 'none'}
                        defaultValue={tape ? (units === 'inch' ? tape.inch : tape.metric) : ''}
                        placeholder={FOR_EXAMPLE[units][evidence.way]}
                        inputMode="text"
                        onChange={(event) => {
                            isByHand.current = event.target.value !== '';
                        }}
                        autoComplete="off"
                        onBlur={(event) => event.target.value.trim() !== '' && void read(event.target.value, {})}
                        onKeyDown={(event) => event.key === 'Enter' && void read(event.currentTarget.value, {})}
                    />
                </label>
                <span className="read-said">
                    {tape && (units === 'inch' ? `${tape.metric} mm` : `${tape.inch} in`)}
                    <span className="cap">
                        {t`give or take ${GIVE_OR_TAKE[units][evidence.error_mm < 1 ? 'fine' : 'rough']}`}
                    </span>
                </span>
                <Steps mm={mm} step={STEP[units]} onStep={(next) => onChange({ mm: next })} />
            </div>
            {instrument.words !== null && <p className="cap from-instrument">{instrument.words}</p>}
            <Problem text={problem} />
            {evidence.way === 'across' && (
                <ByEye
                    units={units}
                    said={tape && (units === 'inch' ? tape.inch : tape.metric)}
                    onSaid={(text) => void read(text, byEye ? { error_mm: ROUGH[units] } : {})}
                />
            )}
        </div>
    );
}

type Way = 'eye' | 'calliper' | 'string';

/** How it is measured. */
function Ways({ evidence, byEye, onWay }: { evidence: Evidence; byEye: boolean; onWay: (way: Way) => void }) {
    const ways: [Way, string, boolean][] = [
        ['eye', t`about, across`, byEye],
        ['string', t`string round it`, evidence.way === 'round'],
        ['calliper', 'calliper', evidence.way === 'across' && !byEye],
    ];
    return (
        <fieldset className="chips ways">
            <legend className="cap">{t`How wide`}</legend>
            {ways.map(([way, name, isOn]) => (
                <button
                    key={way}
                    type="button"
                    className={isOn ? 'chip on' : 'chip'}
                    aria-pressed={isOn}
                    onClick={() => onWay(way)}
                >
                    {name}
                </button>
            ))}
        </fieldset>
    );
}

/** The widths that pipe comes in, for who has no tape at hand. */
function ByEye({ units, said, onSaid }: { units: Units; said: string | null; onSaid: (text: string) => void }) {
    return (
        <div className="chips by-eye" role="group" aria-label={t`By eye`}>
            {BY_EYE[units].map((text) => (
                <button
                    type="button"
                    key={text}
                    className={said === text ? 'chip on' : 'chip'}
                    onClick={() => onSaid(text)}
                >
                    {text}
                </button>
            ))}
        </div>
    );
}

/** A length as the tape says it: the server reads it, as every length. */
function useTape(mm: number | null, units: Units): Tape | null {
    const [tape, setTape] = useState<Tape | null>(null);
    const asked = useRef(0);
    useEffect(() => {
        const turn = ++asked.current;
        if (mm === null) setTape(null);
        else
            void readLength(`${mm} mm`, units).then(
                (result) => turn === asked.current && result.ok && setTape(result.data),
            );
    }, [mm, units]);
    return tape;
}

/** A step less, a step more. */
function Steps({ mm, step, onStep }: { mm: number | null; step: number; onStep: (mm: number) => void }) {
    return (
        <>
            <button
                type="button"
                aria-label={t`less`}
                disabled={mm === null}
                onClick={() => mm !== null && onStep(Math.max(5, mm - step))}
            >
                −
            </button>
            <button
                type="button"
                aria-label={t`more`}
                disabled={mm === null}
                onClick={() => mm !== null && onStep(mm + step)}
            >
                +
            </button>
        </>
    );
}
