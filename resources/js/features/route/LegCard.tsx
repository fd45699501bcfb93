import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import type { JobLeg, JobRun, LegReport, RunReport, Tape, Units } from '../../api/types';
import { NotKnown } from '../../drawing/NotKnown';
import { Said, SaidFall } from '../../drawing/Said';
import { withinInWords } from '../../shared/lengths';
import { rolledInWords, unsigned } from '../../shared/rolls';
import type { JobEditor } from '../../editing';
import {
    changeLeg,
    fittingKey,
    isRead,
    removeLeg,
    setFitting,
    setTakes,
    setWay,
    stepFall,
    stepLength,
} from './legEdits';
import { Obstacles } from './Obstacles';
import { Stepper } from './Stepper';

interface Props {
    leg: LegReport;
    run: RunReport;
    plan: JobRun;
    editor: JobEditor;
    onAdd: () => void;
}

const WAYS: JobLeg['way'][] = ['left', 'right', 'down', 'up', 'on', 'ahead', 'back', 'north', 'east', 'south', 'west'];
const FITTINGS = [
    ['', t`what suits`],
    ['quarter', 'short 90'],
    ['long-sweep', t`long sweep 90`],
    ['sixth', '60'],
    ['eighth', '45'],
    ['sixteenth', '22½'],
    ['eighth+eighth', '45 + 45, rolled'],
    ['eighth+sixteenth', '45 + 22½, rolled'],
    ['sixteenth+sixteenth', '22½ + 22½, rolled'],
    ['closet', t`closet bend`],
] as const;

const METRIC_FITTINGS = [
    ['', t`what suits`],
    ['knuckle', 'knuckle 90'],
    ['swept', 'swept 92½'],
    ['eighth', '45'],
    ['twelfth', '30'],
    ['twenty-fourth', '15'],
    ['eighth+eighth', '45 + 45, rolled'],
] as const;

/** One leg with large steppers, and its own phrase to change in words. */
export function LegCard({ leg, run, plan, editor, onAdd }: Props) {
    const { units } = editor.evaluation;
    const said = plan.legs.find((one) => one.id === leg.id);
    if (!said) return null;
    const change = (edit: (leg: JobLeg) => JobLeg): void =>
        editor.changeRun(plan.id, (old) => changeLeg(old, leg.id, edit));
    return (
        <div className="opened">
            {isRead(said) && <LegFields leg={leg} run={run} said={said} units={units} onChange={change} />}
            <Obstacles leg={leg} run={run.id} editor={editor} />
            <PhraseField key={leg.phrase} leg={leg} run={run} editor={editor} />
            <MadeUpOf leg={leg} run={run} units={units} />
            <div className="acts">
                <button
                    type="button"
                    className="plain"
                    onClick={() => editor.changeRun(plan.id, (old) => removeLeg(old, leg.id))}
                >
                    {t`Take this leg out`}
                </button>
                <button type="button" className="plain" onClick={onAdd}>
                    {t`Add a leg after it`}
                </button>
            </div>
        </div>
    );
}

interface FieldsProps {
    leg: LegReport;
    run: RunReport;
    said: JobLeg;
    units: Units;
    onChange: (edit: (leg: JobLeg) => JobLeg) => void;
}

/** Length and fall with steppers, and what is chosen of it. */
function LegFields({ leg, run, said, units, onChange: change }: FieldsProps) {
    return (
        <>
            <Stepper
                caption={`Length${leg.length ? `, ${other(leg.length, units)}` : ''}`}
                less="shorter"
                more="longer"
                onStep={(steps) => change((one) => stepLength(one, units, steps))}
                disabled={said.close === true}
            >
                {leg.length && <Said tape={leg.length} units={units} feet />}
            </Stepper>
            <Stepper
                caption={leg.upright ? t`Fall: upright` : t`Fall`}
                less="flatter"
                more="steeper"
                onStep={(steps) => change((one) => stepFall(one, leg, units, steps))}
                disabled={leg.upright || leg.way === 'up' || leg.way === 'down'}
            >
                {leg.fall ? <SaidFall fall={leg.fall} units={units} /> : '–'}
            </Stepper>
            <LegChoices leg={leg} run={run} said={said} onChange={change} />
        </>
    );
}

