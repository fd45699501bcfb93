// @vitest-environment jsdom
import { renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Running } from './running';
import { useAttention } from './useAttention';

const NOW = 1_000;
const clock = (joint: string, until = NOW): Running => ({ joint, what: 'move', until });
const vibrate = vi.fn();
const release = vi.fn(() => Promise.resolve());
const request = vi.fn(() => Promise.resolve({ release }));

beforeEach(() => {
    vi.clearAllMocks();
    Object.assign(navigator, { vibrate });
    Object.defineProperty(navigator, 'wakeLock', { value: { request }, configurable: true });
});

afterEach(() => vi.restoreAllMocks());

const attend = (clocks: Running[]) =>
    renderHook(({ now }: { now: Running[] }) => useAttention(now, NOW), { initialProps: { now: clocks } });

it('shakes when a clock ends, and at nothing else', () => {
    const { rerender } = attend([clock('1'), clock('2')]);
    rerender({ now: [clock('1'), clock('2'), clock('3')] });
    expect(vibrate).not.toHaveBeenCalled();
    rerender({ now: [clock('2'), clock('3')] });
    expect(vibrate).toHaveBeenCalledTimes(1);
});

it('says nothing of a joint that is taken back', () => {
    const { rerender } = attend([clock('1', NOW + 60_000)]);
    rerender({ now: [] });
    expect(vibrate).not.toHaveBeenCalled();
});

it('keeps the screen awake while a clock runs', async () => {
    const { rerender, unmount } = attend([]);
    expect(request).not.toHaveBeenCalled();
    rerender({ now: [clock('1')] });
    expect(request).toHaveBeenCalledWith('screen');
    await Promise.resolve();
    await Promise.resolve();
    rerender({ now: [] });
    expect(release).toHaveBeenCalledTimes(1);
    unmount();
});

it('does without what the browser cannot do', () => {
    Object.defineProperty(navigator, 'wakeLock', { value: undefined, configurable: true });
    Reflect.deleteProperty(navigator, 'wakeLock');
    Reflect.deleteProperty(navigator, 'vibrate');
    const { rerender } = attend([clock('1')]);
    expect(() => rerender({ now: [] })).not.toThrow();
});
