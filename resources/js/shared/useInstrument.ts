import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState } from 'react';
import { converted, hear, type InstrumentKind, type InstrumentReading } from '../api/instruments';
import { localClock } from './localClock';

/** What a field that waits says of the reading that it took, or why it took none. */
export interface FromInstrument {
    words: string | null;
}

interface Field {
    onValue: (value: number) => void;
    humidity?: (value: number) => void;
    /** whether somebody has typed into the field: that goes before what is read */
    isByHand: () => boolean;
}

/** Takes the readings of some kinds of instruments for a field that waits; the hand always overrules. */
export function useInstrument(kinds: InstrumentKind[], field: Field): FromInstrument {
    const [words, setWords] = useState<string | null>(null);
    const latest = useRef({ kinds, field });
    useEffect(() => {
        latest.current = { kinds, field };
    });
    const isWaiting = kinds.length > 0;
    useEffect(() => {
        if (!isWaiting) return;
        return hear((reading) => {
            if (!latest.current.kinds.includes(reading.kind)) return;
            const { onValue, humidity, isByHand } = latest.current.field;
            const value = converted(reading);
            if (value === null)
                setWords(
                    t`${reading.device} reads in ${reading.unit}, which is not known here: set it to another unit.`,
                );
            else if (isByHand())
                setWords(t`${reading.device} reads ${reading.value} ${reading.unit}; what you typed stays.`);
            else {
                onValue(value);
                if (reading.humidity !== null) humidity?.(reading.humidity);
                setWords(t`from ${reading.device}, ${localClock(new Date().toISOString())}${lowBattery(reading)}`);
            }
        });
    }, [isWaiting]);
    return { words };
}

const lowBattery = ({ battery }: InstrumentReading): string =>
    battery !== null && battery < 0.15 ? t`; its battery is at ${Math.round(battery * 100)} %` : '';
