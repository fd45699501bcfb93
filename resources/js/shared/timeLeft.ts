import { twoDigits } from './twoDigits';

/** How long is left, as a clock shows it: `4:07`, `1:30:00`. What is begun counts. */
export function timeLeft(ms: number): string {
    const seconds = Math.max(0, Math.ceil(ms / 1_000));
    const [h, m, s] = [Math.floor(seconds / 3_600), Math.floor(seconds / 60) % 60, seconds % 60];
    return h > 0 ? `${h}:${twoDigits(m)}:${twoDigits(s)}` : `${m}:${twoDigits(s)}`;
}
