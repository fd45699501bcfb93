import type { IdentifyOutput, JointEnd, JointMethod } from '../../api/types';

type Candidate = Pick<IdentifyOutput['candidates'][number], 'od_mm' | 'material'>;

const LOOKS: Record<string, { end: string; method: string; bands?: number }> = {
    bell: { end: 'bell', method: 'bell-gasket' },
    'iron-bell': { end: 'hub', method: 'hub-gasket' },
    'clay-bell': { end: 'bell', method: 'bell-gasket' },
    'ring-bell': { end: 'bell', method: 'bell-gasket' },
    band: { end: 'plain', method: 'no-hub-shielded', bands: 2 },
    'solvent-socket': { end: 'solvent-socket', method: 'solvent-pvc' },
    'ring-socket': { end: 'ring-socket', method: 'push-fit' },
    thread: { end: 'female-thread', method: 'threaded' },
    solder: { end: 'solvent-socket', method: 'soldered-drainage' },
    'slip-nut': { end: 'slip-nut', method: 'slip-joint' },
    'compression-nut': { end: 'plain', method: 'universal-compression' },
    'groove-nut': { end: 'plain', method: 'grooved-mechanical' },
    sleeve: { end: 'plain', method: 'flexible-unshielded' },
};

/**
 * What a joint of a standing pipe looks like, so that it can be recognised: two ends of the pipe and what holds them,
 * for the drawing.
 */
export function seenJoint(kind: string, pipe: Candidate): { a: JointEnd; b: JointEnd; method: JointMethod } | null {
    const look = LOOKS[kind];
    if (!look) return null;
    const end = (as: string): JointEnd => ({
        system: '',
        size: '',
        kind: as,
        name: '',
        letters: '',
        material: pipe.material,
        od_mm: pipe.od_mm,
        wall_mm: Math.max(3, pipe.od_mm * 0.05),
        depth_mm: pipe.od_mm * 0.45,
        depth_known: true,
        measured: false,
        fixed: false,
        source: { table: '', row: '', source: '', confidence: 'high', status: 'stated' },
    });
    const method: JointMethod = {
        insert_a: null,
        insert_b: null,
        gap: null,
        changes: null,
        method: look.method,
        name: '',
        maker_name: '',
        say: '',
        family: look.method.startsWith('solvent') ? 'cement' : '',
        variant: '',
        parts: [],
        instead: [],
        insert_a_mm: pipe.od_mm * 0.42,
        insert_b_mm: pipe.od_mm * 0.42,
        gap_mm: look.end === 'plain' ? 2 : 0,
        reach_mm: null,
        slide_room_mm: null,
        torque_nm: null,
        torque_in_lb: null,
        driver: '',
        bands: look.bands ?? 0,
        opens: false,
        price_class: 1,
        steps: [],
        times: { working_s: null, hold_s: null, set_min: null, cure_min: null, first_water: 'at-once' },
        by_temperature: [],
        check: '',
        troubles: [],
        cautions: [],
        findings: [],
        unknown: [],
    };
    return { a: end('plain'), b: end(look.end), method };
}
