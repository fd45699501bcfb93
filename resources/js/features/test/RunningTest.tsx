import { t } from '@lingui/core/macro';
import { useState, type FormEvent } from 'react';
import type { SiteTest, Testing, TestMethod, Units } from '../../api/types';
import { CurvePicture } from '../../drawing/test/CurvePicture';
import { WaterGauge } from '../../drawing/test/WaterGauge';
import type { Pending, SiteLog } from '../../editing';
import { Problem } from '../../shared/Problem';
import { degreesRead, degreesSaid } from '../../shared/quantities';
import { Shape } from '../../shared/Shape';
import { timeLeft } from '../../shared/timeLeft';
import { useInstrument } from '../../shared/useInstrument';
import { useSize } from '../../shared/useSize';
import { useNow } from '../sitelog';
import { askedFor, saidValue, valueOf } from './gauge';
import { testInWords, wantedInWords, warmthToo } from './words';

interface Props {
    test: SiteTest;
    method: TestMethod;
    units: Units;
    system: string;
    stage: Testing['stage'];
    log: SiteLog;
    pending: Pending[];
    ahead: number;
}

/** A test that runs: what it wants, how long still, its curve, and the next reading. */
export function RunningTest({ test, method, units, system, stage, log, pending, ahead }: Props) {
    const now = useNow(ahead);
    const [ref, { width }] = useSize<HTMLDivElement>();
    const unsent = pending.filter((one) => one.test === test.key && one.kind === 'reading').length;
    const said = (value: number): string => saidValue(value, method, units);
    const last = test.readings.at(-1)?.value ?? null;
    const left = test.until === null ? null : Date.parse(test.until) - now;
    return (
        <div className="test-running" ref={ref}>
            <h2>{t`${method.name}, under test`}</h2>
            {left !== null && left > 0 && (
                <p className="glue-next" role="timer">
                    <b className="mk">{timeLeft(left)}</b>
                    <span>{t`until it has held`}</span>
                </p>
            )}
            <p className="glue-sum" role="status">
                {testInWords(test, method, units)}
            </p>
            <p className="say">
                {wantedInWords(method, units)} {warmthToo(method, units)}
            </p>
            <p className="caution">
                <Shape kind="warn" size={20} /> {method.caution}
            </p>
            {method.unit.startsWith('mm of water') && method.required !== null && (
                <WaterGauge
                    value={last}
                    wanted={method.required}
                    said={last === null ? t`nothing read yet` : said(last)}
                />
            )}
            {method.unit !== '' && width > 0 && (
                <CurvePicture test={test} method={method} width={Math.min(width, 760)} now={now} said={said} />
            )}
            {method.unit === '' ? (
                <Looked
                    method={method}
                    onSaid={(ok) => log.add([{ kind: 'check', system, stage, check: method.kind, ok }])}
                />
            ) : (
                <ReadGauge
                    method={method}
                    units={units}
                    unsent={unsent}
                    onRead={(value, airC) =>
                        log.add([{ kind: 'reading', test: test.key, value, ...(airC === null ? {} : { air_c: airC }) }])
                    }
                />
            )}
            <button type="button" className="plain" onClick={() => log.add([{ kind: 'test-ended', test: test.key }])}>
                {t`End this test`}
            </button>
        </div>
    );
}

const GAUGE = ['gauge' as const];
const THERMOMETER = ['thermometer' as const];

interface ReadProps {
    method: TestMethod;
    units: Units;
    unsent: number;
    onRead: (value: number, airC: number | null) => void;
}

function ReadGauge({ method, units, unsent, onRead }: ReadProps) {
    const [text, setText] = useState('');
    const [problem, setProblem] = useState<string | null>(null);
    const [isByHand, setIsByHand] = useState(false);
    const instrument = useInstrument(method.unit === 'mm of water' ? GAUGE : [], {
        isByHand: () => isByHand,
        onValue: (value) => setText(typed(value, units)),
    });
    const [warmth, setWarmth] = useState('');
    const [isWarmthByHand, setIsWarmthByHand] = useState(false);
    const thermometer = useInstrument(method.per_degree === null ? [] : THERMOMETER, {
        isByHand: () => isWarmthByHand,
        onValue: (celsius) => setWarmth(degreesSaid(celsius, units)),
    });
    const read = (event: FormEvent): void => {
        event.preventDefault();
        const value = valueOf(text, method, units);
        const airC = warmth.trim() === '' ? null : degreesRead(warmth, units);
        if (warmth.trim() !== '' && airC === null) {
            setProblem(t`The temperature: a number of ${units === 'inch' ? '°F' : '°C'}, or nothing.`);
            return;
        }
        if (value === null) {
            setProblem(t`${askedFor(method, units)}: a number, such as ${method.kind === 'water' ? '0' : '38'}.`);
            return;
        }
        onRead(value, airC);
        setText('');
        setIsByHand(false);
        setWarmth('');
        setIsWarmthByHand(false);
        setProblem(null);
    };
    return (
        <form className="test-read" onSubmit={read}>
            <label className="choice">
                <span className="cap">{askedFor(method, units)}</span>
                <input
                    inputMode="decimal"
                    autoComplete="off"
                    value={text}
                    aria-invalid={problem !== null}
                    onChange={(event) => {
                        setText(event.target.value);
                        setIsByHand(event.target.value !== '');
                    }}
                />
            </label>
            {instrument.words !== null && <p className="cap from-instrument">{instrument.words}</p>}
            {method.per_degree !== null && (
                <label className="choice">
                    <span className="cap">{t`Beside the pipe it is (${units === 'inch' ? t`°F` : t`°C`})`}</span>
                    <input
                        inputMode="decimal"
                        autoComplete="off"
                        value={warmth}
                        onChange={(event) => {
                            setWarmth(event.target.value);
                            setIsWarmthByHand(event.target.value !== '');
                        }}
                    />
                </label>
            )}
            {thermometer.words !== null && <p className="cap from-instrument">{thermometer.words}</p>}
            <button type="submit" className="glue-joined">
                {t`It shows that now`}
            </button>
            <Problem text={problem} />
            {unsent > 0 && (
                <p className="cap">
                    {t`${unsent} ${unsent === 1 ? t`reading is` : t`readings are`} kept and not sent yet.`}
                </p>
            )}
        </form>
    );
}

/** Millimetres of water as they are typed into the field. */
const typed = (mm: number, units: Units): string => String(Number((units === 'inch' ? mm / 25.4 : mm).toFixed(2)));

/** A test without a gauge is judged by whoever looks. */
function Looked({ method, onSaid }: { method: TestMethod; onSaid: (ok: boolean) => void }) {
    return (
        <div className="test-looked">
            <p className="say">{method.pass}</p>
            <button type="button" className="glue-joined" onClick={() => onSaid(true)}>
                {t`So it is: passed`}
            </button>
            <button type="button" className="glue-joined" onClick={() => onSaid(false)}>
                {t`Not so: not passed`}
            </button>
        </div>
    );
}
