import { describe, expect, it } from 'vitest';
import type { JobDocument, MadeUp, MadeUpWay, Units } from '../../api/types';
import { accepted, bendsInWords, dialInWords, freesInWords, notesOf, relaxInWords, stepInWords } from './ways';

const bend = (name: string, more: Partial<MadeUpWay['bends'][number]> = {}): MadeUpWay['bends'][number] =>
    ({ name, strain_deg: 0, doubt_mm: 0, ...more }) as MadeUpWay['bends'][number];
const way = (bends: MadeUpWay['bends'], more: Partial<MadeUpWay> = {}): MadeUpWay =>
    ({
        bends,
        legs: [],
        refused: [],
        closes_within_mm: 0,
        legs_said: [],
        next_leg: 9,
        ...more,
    }) as unknown as MadeUpWay;

describe('a way in words', () => {
    it.each([
        [[], 'Straight on'],
        [['45'], 'One 45'],
        [['45', '45'], 'Two 45s'],
        [['22-1/2', '22-1/2', '22-1/2'], 'Three 22-1/2s'],
        [['45', 'long sweep 90'], '45 and long sweep 90'],
        [['45', '60', '22-1/2'], '45, 60 and 22-1/2'],
    ])('%j', (names, words) => expect(bendsInWords(way(names.map((name) => bend(name))))).toBe(words));

    it('says what it asks of whoever makes it', () => {
        const texts = (one: MadeUpWay, units: Units = 'mm'): string =>
            notesOf(one, units)
                .map((note) => note.text)
                .join(' ');
        expect(texts(way([bend('45')]))).toBe('Meets both ends, without strain.');
        expect(texts(way([bend('45', { strain_deg: 0.4 })]))).toContain('0.4°');
        expect(texts(way([bend('45')], { refused: ['90'] }))).toContain('does not take 90');
        expect(texts(way([bend('45', { doubt_mm: 1.54 })]))).toContain('to within 2 mm each: cut long');
        expect(texts(way([bend('45', { doubt_mm: 1.54 })]), 'inch')).toContain('to within 1/16 in each: cut long');
        expect(texts(way([], { closes_within_mm: 0.9 }))).toContain('to within 1 mm');
    });
});

describe('what has to give way', () => {
    const relax = (condition: string, from: number, to: number, what = ''): MadeUp['relax'][number] =>
        ({ condition, from, to, what }) as MadeUp['relax'][number];
    it.each([
        [relax('max_bends', 1, 2), 'Take more bends: 2 instead of 1'],
        [relax('min_leg_mm', 38.1, 20.2), 'Take a shorter piece: 20 mm instead of 38 mm'],
        [relax('fall_least', 20.8, 12.34), 'Let it fall less: 12.3 mm per m instead of 20.8 mm per m'],
        [relax('play_deg', 0.75, 1.02), 'Let every joint give more: 1.02° instead of 0.75°'],
        [relax('obstacle', 60, 0, 'the wall'), 'Move the wall: the pipe comes through it'],
        [relax('obstacle', 60, 31, 'the beam'), 'Move the beam: the pipe comes to 31 mm from its axis'],
    ])('%#', (one, words) => expect(relaxInWords(one, 'mm')).toBe(words));
});

describe('a dial', () => {
    it.each([
        [0, false, 'turns straight up'],
        [180, false, 'turns straight down'],
        [34.4, false, '34° from plumb, leaning right as the water runs'],
        [-90, false, '90° from plumb, leaning left as the water runs'],
        [0, true, 'turns to the north'],
        [-41, true, '41° round from north, against the clock as the water runs'],
    ])('at %d', (deg, upright, words) => expect(dialInWords(deg, upright)).toBe(words));
});

it('takes a way into its run, and leaves the others', () => {
    const document = {
        runs: [
            { id: 'a', legs: ['x'], tie_in: { kind: 'socket' } },
            { id: 'b', legs: ['y'], tie_in: { kind: 'branch', branch: { run: 'a', leg: 'x', at_mm: 500 } } },
        ],
    } as unknown as JobDocument;
    const after = accepted(
        document,
        'b',
        { branch_at_mm: null, level_difference_mm: null },
        way([], { legs_said: ['z'] as unknown as MadeUpWay['legs_said'] }),
    );
    expect(after.runs[0]).toBe(document.runs[0]);
    expect(after.runs[1]).toMatchObject({ id: 'b', legs: ['z'], next_leg: 9, tie_in: { branch: { at_mm: 500 } } });
    const moved = accepted(document, 'b', { branch_at_mm: 800, level_difference_mm: 310 }, way([]));
    expect(moved.runs[1]?.tie_in.branch).toEqual({ run: 'a', leg: 'x', at_mm: 800 });
    expect(moved.runs[1]?.level_difference_mm).toBe(310);
    expect(after.runs[1]).not.toHaveProperty('level_difference_mm');
    expect(accepted(document, 'a', { branch_at_mm: 800, level_difference_mm: 310 }, way([])).runs[0]?.tie_in).toEqual({
        kind: 'socket',
    });
});

describe('the order', () => {
    const step = (more: object): Parameters<typeof stepInWords>[0] => ({
        parts: ['A'],
        joints: ['7.3'],
        push_mm: 38.1,
        on_bench: true,
        moves: true,
        ...more,
    });
    it.each([
        [{}, 'On the bench: A onto joint 7.3, pushed 38 mm.'],
        [
            { on_bench: false, joints: ['7.3', '7.4'], parts: ['A', '45'] },
            'In place: A, 45 onto joints 7.3 and 7.4, pushed 38 mm.',
        ],
        [{ moves: false, on_bench: false }, 'In place: set A, and close joint 7.3 over.'],
        [{ parts: [], on_bench: false }, 'In place: close joint 7.3.'],
        [{ parts: ['A', 'B', 'C', 'D', 'E', 'F'] }, 'On the bench: A, B, C and 3 more onto joint 7.3, pushed 38 mm.'],
    ])('%#', (more, words) => expect(stepInWords(step(more), 'mm')).toBe(words));
    it('says what frees it', () =>
        expect(
            freesInWords([
                { joint: '7.3', kind: 'slide' },
                { joint: '7.5', kind: 'union' },
            ]),
        ).toBe('at joint 7.3 a slip coupling, slid back and over, and at joint 7.5 a union'));
});
