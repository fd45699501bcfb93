import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluatedJob } from '../../drawing/section/testRuns';
import { tableOf } from './table';
import { takeIn, type Within } from './takeIn';

const { document, evaluation } = evaluatedJob('mill-row-pottery');
const within: Within = {
    site: { cut: { 'clay-wash': { 'l2.1': 1237 } } },
    document,
    evaluation,
    systems: [
        { key: 'pvc-dwv-40', short: 'PVC DWV' },
        { key: 'ci-no-hub', short: 'Hubless iron' },
    ],
};
const take = (text: string) => takeIn(text, within);
const NAME = 'Clay-wash sink to iron stack';

describe('a table', () => {
    it('is read by its headers, in either case, with lengths in either unit and without the quote that defuses', () => {
        const table = tableOf("Run,Length (in)\n'=SUM(1),2\nplain,\n");
        expect(table.columns).toEqual(['run', 'length (in)']);
        expect(table.rows.map((row) => [row.line, row.said('run'), row.length('length')])).toEqual([
            [2, '=SUM(1)', 50.8],
            [3, 'plain', null],
        ]);
    });
    it('that is none of the lists says which there are', () => {
        const { problems, document: same } = take('colour,shape\nred,round\n');
        expect(problems[0]).toContain('cut list (run, piece, cut, cut length (mm))');
        expect(same).toBe(document);
    });
    it('with nothing in it is not taken in', () =>
        expect(take('run,piece,cut,cut length (mm)\n').problems).toEqual(['The list is empty.']));
});

describe('the cut list', () => {
    it('ticks off what is cut at what it came out, and what is not no longer', () => {
        const once = take(`run,piece,cut length (mm),cut\n${NAME},A,281.5,yes\nclay-wash,b,1237,no\n`);
        expect([once.list, once.count, once.problems]).toEqual(['cut list', 2, []]);
        expect(once.happened).toEqual([
            { kind: 'cut', run: 'clay-wash', piece: 'l1.1', length_mm: 281.5 },
            { kind: 'cut', run: 'clay-wash', piece: 'l2.1' },
        ]);
        expect(once.document).toBe(document);
        expect(take(`run,piece,cut length (mm),cut\nclay-wash,A,,no\n`).happened).toEqual([]);
    });
    it('does not guess which run is meant where two have one name', () => {
        const document = { ...within.document, runs: within.document.runs.map((run) => ({ ...run, name: NAME })) };
        const table = (run: string): string => `run,piece,cut length (mm),cut\n${run},A,281.5,yes\n`;
        expect(takeIn(table(NAME), { ...within, document }).problems).toEqual([
            `Row 2: ${document.runs.length} runs are called ${NAME}; give each a name of its own first.`,
        ]);
        expect(takeIn(table('clay-wash'), { ...within, document }).problems).toEqual([]);
    });
    it.each([
        ['Nowhere,A,300,yes', 'Row 2: Nowhere is no run of this job.'],
        [`${NAME},ZZ,300,yes`, 'Row 2: there is no piece ZZ.'],
        [`${NAME},A,,yes`, 'Row 2: nothing is no length to be cut to.'],
        [`${NAME},A,long,yes`, 'Row 2: long is no length.'],
        [`${NAME},A,300,perhaps`, 'Row 2: perhaps is neither yes nor no.'],
    ])('%s', (row, problem) => {
        const taken = take(`run,piece,cut length (mm),cut\n${row}\n${NAME},B,300,yes\n`);
        expect(taken.problems).toEqual([problem]);
        expect(taken.document).toBe(document);
    });
});

describe('hangers and what was read at them', () => {
    it('takes the hangers of the runs that occur in place of those that are there', () => {
        const taken = take(`run,leg,from the leg's beginning (mm)\n${NAME},4,300\n${NAME},4,900\n${NAME},2,400\n`);
        expect([taken.list, taken.count]).toEqual(['hangers', 3]);
        expect(taken.document.hanging?.find((one) => one.run === 'clay-wash')?.own).toEqual([
            { leg: 'l4', at_mm: 300 },
            { leg: 'l4', at_mm: 900 },
            { leg: 'l2', at_mm: 400 },
        ]);
        expect(taken.document.hanging?.find((one) => one.run === 'clay-wash')?.faces).toHaveLength(1);
    });
    it('says what was read, and nothing of what was not read yet', () => {
        const text = `run,leg,from the leg's beginning (mm),"string to crown, read (mm)"\n${NAME},4,939.8,115\n${NAME},2,304.8,\n${NAME},2,1219.2,121\n`;
        const taken = take(text);
        expect([taken.list, taken.count]).toEqual(['level readings', 2]);
        expect(taken.happened).toEqual([
            { kind: 'level', run: 'clay-wash', leg: 'l4', at_mm: 939.8, below_mm: 115 },
            { kind: 'level', run: 'clay-wash', leg: 'l2', at_mm: 1219.2, below_mm: 121 },
        ]);
    });
    it.each([
        [`${NAME},40,300`, 'Row 2: there is no leg 40.'],
        [`${NAME},4,99999`, 'Row 2: 99999 is no place on leg 4.'],
        [`${NAME},4,`, 'Row 2: nothing is no place on leg 4.'],
    ])('%s', (row, problem) =>
        expect(take(`run,leg,from the leg's beginning (mm)\n${row}\n`).problems).toEqual([problem]),
    );
});

