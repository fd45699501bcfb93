import { describe, expect, it } from 'vitest';
import type { JobLeg, JobRun, LegReport } from '../../api/types';
import { fractionOf } from '../../drawing/Said';
import { completionOf, stretchesOf } from './completion';
import { addLegAfter, changeLeg, removeLeg, setFitting, setTakes, setWay, stepFall, stepLength } from './legEdits';

const leg: JobLeg = { id: 'l1', way: 'left', turn_deg: 45, length_mm: 254, fall_mm_per_m: 1000 / 48 };
const run = { id: 'r', legs: [leg, { id: 'l2', unread: 'banana' }], next_leg: 3 } as unknown as JobRun;
const report = { fall: { mm_per_m: 1000 / 48, inch: '1/4', metric: '20.8' } } as LegReport;

describe('completing a word', () => {
    it.each([
        ['down 14 / ri', ''],
        ['down 14 / rig', 'ht'],
        ['le', ''],
        ['lef', 't'],
        ['left 20 with lo', 'ng sweep'],
        ['left', ''],
        ['left 20', ''],
        ['', ''],
    ])('%s', (text, rest) => expect(completionOf(text)).toBe(rest));
});

describe('marking a line', () => {
    it('marks what was not understood and lights the selected leg, counting characters', () => {
        const text = 'é 🙂 bad / good';
        const stretches = stretchesOf(text, [{ at: 4, length: 3 }], { at: 10, length: 4 });
        expect(stretches.map((one) => one.text).join('')).toBe(text);
        expect(stretches.find((one) => one.bad)?.text).toBe('bad');
        expect(stretches.find((one) => one.lit)?.text).toBe('good');
    });
});

describe('changing a leg', () => {
    it('steps by half an inch or 5 mm and never to nothing', () => {
        expect(stepLength(leg, 'inch', 1).length_mm).toBeCloseTo(266.7);
        expect(stepLength(leg, 'mm', -1).length_mm).toBe(249);
        expect(stepLength({ ...leg, length_mm: 5 }, 'inch', -1).length_mm).toBe(12.7);
    });
    it('steps the fall to eighths, from the fall that it has, and takes the place of a drop', () => {
        expect(stepFall({ ...leg, drop_mm: 9 }, report, 'inch', 1)).toEqual({ ...leg, fall_mm_per_m: 3000 / 96 });
        expect(stepFall(leg, report, 'inch', -9).fall_mm_per_m).toBe(0);
        expect(
            stepFall(stepFall(leg, report, 'inch', 1), report, 'inch', 1).fall_mm_per_m,
            'a second tap before it is drawn',
        ).toBe(4000 / 96);
        const { fall_mm_per_m: _, ...open } = leg;
        expect(stepFall(open, report, 'inch', 1).fall_mm_per_m, 'from the fall that it has').toBe(3000 / 96);
    });
    it('drops the angle and the fall where the way has none', () => {
        expect(setWay(leg, 'ahead')).toEqual({ id: 'l1', way: 'ahead', length_mm: 254, fall_mm_per_m: 1000 / 48 });
        expect(setWay(leg, 'down')).toEqual({ id: 'l1', way: 'down', turn_deg: 45, length_mm: 254 });
    });
    it('chooses one bend, two, or leaves it open', () => {
        expect(setFitting(leg, 'eighth+eighth').fitting).toEqual({ patterns: ['eighth', 'eighth'] });
        expect(setFitting({ ...leg, fitting: { patterns: ['eighth'] } }, '')).toEqual(leg);
    });
    it('leaves what was not read alone', () => {
        expect(changeLeg(run, 'l2', () => leg).legs[1]).toEqual({ id: 'l2', unread: 'banana' });
        expect(removeLeg(run, 'l1').legs).toHaveLength(1);
    });
    it('gives a new leg an id that was never used', () => {
        const added = addLegAfter(run, 'l1', 'inch');
        expect(added.id).toBe('l3');
        expect(added.run.next_leg).toBe(4);
        expect(added.run.legs.map((one) => one.id)).toEqual(['l1', 'l3', 'l2']);
    });
});

describe('a tape fraction', () => {
    it.each([
        ['54 1/2', ['', '54', '1', '2']],
        ['3/8', ['', '', '3', '8']],
        ['-2', ['−', '2', '', '']],
        ['0', ['', '0', '', '']],
    ])('%s', (text, parts) => expect(Object.values(fractionOf(text))).toEqual(parts));
});

describe('what a leg takes of the levels', () => {
    it('shares the fall, and lets go of its own', () => {
        expect(setTakes({ ...leg, drop_mm: 9 }, report, 'share')).toEqual({
            id: 'l1',
            way: 'left',
            turn_deg: 45,
            length_mm: 254,
            takes: 'share',
        });
    });
    it('takes the rest, and lets go of its length', () => {
        expect(setTakes({ id: 'l1', way: 'down', length_mm: 254 }, report, 'rest')).toEqual({
            id: 'l1',
            way: 'down',
            takes: 'rest',
        });
    });
    it('goes back to what was said, with the length that was found', () => {
        const found = { ...report, length: { mm: 812 } } as LegReport;
        expect(setTakes({ id: 'l1', way: 'down', takes: 'rest' }, found, undefined)).toEqual({
            id: 'l1',
            way: 'down',
            length_mm: 812,
        });
    });
});
