import { t } from '@lingui/core/macro';
/** What an instrument measures. */
export type InstrumentKind = 'level' | 'distance' | 'calliper' | 'thermometer' | 'torque' | 'gauge' | 'camera';

/** What an instrument sent, as it sent it. */
export interface InstrumentReading {
    device: string;
    kind: InstrumentKind;
    value: number;
    unit: string;
    battery: number | null;
    humidity: number | null;
}

export interface Instrument {
    device: string;
    kind: InstrumentKind;
    battery: number;
}

/** By what a reading in another unit is multiplied to be in that of its kind. */
const UNITS: Record<InstrumentKind, Record<string, (value: number) => number>> = {
    level: { 'mm/m': (v) => v, '%': (v) => v * 10, 'in/ft': (v) => (v * 1_000) / 12 },
    distance: { mm: (v) => v, cm: (v) => v * 10, m: (v) => v * 1_000, in: (v) => v * 25.4, ft: (v) => v * 304.8 },
    calliper: { mm: (v) => v, in: (v) => v * 25.4 },
    thermometer: { '°C': (v) => v, '°F': (v) => (v - 32) / 1.8 },
    torque: { 'N·m': (v) => v, 'in·lb': (v) => v * 0.1129848 },
    gauge: { mmH2O: (v) => v, inH2O: (v) => v * 25.4, Pa: (v) => v / 9.80665 },
    camera: { mm: (v) => v, m: (v) => v * 1_000, ft: (v) => v * 304.8 },
};

/** A reading in the unit of its kind (mm/m, mm, °C, N·m, mm of water); null where its own unit is none of these. */
export function converted({ kind, value, unit }: InstrumentReading): number | null {
    const convert = Object.hasOwn(UNITS[kind] ?? {}, unit) ? UNITS[kind][unit] : undefined;
    return convert ? convert(value) : null;
}

/** Hears the instruments until it is given up; where there are none, nothing comes. */
export function hear(onReading: (reading: InstrumentReading) => void): () => void {
    if (typeof EventSource === 'undefined') return () => undefined;
    const source = new EventSource('/instruments/events');
    source.onmessage = (event: MessageEvent<string>) => {
        try {
            onReading(JSON.parse(event.data) as InstrumentReading);
        } catch {
            // What is no reading is not heard.
        }
    };
    return () => source.close();
}

/** The instruments that stand in for real ones; none where there is nobody to ask. */
export async function standIns(): Promise<Instrument[]> {
    try {
        const answer = await fetch('/instruments/devices');
        return answer.ok ? ((await answer.json()) as { devices: Instrument[] }).devices : [];
    } catch {
        return [];
    }
}

/** Presses the button of a stand-in, held to a value where one is said; null where it read, or why it did not. */
export async function pressStandIn(device: string, value: number | null): Promise<string | null> {
    try {
        const answer = await fetch(`/instruments/devices/${device}/press`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify(value === null ? {} : { value }),
        });
        return answer.ok ? null : await answer.text();
    } catch {
        return t`No answer from the instruments.`;
    }
}
