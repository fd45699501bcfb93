import { describe, expect, it } from 'vitest';
import type { NetworkReport, PipeReport } from '../../api/types';
import { evaluatedJob } from '../../drawing/section/testRuns';
import { groupsOf } from './HouseFindings';
import { removed } from './removing';
import { countsOf, knownFirst, rolesOf, treeOf } from './tree';

const { document, evaluation } = evaluatedJob('mill-row-pottery');
const { network } = evaluation;

describe('the tree of runs', () => {
    const rows = treeOf(network);
    const at = (run: string): number => rows.findIndex((row) => row.place.run === run);

    it('holds every run once, in the order of the job where nothing else tells', () => {
        expect(rows.map((row) => row.place.run).sort()).toEqual(network.places.map((place) => place.run).sort());
        expect(at('clay-wash')).toBe(0);
    });
    it('puts what enters or leaves a run under it, one deeper', () => {
        for (const { place, depth } of rows) {
            if (place.into === null) {
                expect(depth).toBe(0);
                continue;
            }
            const parent = rows[at(place.into)];
            expect(depth).toBe((parent?.depth ?? -1) + 1);
            expect(at(place.run)).toBeGreaterThan(at(place.into));
        }
        expect(rows[at('flat-basin')]?.depth).toBe(2);
    });
    it('shows what runs in a loop, or hangs on what is not there, all the same', () => {
        const loop = {
            places: [
                { run: 'a', into: 'b' },
                { run: 'b', into: 'a' },
                { run: 'c', into: 'gone' },
            ],
        } as unknown as NetworkReport;
        expect(treeOf(loop).map((row) => [row.place.run, row.depth])).toEqual([
            ['c', 0],
            ['a', 0],
            ['b', 1],
        ]);
    });
});

describe('what a run is', () => {
    const pipe = (role: PipeReport['role'], from: number, load: number | null): PipeReport =>
        ({ run: 'r', role, from_mm: from, load, load_said: `${load} units` }) as unknown as PipeReport;
    const of = (...pipes: PipeReport[]): ReturnType<typeof rolesOf> =>
        rolesOf({ pipes } as unknown as NetworkReport, 'r');

    it('goes along its tape and says the same only once', () => {
        expect(of(pipe('drain', 200, 3), pipe('dry-vent', 0, 0), pipe('drain', 100, 1)).words).toBe(
            'dry vent, then drain',
        );
    });
    it('says its largest load, or nothing where one is not known', () => {
        expect(of(pipe('drain', 0, 1), pipe('drain', 100, 4)).load).toBe('4 units');
        expect(of(pipe('drain', 0, 1), pipe('drain', 100, null)).load).toBeNull();
        expect(of(pipe('dead', 0, 0)).load).toBeNull();
    });
    it('is said of the demo as it is', () => {
        expect(rolesOf(network, 'stack').words).toBe('dry vent, then drain');
        expect(rolesOf(network, 'basin-vent').words).toBe('dry vent');
    });
    it('lists pipes that are known before those that are not, and loses none', () => {
        const sorted = knownFirst(network.pipes);
        expect(sorted).toHaveLength(network.pipes.length);
        const first = sorted.findIndex((one) => one.load === null || one.role === 'dead');
        expect(first).toBeGreaterThan(0);
        expect(sorted.slice(first).every((one) => one.load === null || one.role === 'dead')).toBe(true);
    });
    it('counts what stands against it', () => {
        expect(countsOf(evaluation.runs.find((run) => run.id === 'glaze'))).toEqual({ stop: 1, warn: 1, unknown: 1 });
        expect(countsOf(undefined)).toEqual({ stop: 0, warn: 0, unknown: 0 });
    });
});

describe('findings of the house', () => {
    it('stand once with all their places, and none is lost', () => {
        for (const severity of ['stop', 'warn', 'unknown', 'note'] as const) {
            const groups = groupsOf(evaluation, severity);
            const places = groups.flatMap((group) => group.places);
            expect(places).toHaveLength(
                evaluation.runs.flatMap((run) => run.findings).filter((one) => one.severity === severity).length,
            );
            expect(new Set(groups.map((group) => group.rule)).size).toBe(groups.length);
        }
        expect(groupsOf(evaluation, 'stop')[0]?.places).toMatchObject([
            { run: 'glaze', name: 'Glaze sink to clay line' },
        ]);
    });
});

describe('taking a run out', () => {
    it('leaves what entered it, and what left it, open', () => {
        const after = removed(document, 'stack');
        expect(after.runs.map((run) => run.id)).toEqual(
            document.runs.map((run) => run.id).filter((id) => id !== 'stack'),
        );
        expect(after.runs.find((run) => run.id === 'flat-basin')?.tie_in).toEqual({
            what: 'not said yet',
            kind: 'socket',
        });
        expect(removed(document, 'flat-basin').runs.find((run) => run.id === 'basin-vent')?.outlet.kind).toBe('socket');
        expect(after.runs.find((run) => run.id === 'glaze')).toEqual(document.runs.find((run) => run.id === 'glaze'));
    });
    it('takes what it went through with it, and nothing of others', () => {
        const run = document.obstacles?.[0]?.run ?? '';
        const after = removed(document, run);
        expect(after.obstacles).toEqual(document.obstacles?.filter((obstacle) => obstacle.run !== run));
        expect(after.obstacles?.length).toBeLessThan(document.obstacles?.length ?? 0);
    });
});
