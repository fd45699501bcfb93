import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import type { JobDocument } from '../api/types';
import { piecesOf, putTogether } from './sideBySide';

const base = JSON.parse(readFileSync('database/demo/mill-row-pottery.json', 'utf8')) as JobDocument;

type Run = JobDocument['runs'][number];

const changed = (edit: (runs: Run[], document: JobDocument) => void): JobDocument => {
    const document = structuredClone(base);
    edit(document.runs, document);
    return document;
};
const run = (document: JobDocument, id: string): Run | undefined => document.runs.find((one) => one.id === id);
const leg = (id: string): Run['legs'][number] => ({ id, way: 'right', length_mm: 254 });

it('tells what each of two people changed, and what both did', () => {
    const mine = changed((runs, document) => {
        runs.find((one) => one.id === 'glaze')?.legs.push(leg('l8'));
        runs.find((one) => one.id === 'floor')!.size = '4';
        document.place = 'cellar';
    });
    const theirs = changed((runs) => {
        runs.find((one) => one.id === 'glaze')?.legs.push(leg('l9'));
        runs.find((one) => one.id === 'clay-wash')!.name = 'Sink';
    });
    const pieces = piecesOf(base, mine, theirs);
    expect(pieces.map(({ key, by }) => [key, by])).toEqual([
        ['place', 'mine'],
        ['runs/clay-wash/name', 'theirs'],
        ['runs/floor/size', 'mine'],
        ['runs/glaze/legs', 'both'],
    ]);
    const glaze = pieces.filter(({ key }) => key === 'runs/glaze/legs');
    expect(putTogether(theirs, [])).toEqual(theirs);
    const together = putTogether(theirs, [...pieces.filter(({ by }) => by === 'mine'), ...glaze]);
    expect(run(together, 'glaze')?.legs).toEqual(run(mine, 'glaze')?.legs);
    expect(run(together, 'clay-wash')?.name).toBe('Sink');
    expect(run(together, 'floor')?.size).toBe('4');
    expect(together.place).toBe('cellar');
});

it('chooses a run as a whole that one took away while the other changed it, and brings it back', () => {
    const mine = changed((runs) => void runs.find((one) => one.id === 'glaze')?.legs.push(leg('l8')));
    const theirs = changed(
        (runs) =>
            void runs.splice(
                runs.findIndex((one) => one.id === 'glaze'),
                1,
            ),
    );
    const [piece, ...more] = piecesOf(base, mine, theirs);
    expect(more).toEqual([]);
    expect(piece).toMatchObject({ key: 'runs/glaze', by: 'both', theirs: undefined });
    expect(run(putTogether(theirs, piece ? [piece] : []), 'glaze')).toEqual(run(mine, 'glaze'));
    const [other] = piecesOf(base, theirs, mine);
    expect(run(putTogether(mine, other ? [other] : []), 'glaze'), 'or lets it go').toBeUndefined();
});

it('takes the order in which runs stand for no piece', () => {
    const mine = changed((runs) => void runs.reverse());
    expect(piecesOf(base, mine, base)).toEqual([]);
});

it('leaves each piece to choose where it is not known what both started from, and none that is the same', () => {
    const mine = changed((_, document) => (document.place = 'cellar'));
    expect(piecesOf(null, mine, base).map(({ key, by }) => [key, by])).toEqual([['place', 'both']]);
    expect(piecesOf(base, mine, mine)).toEqual([]);
});

it('puts things of lists that one of them began beside those of the other', () => {
    const obstacle = (id: string) => ({ id, kind: 'joist', run: 'glaze', leg: 'l1' });
    const of = (id: string): JobDocument =>
        changed((_, document) => void (document.obstacles = [...(document.obstacles ?? []), obstacle(id) as never]));
    const [mine, theirs] = [of('mine'), of('theirs')];
    const pieces = piecesOf(base, mine, theirs);
    expect(pieces.map(({ key, by }) => [key, by])).toEqual([
        ['obstacles/mine', 'mine'],
        ['obstacles/theirs', 'theirs'],
    ]);
    const ids = (
        putTogether(
            theirs,
            pieces.filter(({ by }) => by === 'mine'),
        ).obstacles ?? []
    ).map((one) => one.id);
    expect(ids.slice(-2)).toEqual(['theirs', 'mine']);
});