function LegChoices({ leg, run, said, onChange: change }: Omit<FieldsProps, 'units'>) {
    const choices: readonly (readonly [string, string])[] =
        run.system.key.endsWith('-40') || run.system.key === 'ci-no-hub' || run.system.key === 'pvc-sewer-sdr35'
            ? FITTINGS
            : METRIC_FITTINGS;
    return (
        <>
            <label className="choice">
                <span className="cap">{t`Way`}</span>
                <select
                    value={said.way}
                    onChange={(event) => change((one) => setWay(one, event.target.value as JobLeg['way']))}
                >
                    {WAYS.map((way) => (
                        <option key={way}>{way}</option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`Measured`}</span>
                <select
                    value={said.measured ?? 'centre'}
                    onChange={(event) =>
                        change((one) => ({
                            ...one,
                            measured: event.target.value === 'stop' ? 'stop' : 'centre',
                        }))
                    }
                >
                    <option value="centre">{t`center to center`}</option>
                    <option value="stop">{t`stop to stop`}</option>
                </select>
            </label>
            <label className="choice">
                <span className="cap">{leg.upright ? t`Its length` : t`Its fall`}</span>
                <select
                    value={said.takes ?? ''}
                    onChange={(event) =>
                        change((one) =>
                            setTakes(
                                one,
                                leg,
                                event.target.value === '' ? undefined : (event.target.value as 'share' | 'rest'),
                            ),
                        )
                    }
                >
                    <option value="">{t`as said`}</option>
                    {leg.upright ? (
                        <option value="rest">{t`the rest, between the levels`}</option>
                    ) : (
                        <option value="share">{t`shared, between the levels`}</option>
                    )}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`Bend into it`}</span>
                <select
                    value={fittingKey(said)}
                    disabled={leg.number === 1}
                    onChange={(event) => change((one) => setFitting(one, event.target.value))}
                >
                    {choices.map(([key, name]) => (
                        <option key={key} value={key}>
                            {name}
                        </option>
                    ))}
                    {!choices.some(([key]) => key === fittingKey(said)) && (
                        <option value={fittingKey(said)}>{fittingKey(said)}</option>
                    )}
                </select>
            </label>
        </>
    );
}

/** What the leg is made up of: its fittings, and the pieces with their cuts. */
function MadeUpOf({ leg, run, units }: Pick<FieldsProps, 'leg' | 'run' | 'units'>) {
    const pieces = run.pieces.filter((piece) => piece.leg_id === leg.id);
    const fittings = run.fittings.filter((fitting) => fitting.leg === leg.number);
    return (
        <>
            {fittings.length > 0 && (
                <ul className="made-up">
                    {fittings.map((fitting) => (
                        <li key={fitting.key}>
                            <b>
                                {fitting.pattern === 'bushing' ? '' : `${fitting.size} `}
                                {fitting.name}
                            </b>{' '}
                            {fitting.branch && <span className="why">{fitting.branch.why} </span>}
                            <span className="cap">{fitting.maker_name}</span>
                            {rolledInWords(fitting) !== '' && `, ${rolledInWords(fitting)}`}
                            {fitting.mark && Math.round(Math.abs(fitting.roll_deg ?? 0)) > 0 && (
                                <>
                                    {t`: mark`} <Said tape={unsigned(fitting.mark)} units={units} unit /> {t`round`}
                                </>
                            )}
                        </li>
                    ))}
                </ul>
            )}
            {pieces.length > 0 && (
                <p className="cuts">
                    {pieces.map((piece) => (
                        <span key={piece.key}>
                            <Trans>
                                <span className="tagp">{piece.letter}</span> cut
                            </Trans>{' '}
                            <b className="mk">
                                {piece.known ? <Said tape={piece.cut} units={units} unit /> : <NotKnown />}
                            </b>{' '}
                            {piece.known && <span className="cap">{other(piece.cut, units)}</span>}
                            {piece.doubt && (
                                <span className="cap">
                                    {' '}
                                    {t`± ${withinInWords(piece.doubt.mm, units)}: cut long, dry-fit, trim`}
                                </span>
                            )}
                        </span>
                    ))}
                </p>
            )}
        </>
    );
}

/** The same length on the other tape. */
const other = (tape: Tape, units: Units): string => (units === 'inch' ? `${tape.metric} mm` : `${tape.inch} in`);

/** The leg in words. What is typed here is read together with the other legs, as if it stood in the call-out line. */
function PhraseField({ leg, run, editor }: { leg: LegReport; run: RunReport; editor: JobEditor }) {
    const [text, setText] = useState(leg.phrase);
    const keep = (): void => {
        if (text.trim() === leg.phrase.trim() || text.trim() === '') return;
        editor.say(
            run.id,
            run.legs
                .map((one) => (one.id === leg.id ? text.replace(/[;\n]|\s\/(?=\s|$)/g, ' ') : one.phrase))
                .join(' / '),
        );
        void editor.doneSaying();
    };
    return (
        <label className="choice whole">
            <span className="cap">{t`In words`}</span>
            <input
                value={text}
                onChange={(event) => setText(event.target.value)}
                onBlur={keep}
                onKeyDown={(event) => event.key === 'Enter' && keep()}
                spellCheck={false}
                autoComplete="off"
            />
        </label>
    );
}
