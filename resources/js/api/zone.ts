/** The zone of this device at a time: `+01:00`. */
export function zoneOf(at: Date): string {
    const ahead = -at.getTimezoneOffset();
    const two = (n: number): string => String(n).padStart(2, '0');
    return `${ahead < 0 ? '-' : '+'}${two(Math.floor(Math.abs(ahead) / 60))}:${two(Math.abs(ahead) % 60)}`;
}
