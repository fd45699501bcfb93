import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { JobDocument, Units } from '../../api/types';
import type { JobEditor } from '../../editing';
import { Problem } from '../../shared/Problem';
import { degreesRead } from '../../shared/quantities';
import { useInstrument } from '../../shared/useInstrument';

const THERMOMETER = ['thermometer' as const];

/** The weather that joints are made in: cement sets and cures by it. A thermometer may say it. */
export function Weather({ editor }: { editor: JobEditor }) {
    const { units } = editor.evaluation;
    const now = editor.document.conditions;
    const [air, setAir] = useState(() => saidAir(now?.air_c, units));
    const [humid, setHumid] = useState(() => (now?.rh_percent === undefined ? '' : String(now.rh_percent)));
    const [problem, setProblem] = useState<string | null>(null);
    const [isByHand, setIsByHand] = useState(false);
    const instrument = useInstrument(THERMOMETER, {
        isByHand: () => isByHand,
        onValue: (celsius) => setAir(saidAir(Math.round(celsius * 10) / 10, units)),
        humidity: (percent) => setHumid(String(Math.round(percent))),
    });
    const typed = (set: (text: string) => void, text: string): void => {
        set(text);
        setIsByHand(text !== '');
    };
    const keep = (): void => {
        const read = weatherOf(air, humid, units);
        if (typeof read === 'string') {
            setProblem(read);
            return;
        }
        setProblem(null);
        setIsByHand(false);
        editor.change((document) => ({ ...document, conditions: { ...document.conditions, ...read } }));
    };
    // It closes once the weather is said for the first time, and is otherwise opened and closed by hand.
    return (
        <details className="glue-weather" open={now?.air_c === undefined ? undefined : false}>
            <summary>
                {now?.air_c === undefined
                    ? t`Weather: not entered, taken as ${saidAir(20, units)} ${units === 'inch' ? '°F' : '°C'}`
                    : t`Weather: ${saidAir(now.air_c, units)} ${units === 'inch' ? '°F' : '°C'}`}
                {now?.rh_percent !== undefined && t`, ${now.rh_percent} % humidity`}
            </summary>
            <div className="glue-form">
                <label className="choice">
                    <span className="cap">{t`Air (${units === 'inch' ? t`°F` : t`°C`})`}</span>
                    <input inputMode="decimal" value={air} onChange={(event) => typed(setAir, event.target.value)} />
                </label>
                <label className="choice">
                    <span className="cap">{t`Humidity (%)`}</span>
                    <input
                        inputMode="decimal"
                        value={humid}
                        onChange={(event) => typed(setHumid, event.target.value)}
                    />
                </label>
                {instrument.words !== null && <p className="cap from-instrument">{instrument.words}</p>}
                <button type="button" className="plain" onClick={keep}>
                    {t`It is so now`}
                </button>
                <Problem text={problem} />
            </div>
        </details>
    );
}

const saidAir = (celsius: number | undefined, units: Units): string =>
    celsius === undefined ? '' : String(units === 'inch' ? Math.round(celsius * 1.8 + 32) : celsius);

type Conditions = NonNullable<JobDocument['conditions']>;

/** The weather as it was typed; what is wrong with it where it is none. */
export function weatherOf(air: string, humid: string, units: Units): Pick<Conditions, 'air_c' | 'rh_percent'> | string {
    const celsius = degreesRead(air, units);
    if (celsius === null) return t`How warm the air is: a number, such as ${units === 'inch' ? '54' : '12'}.`;
    if (humid.trim() === '') return { air_c: celsius };
    const percent = Number(humid.trim().replace(',', '.'));
    if (!(percent >= 0 && percent <= 100)) return t`How humid it is: from 0 to 100 %, or nothing.`;
    return { air_c: celsius, rh_percent: percent };
}
