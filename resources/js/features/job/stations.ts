import type { RunReport, StandingReport } from '../../api/types';
import type { ShapeKind } from '../../drawing/Shape';

export interface Station {
    key: string;
    name: string;
    /** what it will do, where it is still to come */
    toCome: string | null;
}

export const STATIONS: Station[] = [
    { key: 'look', name: 'Look', toCome: null },
    { key: 'route', name: 'Route', toCome: null },
    { key: 'make-up', name: 'Make-up', toCome: null },
    { key: 'joints', name: 'Joints', toCome: null },
    { key: 'cut', name: 'Cut', toCome: null },
    { key: 'hang', name: 'Hang', toCome: null },
    { key: 'glue-up', name: 'Glue-up', toCome: 'The order of joining, with its clocks.' },
    { key: 'test', name: 'Test', toCome: 'Filling, waiting, reading the level.' },
    { key: 'record', name: 'Record', toCome: 'What was done, by whom, signed.' },
];

export interface Standing {
    shape: ShapeKind;
    text: string;
}

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** What still keeps a station from being done; `cut` are the keys of the pieces that are cut. */
export function standing(station: Station, run: RunReport | undefined, stood: StandingReport[] = [], cut: string[] = []): Standing {
    if (station.key === 'look') {
        const unknown = stood.filter((pipe) => !pipe.known).length;
        if (stood.length === 0) return { shape: 'open', text: 'nothing entered' };
        return unknown === 0 ? { shape: 'done', text: 'all known' } : { shape: 'unknown', text: `${unknown} of ${stood.length} not known` };
    }
    if (station.toCome !== null || !run) return { shape: 'open', text: station.toCome !== null ? 'to come' : 'no run yet' };
    if (station.key === 'cut') {
        const left = run.pieces.filter((piece) => !cut.includes(piece.key)).length;
        if (run.pieces.length === 0) return { shape: 'open', text: 'nothing to cut' };
        return left === 0 ? { shape: 'done', text: 'all cut' } : { shape: 'open', text: `${count(left, 'piece', 'pieces')} to cut` };
    }
    if (station.key === 'hang') return { shape: 'open', text: run.legs.length === 0 ? 'no leg yet' : 'hangers and levels' };
    if (station.key === 'make-up') return { shape: 'open', text: run.legs.length === 0 ? 'no leg yet' : 'from end to end' };
    if (station.key === 'joints') {
        const open = run.joints.filter((joint) => joint.state === 'unknown' || joint.state === 'none' || joint.state === 'refused');
        if (run.joints.length === 0) return { shape: 'open', text: 'no joint yet' };
        if (open.length === 0) return { shape: 'done', text: 'all have a method' };
        const refused = open.some((joint) => joint.state === 'refused' || joint.state === 'none');
        return { shape: refused ? 'stop' : 'unknown', text: `${count(open.length, 'has', 'have')} no method` };
    }
    const of = (severity: string): number => run.findings.filter((finding) => finding.severity === severity).length;
    const [stops, warns, unknown] = [of('stop'), of('warn'), of('unknown')];
    if (run.legs.length === 0) return { shape: 'open', text: 'call out a leg' };
    const parts = [stops && count(stops, 'stop', 'stops'), warns && count(warns, 'warning', 'warnings')].filter(Boolean);
    if (parts.length > 0) return { shape: stops ? 'stop' : 'warn', text: parts.join(', ') };
    return unknown ? { shape: 'unknown', text: `${unknown} not known` } : { shape: 'done', text: 'clear' };
}
