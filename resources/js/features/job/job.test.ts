import { describe, expect, it } from 'vitest';
import type { Choices, JobDocument, JobRun, RunReport } from '../../api/types';
import { evaluatedRuns } from '../../drawing/section/testRuns';
import { standing, STATIONS } from '../../shared/stations';
import { readEnd, variantsOf } from './ends';
import { walkOrder } from './useSelection';

describe('what keeps a station from being done', () => {
    const route = STATIONS[1];
    const cut = STATIONS[4];
    const run = (severities: string[], pieces = 0, legs = 1): RunReport =>
        ({
            findings: severities.map((severity) => ({ severity })),
            pieces: Array.from({ length: pieces }, (_, i) => ({ key: `p${i}` })),
            legs: Array(legs).fill({}),
        }) as unknown as RunReport;

    it.each([
        [['stop', 'warn', 'warn', 'note'], 'stop', '1 stop, 2 warnings'],
        [['stop', 'stop'], 'stop', '2 stops'],
        [['warn', 'unknown'], 'warn', '1 warning'],
        [['unknown', 'note'], 'unknown', '1 not known'],
        [['note'], 'done', 'clear'],
    ])('Route with %s', (severities, shape, text) => {
        if (!route) throw new Error('no Route');
        expect(standing(route, run(severities))).toEqual({ shape, text });
    });

    it('says so where there is no leg, no run, or nothing to cut', () => {
        if (!route || !cut) throw new Error('no station');
        expect(standing(route, run([], 0, 0)).text).toBe('call out a leg');
        expect(standing(route, undefined).text).toBe('no run');
        expect(standing(cut, run([], 1)).text).toBe('1 piece to cut');
        expect(standing(cut, run([], 0)).text).toBe('nothing to cut');
        expect(standing(cut, run([], 1), [], null)).toEqual({ shape: 'open', text: '' });
        const two = run([], 2);
        const keys = two.pieces.map((piece) => piece.key);
        expect(standing(cut, two, [], keys.slice(0, 1)).text).toBe('1 piece to cut');
        expect(standing(cut, two, [], keys)).toEqual({ shape: 'done', text: 'all cut' });
    });

    it('has the nine stations in working order', () => {
        expect(STATIONS.map((station) => station.name)).toEqual([
            'Look',
            'Route',
            'Make-up',
            'Joints',
            'Cut',
            'Hang',
            'Glue-up',
            'Test',
            'Record',
        ]);
    });
});

describe('walking along the run', () => {
    it('meets every joint and every piece once, each piece after the joint that it starts from', () => {
        for (const run of evaluatedRuns(5, 40)) {
            const order = walkOrder(run);
            expect(new Set(order.map((one) => `${one.kind} ${one.key}`)).size).toBe(
                run.joints.length + run.pieces.length,
            );
            expect(order.length).toBe(run.joints.length + run.pieces.length);
            for (const piece of run.pieces) {
                const at = order.findIndex((one) => one.kind === 'piece' && one.key === piece.key);
                expect(order[at - 1]).toEqual({ kind: 'joint', key: piece.joint_from });
            }
        }
    });
});

describe('which fixture of its kind it is', () => {
    const choices = {
        fixture_variants: [
            { fixture: 'water-closet', variant: 'public', rulebook: 'ipc-2021', name: 'closet in public use' },
            { fixture: 'water-closet', variant: 'old-flush', rulebook: 'adh-2015', name: 'closet of 9 litres' },
            { fixture: 'shower', variant: 'heads-2', rulebook: 'ipc-2021', name: 'shower with 2 heads' },
        ],
    } as unknown as Choices;

    it('is asked of what the book counts otherwise', () => {
        expect(variantsOf(choices, 'water-closet', 'ipc-2021', undefined)).toEqual([
            ['public', 'closet in public use'],
        ]);
        expect(variantsOf(choices, 'bath', 'ipc-2021', undefined)).toEqual([]);
    });

    it('keeps what was said under another book, and says that this one has none such', () => {
        expect(variantsOf(choices, 'water-closet', 'ipc-2021', 'old-flush')).toEqual([
            ['public', 'closet in public use'],
            ['old-flush', 'closet of 9 litres: not in this book'],
        ]);
    });
});

describe('an end that is read out of its form', () => {
    it('keeps of a fixture what the form does not ask for', async () => {
        const form = new FormData();
        for (const [name, value] of [
            ['outlet', 'the wash'],
            ['outlet_kind', 'fixture'],
            ['fixture', 'shower'],
            ['trap', 'p'],
            ['variant', 'heads-2'],
        ] as const)
            form.append(name, value);
        const old = { what: 'x', kind: 'fixture', fixture: { kind: 'shower', trap_size: '2', hot_c: 60 } };
        const read = (before: object): ReturnType<typeof readEnd<'outlet'>> =>
            readEnd(form, 'outlet', { runs: [] } as unknown as JobDocument, before as JobRun['outlet'], 'inch');
        expect((await read(old)).fixture).toEqual({
            kind: 'shower',
            trap: 'p',
            variant: 'heads-2',
            trap_size: '2',
            hot_c: 60,
        });
        const exact = { ...old, fixture: { ...old.fixture, rim_mm: 380, seal_mm: 50 } };
        form.append('outlet_rim', '14 15/16');
        expect((await read(exact)).fixture).toMatchObject({ rim_mm: 380 });
        expect((await read(exact)).fixture).not.toHaveProperty('seal_mm');
        form.delete('outlet_rim');
        const other = { ...old, fixture: { ...old.fixture, kind: 'bath' } };
        expect((await read(other)).fixture).toEqual({ kind: 'shower', trap: 'p', variant: 'heads-2' });
    });
});
