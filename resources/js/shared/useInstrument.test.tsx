// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { converted, type InstrumentReading } from '../api/instruments';
import { useInstrument } from './useInstrument';

let say: (data: string) => void = () => undefined;
let open = 0;

class Stream {
    onmessage: ((event: { data: string }) => void) | null = null;
    constructor(readonly where: string) {
        open++;
        say = (data) => this.onmessage?.({ data });
    }
    close(): void {
        open--;
    }
}

beforeEach(() => {
    open = 0;
    vi.stubGlobal('EventSource', Stream);
});
afterEach(() => vi.unstubAllGlobals());

const reading = (other: Partial<InstrumentReading> = {}): InstrumentReading => ({
    device: 'gauge-1',
    kind: 'gauge',
    value: 38,
    unit: 'mmH2O',
    battery: 0.9,
    humidity: null,
    ...other,
});

const heard = (one: InstrumentReading): void => act(() => say(JSON.stringify(one)));

it('gives readings in the unit of their kind, and none of a unit that is not known', () => {
    const of = (kind: InstrumentReading['kind'], value: number, unit: string): number | null =>
        converted(reading({ kind, value, unit }));
    expect(of('level', 2, '%')).toBe(20);
    expect(of('level', 0.25, 'in/ft')).toBeCloseTo(20.8333, 3);
    expect(of('distance', 1.384, 'm')).toBeCloseTo(1384, 9);
    expect(of('calliper', 2.375, 'in')).toBeCloseTo(60.325, 9);
    expect(of('thermometer', 50, '°F')).toBeCloseTo(10, 9);
    expect(of('torque', 60, 'in·lb')).toBeCloseTo(6.779, 3);
    expect(of('gauge', 372.65, 'Pa')).toBeCloseTo(38, 2);
    expect(of('camera', 2, 'ft')).toBeCloseTo(609.6, 9);
    expect(of('gauge', 1, 'bar')).toBeNull();
    expect(of('gauge', 1, 'toString')).toBeNull();
});

it('takes a reading of its kind, with where it comes from, and no other', () => {
    const onValue = vi.fn();
    const { result, unmount } = renderHook(() => useInstrument(['gauge'], { onValue, isByHand: () => false }));
    heard(reading({ kind: 'distance', unit: 'mm' }));
    expect(onValue).not.toHaveBeenCalled();
    heard(reading({ battery: 0.1 }));
    expect(onValue).toHaveBeenCalledWith(38);
    expect(result.current.words).toMatch(/^from gauge-1, \d\d:\d\d; its battery is at 10 %$/);
    heard(reading({ unit: 'bar' }));
    expect(result.current.words).toContain('reads in bar, which is not known here');
    act(() => say('nonsense'));
    unmount();
    expect(open).toBe(0);
});

it('leaves what was typed, and says what it would have been', () => {
    const onValue = vi.fn();
    const { result } = renderHook(() => useInstrument(['gauge'], { onValue, isByHand: () => true }));
    heard(reading());
    expect(onValue).not.toHaveBeenCalled();
    expect(result.current.words).toBe('gauge-1 reads 38 mmH2O; what you typed stays.');
});

it('hears nothing where nothing is waited for', () => {
    renderHook(() => useInstrument([], { onValue: vi.fn(), isByHand: () => false }));
    expect(open).toBe(0);
});
