import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { hear, pressStandIn, standIns, type Instrument, type InstrumentReading } from '../../api/instruments';
import { Problem } from '../../shared/Problem';

const KINDS: Record<Instrument['kind'], string> = {
    level: t`Level, mm per m`,
    distance: t`Laser distance, mm`,
    calliper: t`Caliper, mm`,
    thermometer: t`Thermometer with humidity, °C`,
    torque: t`Torque driver, N·m`,
    gauge: t`Water gauge, mm of water`,
    camera: t`Pipe camera, mm along the pipe`,
};

/** The instruments: those that stand in for real ones are pressed here; what any of them reads is heard. */
export function InstrumentsTab() {
    const { data } = useQuery({ queryKey: ['stand-ins'], queryFn: standIns, refetchInterval: 10_000 });
    const [heard, setHeard] = useState<InstrumentReading[]>([]);
    useEffect(() => hear((reading) => setHeard((before) => [reading, ...before].slice(0, 12))), []);
    return (
        <section className="instruments">
            <h2>{t`Instruments`}</h2>
            <p className="say">
                <Trans>
                    A field that waits takes what an instrument reads, and says from which; what is typed goes before
                    it. An instrument of your own sends lines of JSON, as docs/instruments.md says. These stand in for
                    real ones.
                </Trans>
            </p>
            {data?.length === 0 && <p className="none">{t`There are no instruments within reach.`}</p>}
            <ul>
                {(data ?? []).map((one) => (
                    <StandIn key={one.device} instrument={one} />
                ))}
            </ul>
            <h2>{t`Heard`}</h2>
            {heard.length === 0 && <p className="none">{t`Nothing yet.`}</p>}
            <ul aria-live="polite">
                {heard.map((one, n) => (
                    <li key={`${heard.length - n} ${one.device} ${one.value}`}>
                        <b>{one.device}</b> {Math.round(one.value * 100) / 100} {one.unit}
                        {one.humidity !== null && t`, ${one.humidity} % humidity`}
                        {one.battery !== null && one.battery < 0.15 && (
                            <span className="cap"> {t`battery at ${Math.round(one.battery * 100)} %`}</span>
                        )}
                    </li>
                ))}
            </ul>
        </section>
    );
}

function StandIn({ instrument }: { instrument: Instrument }) {
    const [text, setText] = useState('');
    const [problem, setProblem] = useState<string | null>(null);
    const press = async (): Promise<void> => {
        const value = text.trim() === '' ? null : Number(text.replace(',', '.'));
        if (value !== null && !Number.isFinite(value)) {
            setProblem(t`What ${instrument.device} is held to: a number, such as 38.`);
            return;
        }
        setProblem(await pressStandIn(instrument.device, value));
    };
    return (
        <li>
            <span>
                <b>{instrument.device}</b>
                <span className="cap"> {KINDS[instrument.kind]}</span>
            </span>
            <label>
                <span className="cap">{t`held to`} </span>
                <input
                    inputMode="decimal"
                    value={text}
                    aria-label={t`What ${instrument.device} is held to`}
                    onChange={(event) => setText(event.target.value)}
                />
            </label>
            <button type="button" className="plain" onClick={() => void press()}>
                {t`Press`}
            </button>
            <Problem text={problem} />
        </li>
    );
}
