import { useState, type FormEvent } from 'react';
import type { MakeUpAsked } from '../../api/queries';
import type { RunReport, Units } from '../../api/types';
import { formLength } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';

interface Props {
    run: RunReport;
    units: Units;
    busy: boolean;
    onAsk: (asked: MakeUpAsked) => void;
}

const SPANS = ['along_from', 'along_to', 'over_from', 'over_to', 'up_from', 'up_to'] as const;
const SPAN_WORDS: Record<(typeof SPANS)[number], string> = {
    along_from: 'Along, from',
    along_to: 'to',
    over_from: 'Over, from',
    over_to: 'to',
    up_from: 'Up, from',
    up_to: 'to',
};

/** Which two ends: two legs of the run, or on from its end to what was measured from there; and what stands in the way. */
export function EndsForm({ run, units, busy, onAsk }: Props) {
    const laid = run.legs.filter((leg) => leg.laid);
    const [mode, setMode] = useState<'legs' | 'measured'>(laid.length > 1 ? 'legs' : 'measured');
    const [boxed, setBoxed] = useState(false);
    const [problem, setProblem] = useState('');
    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        setProblem('');
        const form = new FormData(event.currentTarget);
        const mm = async (name: string): Promise<number> => (await formLength(form, name, units, true)) ?? 0;
        try {
            const common = {
                run: run.id,
                max_bends: Number(formText(form, 'bends')),
                ...(boxed
                    ? {
                          clearance_mm: await mm('clearance'),
                          obstacles: [
                              {
                                  what: formText(form, 'what') || 'what stands there',
                                  along_from_mm: await mm('along_from'),
                                  along_to_mm: await mm('along_to'),
                                  over_from_mm: await mm('over_from'),
                                  over_to_mm: await mm('over_to'),
                                  up_from_mm: await mm('up_from'),
                                  up_to_mm: await mm('up_to'),
                              },
                          ],
                      }
                    : {}),
            };
            if (mode === 'legs') {
                onAsk({ ...common, from_leg: formText(form, 'from'), to: { leg: formText(form, 'to') } });
                return;
            }
            const plumb = form.has('plumb');
            onAsk({
                ...common,
                to: {
                    along_mm: await mm('along'),
                    over_mm: await mm('over'),
                    down_mm: await mm('down'),
                    turn_deg: Number(formText(form, 'turn')),
                    ...(plumb ? { plumb } : { fall_mm_per_m: Number(formText(form, 'fall')) }),
                },
            });
        } catch (error) {
            setProblem(error instanceof Error ? error.message : 'One of the lengths was not understood.');
        }
    };
    const legWords = (leg: RunReport['legs'][number]): string => `${leg.number}: ${leg.what || leg.phrase}`;
    return (
        <form className="mu-form" onSubmit={(event) => void submit(event)}>
            <div className="chips" role="group" aria-label="Which two ends">
                <button
                    type="button"
                    className={mode === 'legs' ? 'chip on' : 'chip'}
                    aria-pressed={mode === 'legs'}
                    disabled={laid.length < 2}
                    onClick={() => setMode('legs')}
                >
                    between two legs
                </button>
                <button
                    type="button"
                    className={mode === 'measured' ? 'chip on' : 'chip'}
                    aria-pressed={mode === 'measured'}
                    onClick={() => setMode('measured')}
                >
                    on from the end
                </button>
            </div>
            {mode === 'legs' ? (
                <>
                    <label className="choice">
                        <span className="cap">From the beginning of leg</span>
                        <select name="from" defaultValue={laid[0]?.id}>
                            {laid.slice(0, -1).map((leg) => (
                                <option key={leg.id} value={leg.id}>
                                    {legWords(leg)}
                                </option>
                            ))}
                        </select>
                    </label>
                    <label className="choice">
                        <span className="cap">To the end of leg</span>
                        <select name="to" defaultValue={laid.at(-1)?.id}>
                            {laid.slice(1).map((leg) => (
                                <option key={leg.id} value={leg.id}>
                                    {legWords(leg)}
                                </option>
                            ))}
                        </select>
                    </label>
                </>
            ) : (
                <>
                    <p className="say">
                        From where the run ends now to where it is to end, looking the way it runs. To the left, back and up with a minus.
                    </p>
                    <LengthField id="mu-along" name="along" label="Along" units={units} start="" />
                    <LengthField id="mu-over" name="over" label="Over, to the right" units={units} start="0" />
                    <LengthField id="mu-down" name="down" label="Down" units={units} start="" />
                    <label className="choice">
                        <span className="cap">It heads to the right by, °</span>
                        <input name="turn" type="number" min={-180} max={180} step="any" defaultValue={0} />
                    </label>
                    <label className="choice">
                        <span className="cap">It falls, mm per m</span>
                        <input name="fall" type="number" step="any" defaultValue={20.83} />
                    </label>
                    <label className="check">
                        <input name="plumb" type="checkbox" /> straight down
                    </label>
                </>
            )}
            <label className="choice">
                <span className="cap">At most so many bends</span>
                <select name="bends" defaultValue="3">
                    {[1, 2, 3, 4].map((n) => (
                        <option key={n}>{n}</option>
                    ))}
                </select>
            </label>
            <label className="check">
                <input type="checkbox" checked={boxed} onChange={(event) => setBoxed(event.target.checked)} /> something stands in the way
            </label>
            {boxed && (
                <div className="mu-box">
                    <label className="choice whole">
                        <span className="cap">What</span>
                        <input name="what" maxLength={80} />
                    </label>
                    {SPANS.map((span) => (
                        <LengthField key={span} id={`mu-${span}`} name={span} label={SPAN_WORDS[span]} units={units} start="0" />
                    ))}
                    <LengthField id="mu-clearance" name="clearance" label="Keep away" units={units} start={units === 'inch' ? '1' : '25'} />
                    <p className="cap">Measured from the beginning of the first leg, the way it runs.</p>
                </div>
            )}
            {problem && (
                <p className="problem" role="alert">
                    {problem}
                </p>
            )}
            <button type="submit" className="main-act" disabled={busy || laid.length === 0}>
                {busy ? 'Looking …' : 'Look for ways'}
            </button>
        </form>
    );
}
