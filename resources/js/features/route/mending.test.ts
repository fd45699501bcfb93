import { describe, expect, it } from 'vitest';
import type { Finding, JobLeg, JobRun, RunReport } from '../../api/types';
import { mendingOf } from './mending';

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
const mended = (one: Finding): JobLeg => mendingOf(one, run, plan)?.edit(plan).legs[0] as JobLeg;

describe('mending what a finding says', () => {
    it('lays a leg at the least fall, in place of its drop', () => {
        const one = finding('fall.least', { least_mm_per_m: 20 });
        expect(mendingOf(one, run, plan)?.label).toBe('Lay B at the least fall');
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
        expect(mendingOf(finding('size.reduced', {}), run, plan)).toBeNull();
        expect(mendingOf(finding('fall.least', {}), run, plan)).toBeNull();
        expect(
            mendingOf(finding('fall.least', { least_mm_per_m: 20 }, 2), run, plan),
            'a leg that was not read',
        ).toBeNull();
        expect(mendingOf(finding('fall.least', { least_mm_per_m: 20 }, 9), run, plan)).toBeNull();
    });
});
