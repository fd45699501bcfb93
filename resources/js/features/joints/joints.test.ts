import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { JobDocument } from '../../api/types';
import { endSeen, sizeLike } from '../identify';
import { asInput, asKept, asEvidence, EMPTY } from '../identify';
import { knowAs, removeStanding, whereInWords } from '../look';
import { chooseMethod, isOpen } from '../../editing';
import { minutesInWords, waterInWords } from './times';

const job = (): JobDocument => JSON.parse(readFileSync('database/demo/mill-row-pottery.json', 'utf8')) as JobDocument;

describe('choosing a method', () => {
    it('changes the one end that is meant and nothing else', () => {
        const changed = chooseMethod(job(), { run: 'floor', joint: 'tie-in' }, 'caulked');
        expect(changed.runs.find((run) => run.id === 'floor')?.tie_in.method).toBe('caulked');
        expect({ ...changed, runs: changed.runs.filter((run) => run.id !== 'floor') }).toEqual({
            ...job(),
            runs: job().runs.filter((run) => run.id !== 'floor'),
        });
        expect(chooseMethod(job(), { run: 'floor', joint: 'l2.in' }, 'caulked')).toEqual(job());
    });

    it('takes the choice back, and works on single joints', () => {
        expect(chooseMethod(job(), { run: 'floor', joint: 'tie-in' }, null).runs[3]?.tie_in).not.toHaveProperty(
            'method',
        );
        const single = chooseMethod(job(), { single: 'old-hub' }, 'hub-gasket').single_joints?.find(
            (joint) => joint.id === 'old-hub',
        );
        expect(single?.method).toBe('hub-gasket');
        expect([isOpen({ state: 'own' }), isOpen({ state: 'best' })]).toEqual([false, true]);
    });

    it('says times as people plan by them', () => {
        expect([20, 60, 90, 1440, 4320, 6480].map(minutesInWords)).toEqual([
            '20 min',
            '1 h',
            '1 h 30 min',
            '24 h',
            '3 days',
            '108 h',
        ]);
        const times = { working_s: null, hold_s: null, set_min: null, cure_min: null };
        expect(waterInWords({ times: { ...times, first_water: 'at-once' } })).toBe('at once');
        expect(waterInWords({ times: { ...times, first_water: 'after-cure' } })).toBe('no table says');
        expect(waterInWords({ times: { ...times, cure_min: 90, first_water: 'after-cure' } })).toBe('after 1 h 30 min');
    });
});

describe('standing pipes', () => {
    it('are known as a candidate, with a calliper reading for their diameter, and not known again', () => {
        const read = { od_mm: 109.4, reading_error_mm: 0.4, magnet: true };
        const known = knowAs(job(), 'wall-stub', { system: 'ci-hub-service', size: '4' }, read);
        expect(known.standing?.find((pipe) => pipe.id === 'wall-stub')).toMatchObject({
            system: 'ci-hub-service',
            size: '4',
            od_mm: 109.4,
            how: 'measured',
        });
        const unknown = knowAs(known, 'wall-stub', null).standing?.find((pipe) => pipe.id === 'wall-stub');
        expect(unknown).not.toHaveProperty('system');
        expect(unknown?.how).toBe('guessed');
    });

    it('leave nothing behind that speaks of them when they are taken out', () => {
        const without = removeStanding(job(), 'yard-drain');
        expect(JSON.stringify(without)).not.toContain('yard-drain"');
        expect(without.single_joints?.some((joint) => joint.id === 'yard-repair')).toBe(false);
        expect(removeStanding(job(), 'iron-stub').runs[0]?.tie_in).toEqual({
            what: 'stub on the stack',
            kind: 'socket',
        });
    });

    it('are said with where they are', () => {
        expect(
            whereInWords(
                { id: 'x', name: 'x', end: 'hub', at: 'cellar', faces: 'up', level_mm: 254, in_the_way: 'a joist' },
                'inch',
            ),
        ).toBe('A hub; cellar; facing up; 10 in over the mark; in the way: a joist.');
    });
});

describe('evidence', () => {
    it('goes to the reckoner and to the log, and comes back the same', () => {
        const round = { ...EMPTY('inch'), way: 'round' as const, mm: 346, magnet: true, colour: 'black' as const };
        expect(asInput(round, 'inch')).toEqual({
            circumference_mm: 346,
            reading_error_mm: 3.175,
            magnet: true,
            colour: 'black',
            region: 'us',
            units: 'inch',
        });
        expect(asEvidence(asKept(round), 'inch')).toEqual(round);
        expect(asInput(EMPTY('mm'), 'mm')).toBeNull();
    });

    it('tells the end that was seen, of those that the pipe occurs with', () => {
        const bell = { ...EMPTY('inch'), joint_seen: 'bell' as const };
        expect(endSeen(bell, ['plain', 'spigot', 'hub'])).toBe('hub');
        expect(endSeen(bell, ['plain'])).toBe('plain');
        expect(endSeen(EMPTY('inch'), ['plain', 'hub'])).toBe('plain');
    });

    it('finds the size of mine that goes by the same name', () => {
        const system = (sizes: string[]) => ({
            key: '',
            name: '',
            short: '',
            region: 'us' as const,
            material: '',
            letters: '',
            laid: true,
            drain: true,
            sizes,
            laid_sizes: sizes,
            ends: [],
        });
        expect(sizeLike(system(['1-1/2', '2', '3']), '3')).toBe('3');
        expect(sizeLike(system(['1-1/4', '1-1/2']), '2')).toBe('1-1/2');
        expect(sizeLike(undefined, '2')).toBe('2');
    });
});
