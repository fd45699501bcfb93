import { useEffect, useRef } from 'react';
import type { Running } from './running';

/** A short tone, where the browser lets a page make one. */
function beep(): void {
    try {
        const audio = new AudioContext();
        const tone = audio.createOscillator();
        tone.frequency.value = 880;
        tone.connect(audio.destination);
        tone.start();
        tone.stop(audio.currentTime + 0.4);
        // Without a tap before it the tone never begins, and so never ends.
        setTimeout(() => void audio.close(), 1_000);
    } catch {
        // Without sound there is the screen.
    }
}

/**
 * Says with a tone and a shake that a clock has ended, and keeps the screen awake while one runs; as far as the browser
 * can.
 */
export function useAttention(clocks: Running[], now: number): void {
    const before = useRef<Running[]>([]);
    useEffect(() => {
        const isRunningStill = (clock: Running): boolean =>
            clocks.some((one) => one.joint === clock.joint && one.what === clock.what);
        // One that was taken back has not ended.
        if (before.current.some((clock) => clock.until <= now && !isRunningStill(clock))) {
            beep();
            if ('vibrate' in navigator && navigator.userActivation?.hasBeenActive !== false)
                navigator.vibrate([300, 120, 300]);
        }
        before.current = clocks;
    }, [clocks, now]);
    const isRunning = clocks.length > 0;
    useEffect(() => {
        if (!isRunning || !('wakeLock' in navigator)) return;
        let lock: WakeLockSentinel | null = null;
        let isOver = false;
        const ask = (): void => {
            if (document.visibilityState !== 'visible') return;
            navigator.wakeLock.request('screen').then(
                (got) => {
                    if (isOver) void got.release();
                    else lock = got;
                },
                () => undefined,
            );
        };
        ask();
        document.addEventListener('visibilitychange', ask);
        return () => {
            isOver = true;
            document.removeEventListener('visibilitychange', ask);
            void lock?.release();
        };
    }, [isRunning]);
}