describe('joints', () => {
    const end = evaluation.runs.find((run) => run.id === 'clay-wash')?.joints.at(-1);
    it('change where the run meets what stands there, and nowhere else', () => {
        expect(end?.key).toBe('tie-in');
        const taken = take(`run,joint,method (key)\n${NAME},${end?.mark},caulked\n${NAME},2,solvent-pvc\n`);
        expect([taken.count, taken.problems]).toEqual([1, []]);
        expect(taken.document.runs.find((run) => run.id === 'clay-wash')?.tie_in.method).toBe('caulked');
        const own = take(`run,joint,method (key)\n${NAME},2,caulked\n`);
        expect(own.problems).toEqual([expect.stringMatching(/^Row 2: joint 1\.2 is made as its pipe is, /)]);
        expect(take(`run,joint,method (key)\n${NAME},99,caulked\n`).problems).toEqual(['Row 2: there is no joint 99.']);
    });
});

describe('prices', () => {
    it('are kept for each thing once, and go where none stands', () => {
        const text = 'what,size,pipe,price (each)\n45,2,PVC,2.5\nbracket,2,,1\n';
        const once = take(text);
        expect(once.document.prices).toEqual([
            { what: '45', size: '2', pipe: 'PVC', each: 2.5 },
            { what: 'bracket', size: '2', pipe: '', each: 1 },
        ]);
        const again = takeIn('what,size,pipe,price (each)\n45,2,PVC,\nbracket,2,,1.2\n', {
            ...within,
            document: once.document,
        });
        expect(again.document.prices).toEqual([{ what: 'bracket', size: '2', pipe: '', each: 1.2 }]);
        expect(take('what,size,pipe,price (each)\n45,2,PVC,dear\n').problems).toEqual(['Row 2: dear is no price.']);
    });
});

describe('sticks', () => {
    it('stand in place of those that were there, by key or by plain name', () => {
        const taken = take(
            'System,Size,Length (in),Available,Price\nhubless iron,3,54.5,1,\npvc-dwv-40,1-1/2,32,,"9,5"\n',
        );
        expect([taken.list, taken.count]).toEqual(['sticks', 2]);
        expect(taken.document.cutting?.stock).toEqual([
            { system: 'ci-no-hub', size: '3', length_mm: 1384.3, available: 1 },
            { system: 'pvc-dwv-40', size: '1-1/2', length_mm: 812.8, price: 9.5 },
        ]);
    });
    it.each([
        ['lead,2,6096,,', 'Row 2: lead is no pipe of the catalog.'],
        ['pvc-dwv-40,2,0,,', 'Row 2: 0 is no length of a stick.'],
        ['pvc-dwv-40,,300,,', 'Row 2: the size is missing.'],
        ['pvc-dwv-40,2,300,dear,', 'Row 2: dear is no price.'],
        ['pvc-dwv-40,2,300,,1.5', 'Row 2: 1.5 is no count.'],
    ])('%s', (row, problem) =>
        expect(take(`system,size,length (mm),price,available\n${row}\n`).problems).toEqual([problem]),
    );
});

describe('a table that somebody mangled', () => {
    const cell = fc.oneof(
        fc.constantFrom(
            NAME,
            'clay-wash',
            'A',
            '4',
            '300',
            '-1',
            '1e400',
            'yes',
            'pvc-dwv-40',
            "'=1+1",
            '"',
            '""',
            ',',
            '\n',
            '\u00a0=1',
            '\0',
            '__proto__',
        ),
        fc.string({ unit: 'binary', maxLength: 12 }),
        fc.double(),
    );
    const header = fc.oneof(
        fc.constantFrom(
            "run,leg,from the leg's beginning (mm)",
            'run,piece,cut length (mm),cut',
            'run,joint,method (key)',
            'what,size,pipe,price (each)',
            'system,size,length (in),price,available',
        ),
        fc.string({ maxLength: 40 }),
    );
    it('is taken in, or refused whole with what is wrong', () =>
        fc.assert(
            fc.property(header, fc.array(fc.array(cell, { maxLength: 7 }), { maxLength: 12 }), (columns, rows) => {
                const taken = take(`${columns}\n${rows.map((row) => row.join(',')).join('\n')}\n`);
                if (taken.problems.length > 0) expect(taken.document).toBe(document);
                else expect(taken.list).not.toBe('');
                expect(JSON.parse(JSON.stringify(taken.document))).toBeTypeOf('object');
            }),
            { numRuns: 1500, seed: 13 },
        ));
    it('gives back what was written so that it is no formula', () => {
        for (const name of ['=1+1', '\u00a0=1+1', '\u200b@x'])
            expect(tableOf(`run\n"'${name}"\n`).rows[0]?.said('run')).toBe(name);
    });
});
