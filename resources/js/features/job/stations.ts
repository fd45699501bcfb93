import type { RunReport } from '../../api/types';
import type { ShapeKind } from '../../drawing/Shape';

export interface Station {
    key: string;
    name: string;
    /** what it will do, where it is still to come */
    toCome: string | null;
}

export const STATIONS: Station[] = [
    { key: 'look', name: 'Look', toCome: 'Every pipe that the job ties to: what it is, by what evidence, where its end stands.' },
    { key: 'route', name: 'Route', toCome: null },
    { key: 'make-up', name: 'Make-up', toCome: 'Two ends that stand where they stand, and the bends that join them.' },
    { key: 'joints', name: 'Joints', toCome: 'The register of all joints: method, parts, steps and times.' },
    { key: 'cut', name: 'Cut', toCome: null },
    { key: 'hang', name: 'Hang', toCome: 'Hangers, their spacing and levels, and what sags between them.' },
    { key: 'glue-up', name: 'Glue-up', toCome: 'The order of joining, with its clocks.' },
    { key: 'test', name: 'Test', toCome: 'Filling, waiting, reading the level.' },
    { key: 'record', name: 'Record', toCome: 'What was done, by whom, signed.' },
];

export interface Standing {
    shape: ShapeKind;
    text: string;
}

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** What still keeps a station from being done. */
export function standing(station: Station, run: RunReport | undefined): Standing {
    if (station.toCome !== null || !run) return { shape: 'open', text: station.toCome !== null ? 'to come' : 'no run yet' };
    if (station.key === 'cut')
        return {
            shape: 'open',
            text: run.pieces.length === 0 ? 'nothing to cut' : `${count(run.pieces.length, 'piece', 'pieces')} to cut`,
        };
    const of = (severity: string): number => run.findings.filter((finding) => finding.severity === severity).length;
    const [stops, warns, unknown] = [of('stop'), of('warn'), of('unknown')];
    if (run.legs.length === 0) return { shape: 'open', text: 'call out a leg' };
    const parts = [stops && count(stops, 'stop', 'stops'), warns && count(warns, 'warning', 'warnings')].filter(Boolean);
    if (parts.length > 0) return { shape: stops ? 'stop' : 'warn', text: parts.join(', ') };
    return unknown ? { shape: 'unknown', text: `${unknown} not known` } : { shape: 'done', text: 'clear' };
}
