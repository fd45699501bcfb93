import type { Account, IdentifyOutput, Source, SystemSummary } from '../api/types';

/** Who is signed in. */
export const ANNA: Account = {
    name: 'Anna',
    email: 'anna@weir.example',
    crew: 1,
    second_factor: false,
    crews: [{ id: 1, name: 'Weir crew', role: 'owner' }],
};

export const source = (row: string): Source => ({
    table: 'pipes',
    row,
    source: 'makers’ tables',
    confidence: 'high',
    status: 'stated',
});

type Candidate = IdentifyOutput['candidates'][number];

const candidate = (system: Candidate['system'], short: string, likelihood: number): Candidate => ({
    system,
    size: '2',
    nominal: '2 in',
    short,
    material: system.startsWith('abs') ? 'abs' : 'pvc',
    drain: true,
    ends: ['plain'],
    joints_seen: ['solvent-socket'],
    od_mm: 60.325,
    low_mm: 60.1,
    high_mm: 60.5,
    od_said: '2 3/8 in',
    round_said: '7 1/2 in',
    doubtful: false,
    source: source(system),
    likelihood,
    because: ['It measures 60.3 mm across.'],
    tell_apart: `${short} by its colour.`,
});

/** Two pipes that measure alike, one that is too wide, and the check that tells. */
export function identified(other: Partial<IdentifyOutput> = {}): IdentifyOutput {
    const { likelihood: _, because: __, tell_apart: ___, ...wide } = candidate('ci-no-hub', 'Iron, no hub', 0);
    return {
        candidates: [candidate('pvc-dwv-40', 'PVC 40', 0.78), candidate('abs-dwv-40', 'ABS 40', 0.21)],
        excluded: [{ ...wide, od_mm: 65, low_mm: 64, high_mm: 66, out: 'too wide' }],
        none: { likelihood: 0.01, is_likeliest: false, say: 'None of these is possible too.', stop: null, may_be: [] },
        next_check: {
            by: 'colour',
            title: 'its colour',
            how: 'Scrape it.',
            bits: 0.7,
            calliper_decides: false,
            answers: [
                { value: 'white', label: 'White all through', leads_to: ['PVC 40'], likelihood: 0.78 },
                { value: 'black', label: 'Black all through', leads_to: ['ABS 40'], likelihood: 0.21 },
            ],
        },
        read_od_mm: 60.325,
        read_error_mm: 3.175,
        findings: [],
        sources: [],
        ...other,
    };
}

export const system = (key: string, short: string, other: Partial<SystemSummary> = {}): SystemSummary => ({
    key,
    name: `${short} pipe`,
    short,
    region: 'us',
    material: 'pvc',
    letters: short,
    laid: true,
    drain: true,
    sizes: ['1-1/2', '2', '3'],
    laid_sizes: ['1-1/2', '2', '3'],
    ends: ['plain', 'solvent-socket'],
    ...other,
});
