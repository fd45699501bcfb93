import { t } from '@lingui/core/macro';
import type { JobDocument, JobRow, RunReport, StandingReport } from '../api/types';
import type { ShapeKind } from './Shape';

export interface Station {
    key: string;
    name: string;
}

export const STATIONS: Station[] = [
    { key: 'look', name: t`Look` },
    { key: 'route', name: t`Route` },
    { key: 'make-up', name: t`Make-up` },
    { key: 'joints', name: t`Joints` },
    { key: 'cut', name: t`Cut` },
    { key: 'hang', name: t`Hang` },
    { key: 'glue-up', name: t`Glue-up` },
    { key: 'test', name: t`Test` },
    { key: 'record', name: t`Record` },
];

export interface Standing {
    shape: ShapeKind;
    text: string;
}

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

type Summary = NonNullable<JobRow['summary']>;

/** What a job on the board is at, as its summary says; a signed one is at the record. */
export const stationOf = ({ station }: Summary): Station =>
    STATIONS.find((one) => one.key === (station === 'done' ? 'record' : station)) ?? ROUTE;

const ROUTE: Station = { key: 'route', name: t`Route` };

/** How far a station is in the whole job, as the board has it. */
export function standingOnBoard(station: Station, { run, station: at, done }: Summary): Standing {
    if (!run) return { shape: 'open', text: station.key === at ? '' : t`no run` };
    const part = (of: number, all: number, what: string, every: string): Standing =>
        of === all && all > 0 ? { shape: 'done', text: every } : { shape: 'open', text: t`${of} of ${all} ${what}` };
    switch (station.key) {
        case 'cut':
            return part(done.pieces_cut, done.pieces, t`cut`, t`all cut`);
        case 'glue-up':
            return part(done.joints_made, done.joints, t`joints made`, t`all joined`);
        case 'test':
            return done.test_begun ? { shape: 'done', text: t`begun` } : { shape: 'open', text: t`not begun` };
        case 'record':
            return done.signed ? { shape: 'done', text: t`signed` } : { shape: 'open', text: t`not signed` };
        default:
            return standingOf(station, run.counts);
    }
}

type RunCounts = NonNullable<NonNullable<JobRow['summary']>['run']>['counts'];

/** What still keeps a station from being done; `cut` are the keys of the pieces that are cut; null: not read yet. */
export function standing(
    station: Station,
    run: RunReport | undefined,
    stood: StandingReport[] = [],
    cut: string[] | null = [],
): Standing {
    if (station.key === 'cut' && cut === null) return { shape: 'open', text: '' };
    if (station.key !== 'look') return standingOf(station, run && countsOf(run, cut ?? []));
    const unknown = stood.filter((pipe) => !pipe.known).length;
    if (stood.length === 0) return { shape: 'open', text: t`nothing entered` };
    return unknown === 0
        ? { shape: 'done', text: t`all known` }
        : { shape: 'unknown', text: t`${unknown} of ${stood.length} not known` };
}

function countsOf(run: RunReport, cut: string[]): RunCounts {
    const of = (severity: string): number => run.findings.filter((finding) => finding.severity === severity).length;
    const joints = run.joints ?? [];
    const open = joints.filter(
        (joint) => joint.state === 'unknown' || joint.state === 'none' || joint.state === 'refused',
    );
    return {
        legs: run.legs.length,
        stops: of('stop'),
        warnings: of('warn'),
        not_known: of('unknown'),
        pieces: run.pieces.length,
        pieces_to_cut: run.pieces.filter((piece) => !cut.includes(piece.key)).length,
        joints: joints.length,
        joints_open: open.length,
        joints_refused: open.filter((joint) => joint.state !== 'unknown').length,
    };
}

/** What a job without runs holds at a station: joints, or what was measured for a trap or a cut; null: nothing. */
export function standingBeside(station: Station, document: JobDocument): Standing | null {
    const joints = document.single_joints?.length ?? 0;
    const moves = document.moves?.length ?? 0;
    if (station.key === 'joints' && joints > 0) return { shape: 'open', text: count(joints, t`joint`, t`joints`) };
    return station.key === 'make-up' && moves > 0 ? { shape: 'open', text: t`${moves} measured` } : null;
}

/** The same from counts alone, as the board has them: of a station of a run. */
export function standingOf(station: Station, run: RunCounts | undefined): Standing {
    if (!run) return { shape: 'open', text: t`no run` };
    // Whether what stands is known is no matter of one run.
    if (station.key === 'look') return { shape: 'open', text: '' };
    if (station.key === 'cut') {
        if (run.pieces === 0) return { shape: 'open', text: t`nothing to cut` };
        if (run.pieces_to_cut === 0) return { shape: 'done', text: t`all cut` };
        return { shape: 'open', text: t`${count(run.pieces_to_cut, t`piece`, t`pieces`)} to cut` };
    }
    if (station.key === 'hang') return { shape: 'open', text: run.legs === 0 ? t`no leg yet` : t`hangers and levels` };
    if (station.key === 'make-up') return { shape: 'open', text: run.legs === 0 ? t`no leg yet` : t`from end to end` };
    if (station.key === 'glue-up') return { shape: 'open', text: run.joints === 0 ? t`no joint yet` : t`the day` };
    if (station.key === 'test') return { shape: 'open', text: run.joints === 0 ? t`no joint yet` : t`fill and look` };
    if (station.key === 'record') return { shape: 'open', text: t`what was done` };
    if (station.key === 'joints') {
        if (run.joints === 0) return { shape: 'open', text: t`no joint yet` };
        if (run.joints_open === 0) return { shape: 'done', text: t`all have a method` };
        return {
            shape: run.joints_refused > 0 ? 'stop' : 'unknown',
            text: t`${count(run.joints_open, t`has`, t`have`)} no method`,
        };
    }
    if (run.legs === 0) return { shape: 'open', text: t`call out a leg` };
    const parts = [
        run.stops > 0 && count(run.stops, t`stop`, t`stops`),
        run.warnings > 0 && count(run.warnings, t`warning`, t`warnings`),
    ].filter(Boolean);
    if (parts.length > 0) return { shape: run.stops > 0 ? 'stop' : 'warn', text: parts.join(', ') };
    return run.not_known > 0
        ? { shape: 'unknown', text: t`${run.not_known} not known` }
        : { shape: 'done', text: 'clear' };
}
