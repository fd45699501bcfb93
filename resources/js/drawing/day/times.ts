/** The time of day in an ISO 8601 time, as it stands there: `09:40`. */
export const clockOf = (time: string): string => time.slice(11, 16);

/** The same to the second where it is not a whole minute: `09:40:12`. */
export const clockToTheSecond = (time: string): string =>
    time.slice(17, 19) === '00' ? clockOf(time) : time.slice(11, 19);

/** Minutes from one time to another. */
export const minutesBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 60_000;

/** The time so many minutes later, in the same zone. */
export function later(time: string, minutes: number): string {
    const zone = /([+-])(\d{2}):(\d{2})$/.exec(time);
    const ahead = zone === null ? 0 : (zone[1] === '-' ? -1 : 1) * (Number(zone[2]) * 60 + Number(zone[3]));
    const moment = Date.parse(time) + (ahead + minutes) * 60_000;
    return new Date(moment).toISOString().slice(0, 19) + (zone?.[0] ?? 'Z');
}

/** How long, as one says it: `35 min`, `2 h`, `1 h 40 min`. */
export function minutesInWords(minutes: number): string {
    const whole = Math.round(minutes);
    const [hours, rest] = [Math.floor(whole / 60), whole % 60];
    return [hours > 0 ? `${hours} h` : '', rest > 0 || hours === 0 ? `${rest} min` : ''].filter(Boolean).join(' ');
}

/** Where an hour or part of it is marked along so many minutes: few enough to be read. */
export const tickEvery = (minutes: number): number =>
    [5, 10, 15, 30, 60, 120, 240, 480, 720].find((step) => minutes / step <= 9) ?? 1440;
