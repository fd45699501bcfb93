import type { JobLeg, JobLegUnread, JobRun, LegReport, Units } from '../../api/types';

type Leg = JobLeg | JobLegUnread;

export const isRead = (leg: Leg): leg is JobLeg => 'way' in leg;

const FALL_STEP = { inch: 1000 / 96, mm: 1 };
const LENGTH_STEP = { inch: 12.7, mm: 5 };

/** The run with one leg changed; a leg that was not read is left alone. */
export function changeLeg(run: JobRun, id: string, edit: (leg: JobLeg) => JobLeg): JobRun {
    return { ...run, legs: run.legs.map((leg) => (leg.id === id && isRead(leg) ? edit(leg) : leg)) };
}

/** One step of the tape longer or shorter: half an inch, or 5 mm. */
export function stepLength(leg: JobLeg, units: Units, steps: number): JobLeg {
    const step = LENGTH_STEP[units];
    return { ...leg, length_mm: Math.max(step, (leg.length_mm ?? 0) + steps * step) };
}

/**
 * One step steeper or flatter: 1/8 in per ft, or 1 mm per m. Starts from what was said last, drawn or not; where
 * nothing was, from the fall that the leg has.
 */
export function stepFall(leg: JobLeg, report: LegReport, units: Units, steps: number): JobLeg {
    const { drop_mm: _, ...rest } = leg;
    const step = FALL_STEP[units];
    const now = leg.fall_mm_per_m ?? report.fall?.mm_per_m ?? 0;
    return { ...rest, fall_mm_per_m: Math.max(0, (Math.round(now / step) + steps) * step) };
}

export function setFall(leg: JobLeg, mmPerM: number): JobLeg {
    const { drop_mm: _, ...rest } = leg;
    return { ...rest, fall_mm_per_m: mmPerM };
}

export function setWay(leg: JobLeg, way: JobLeg['way']): JobLeg {
    const { turn_deg: angle, fall_mm_per_m: fall, drop_mm: drop, ...rest } = leg;
    const upright = way === 'up' || way === 'down';
    const takesAngle = upright || way === 'left' || way === 'right';
    return {
        ...rest,
        way,
        ...(takesAngle && angle !== undefined ? { turn_deg: angle } : {}),
        ...(!upright && fall !== undefined ? { fall_mm_per_m: fall } : {}),
        ...(!upright && drop !== undefined ? { drop_mm: drop } : {}),
    };
}

/**
 * What the leg takes of what the levelled ends leave open: a share of the fall, or as an upright the rest of the drop;
 * undefined: what was said.
 */
export function setTakes(leg: JobLeg, report: LegReport, takes: JobLeg['takes']): JobLeg {
    const { takes: _, fall_mm_per_m: fall, drop_mm: drop, length_mm: length, ...rest } = leg;
    if (takes === 'rest') return { ...rest, takes };
    const long = length ?? report.length?.mm ?? 300;
    if (takes === 'share') return { ...rest, length_mm: long, takes };
    return {
        ...rest,
        length_mm: long,
        ...(fall === undefined ? {} : { fall_mm_per_m: fall }),
        ...(drop === undefined ? {} : { drop_mm: drop }),
    };
}

/** The choice of fitting by its key: empty leaves it open. */
export function setFitting(leg: JobLeg, key: string): JobLeg {
    const { fitting: _, ...rest } = leg;
    if (key === '') return rest;
    const patterns = key.split('+') as NonNullable<JobLeg['fitting']>['patterns'];
    return { ...rest, fitting: { patterns } };
}

export const fittingKey = (leg: JobLeg): string => leg.fitting?.patterns.join('+') ?? '';

export function removeLeg(run: JobRun, id: string): JobRun {
    return { ...run, legs: run.legs.filter((leg) => leg.id !== id) };
}

/** A new leg after another: straight on, two feet or half a metre, to be changed at once. */
export function addLegAfter(run: JobRun, id: string | null, units: Units): { run: JobRun; id: string } {
    const next = run.next_leg ?? run.legs.length + 1;
    const leg: JobLeg = { id: `l${next}`, way: 'on', length_mm: units === 'inch' ? 609.6 : 500 };
    const at = id === null ? run.legs.length : run.legs.findIndex((one) => one.id === id) + 1;
    return {
        run: { ...run, legs: [...run.legs.slice(0, at), leg, ...run.legs.slice(at)], next_leg: next + 1 },
        id: leg.id,
    };
}
