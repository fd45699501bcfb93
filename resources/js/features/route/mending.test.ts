import { describe, expect, it } from 'vitest';
import type { Finding, JobLeg, JobRun, RunReport } from '../../api/types';
import { mendingsOf } from './mending';

const leg: JobLeg = { id: 'l1', way: 'left', length_mm: 100, drop_mm: 3, fitting: { patterns: ['quarter'] } };
const plan = { id: 'r', legs: [leg, { id: 'l2', unread: 'banana' }] } as unknown as JobRun;
const run = {
    legs: [
        { id: 'l1', number: 1, pieces: ['B'] },
        { id: 'l2', number: 2, pieces: [] },
    ],
} as unknown as RunReport;
const finding = (rule: string, params: Record<string, number | string>, number = 1): Finding =>
    ({ rule, params, where: { leg: number } }) as unknown as Finding;
const mended = (one: Finding): JobLeg => mendingsOf(one, run, plan)[0]?.edit(plan).legs[0] as JobLeg;

describe('mending what a finding says', () => {
    it('lays a leg at the least fall, in place of its drop', () => {
        const one = finding('fall.least', { least_mm_per_m: 20 });
        expect(mendingsOf(one, run, plan)[0]?.label).toBe('Lay B at the least fall');
        expect(mended(one)).toEqual({
            id: 'l1',
            way: 'left',
            length_mm: 100,
            fall_mm_per_m: 20,
            fitting: { patterns: ['quarter'] },
        });
    });

    it('makes a leg long enough, to the next mark of the tape and never short of what is needed', () => {
        for (const needed of [101.6, 101.7, 190.8052, 12.7]) {
            const length = mended(finding('leg.impossible', { needed_atleast_mm: needed })).length_mm ?? 0;
            expect(length).toBeGreaterThanOrEqual(needed - 1e-6);
            expect(length - needed).toBeLessThan(25.4 / 16);
            expect((length / (25.4 / 16)) % 1).toBeCloseTo(0, 5);
        }
    });

    it('leaves the choice of bend open again', () => {
        expect(mended(finding('turn.pattern', {})).fitting).toBeUndefined();
        expect(mended(finding('joint.strain', {})).length_mm).toBe(100);
    });

    it('offers nothing where no single change mends it', () => {
        expect(mendingsOf(finding('size.reduced', {}), run, plan)).toEqual([]);
        expect(mendingsOf(finding('fall.least', {}), run, plan)).toEqual([]);
        expect(
            mendingsOf(finding('fall.least', { least_mm_per_m: 20 }, 2), run, plan),
            'a leg that was not read',
        ).toEqual([]);
        expect(mendingsOf(finding('fall.least', { least_mm_per_m: 20 }, 9), run, plan)).toEqual([]);
    });

    it('takes a fitting and a rolled bend for a branch that no fitting makes, in the run that enters', () => {
        const params = {
            branch_run: 'side',
            one_fitting: '4 × 3 wye',
            one_bend: '45',
            one_roll_deg: 54.7,
            one_turn_deg: -30,
            one_fall: 750,
            one_long: 250,
            one_shorter: 115,
            one_further: 60,
        };
        const side = {
            id: 'side',
            legs: [{ id: 'l1', way: 'south', length_mm: 2500 }],
            next_leg: 2,
            tie_in: { kind: 'branch', branch: { run: 'main', leg: 'l1', at_mm: 3000 } },
        } as unknown as JobRun;
        const [mending, ...others] = mendingsOf(finding('branch.noAngle', params), run, plan);
        expect([mending?.label, mending?.run, others]).toEqual(['4 × 3 wye and 45, rolled 55°', 'side', []]);
        const after = mending?.edit(side);
        expect(after?.legs).toEqual([
            { id: 'l1', way: 'south', length_mm: 2385 },
            { id: 'l2', way: 'left', turn_deg: 30, length_mm: 250, fall_mm_per_m: 750 },
        ]);
        expect([after?.next_leg, after?.tie_in.branch?.at_mm]).toEqual([3, 3060]);
    });
});
