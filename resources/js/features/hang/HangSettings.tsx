import { t } from '@lingui/core/macro';
import type { HangingReport, JobHanging, Units } from '../../api/types';
import { formLengths } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { warmerInWords } from '../../shared/quantities';
import { useFormAct } from '../../shared/useFormAct';
import { LengthField } from '../../shared/LengthField';
import { saidLength } from '../../shared/lengths';

interface Props {
    report: HangingReport;
    units: Units;
    onChange: (change: Omit<Partial<JobHanging>, 'run'>) => void;
}

/** What the hangers rest on: the string, the framing and floors that cross, and how warm it gets. */
export function HangSettings({ report, units, onChange }: Props) {
    // Of one degree Celsius.
    const [degrees, degree] = units === 'inch' ? [1.8, '°F'] : [1, '°C'];
    const { problem, onSubmit } = useFormAct(async (form) => {
        const names = ['string', 'every', 'first', 'storey', 'floor'] as const;
        const { string, every, first, storey, floor } = await formLengths(form, names, units);
        const kind = formText(form, 'framing') === 'stud' ? 'stud' : 'joist';
        const swing = Number(formText(form, 'swing')) / degrees;
        if (!(swing >= 0 && swing <= 100))
            throw new Error(t`Say how much warmer it gets, from 0 to ${warmerInWords(100, units)}.`);
        onChange({
            string_mm: string ?? undefined,
            framing: every === null ? undefined : { kind, every_mm: every, first_mm: first ?? 0 },
            storey_mm: storey ?? undefined,
            floor_mm: storey === null ? undefined : (floor ?? 0),
            swing_c: swing,
        });
    });
    const said = (tape: { mm: number } | null): string => (tape === null ? '' : saidLength(tape.mm, units));
    return (
        <details className="hang-settings">
            <summary>{report.upright ? t`String, framing, floors and warmth` : t`String, framing and warmth`}</summary>
            <form className="mu-form" onSubmit={onSubmit}>
                <LengthField
                    id="ha-string"
                    name="string"
                    label={t`String to the crown, first hanger`}
                    units={units}
                    start={said(report.string)}
                />
                <label className="choice">
                    <span className="cap">{t`What crosses it`}</span>
                    <select name="framing" defaultValue={report.framing?.kind ?? 'joist'}>
                        <option value="joist">{t`joists over it`}</option>
                        <option value="stud">{t`studs beside it`}</option>
                    </select>
                </label>
                <LengthField
                    id="ha-every"
                    name="every"
                    label={t`One every`}
                    units={units}
                    start={said(report.framing?.every ?? null)}
                    help={t`left open: none`}
                />
                <LengthField
                    id="ha-first"
                    name="first"
                    label={t`The first, from the leg's beginning`}
                    units={units}
                    start={said(report.framing?.first ?? null)}
                />
                {report.upright && (
                    <>
                        <LengthField
                            id="ha-storey"
                            name="storey"
                            label={t`Floors, one every`}
                            units={units}
                            start={said(report.storey)}
                            help={t`where the upright pipe goes through some`}
                        />
                        <LengthField
                            id="ha-floor"
                            name="floor"
                            label={t`The first, below where the run begins`}
                            units={units}
                            start={said(report.floor)}
                        />
                    </>
                )}
                <label className="choice">
                    <span className="cap">{t`Warmer than when it was joined, ${degree}`}</span>
                    <input
                        name="swing"
                        type="number"
                        min={0}
                        max={100 * degrees}
                        step="any"
                        defaultValue={Number((report.swing_c * degrees).toFixed(2))}
                    />
                </label>
                <Problem text={problem} />
                <button type="submit" className="main-act">
                    {t`Hang it so`}
                </button>
            </form>
        </details>
    );
}
