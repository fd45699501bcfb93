import { t } from '@lingui/core/macro';
import type { Evaluation, JobDocument, RunReport, SystemSummary } from '../../api/types';
import { levelled, ticked, unticked, withHanging, type Happened, type OnSite } from '../../editing';
import { chooseMethod } from '../../editing';
import { priced, readPrice } from './prices';
import { eachRow, hasLength, tableOf, Wrong, type Row, type Table } from './table';

/** What a table is taken into: the job as it is said and as it is evaluated, and the pipes of the catalogue. */
export interface Within {
    document: JobDocument;
    site: Pick<OnSite, 'cut'>;
    evaluation: Pick<Evaluation, 'runs'>;
    systems: Pick<SystemSummary, 'key' | 'short'>[];
}

export interface TakenIn {
    /** which list it is, in words */
    list: string;
    count: number;
    document: JobDocument;
    /** what it says was done on site */
    happened: Happened[];
    problems: string[];
}

type Edit = (document: JobDocument) => JobDocument;

interface List {
    name: string;
    /** by which columns it is known; those in round brackets are lengths, in either unit */
    columns: string[];
    lengths: string[];
    take: (table: Table, within: Within) => Read;
}

/** What a list does to the job, how many rows of it do something, and what is wrong in it. */
interface Read {
    edits: Edit[];
    happened?: Happened[];
    count: number;
    problems: string[];
}

/** Rows of which each does something by itself, or nothing. */
function edited({ taken, problems }: { taken: (Edit | null)[]; problems: string[] }): Read {
    const edits = taken.filter((edit) => edit !== null);
    return { edits, count: edits.length, problems };
}

/** The same of rows that say what was done on site. */
function done({ taken, problems }: { taken: (Happened | null)[]; problems: string[] }): Read {
    const happened = taken.filter((event) => event !== null);
    return { edits: [], happened, count: happened.length, problems };
}

const BEGINNING = "from the leg's beginning";
const READ = 'string to crown, read';

/** In this order: what is known by more comes first. */
const LISTS: List[] = [
    { name: t`level readings`, columns: ['run', 'leg'], lengths: [BEGINNING, READ], take: readings },
    { name: 'hangers', columns: ['run', 'leg'], lengths: [BEGINNING], take: hangers },
    { name: 'joints', columns: ['run', 'joint', 'method (key)'], lengths: [], take: joints },
    { name: t`cut list`, columns: ['run', 'piece', 'cut'], lengths: ['cut length'], take: cuts },
    { name: 'prices', columns: ['what', 'size', 'pipe', 'price (each)'], lengths: [], take: prices },
    { name: 'sticks', columns: ['system', 'size'], lengths: ['length'], take: sticks },
];

/** Takes a table in, whichever list it is; where a row is wrong it is said which, and nothing is taken in. */
export function takeIn(text: string, within: Within): TakenIn {
    const table = tableOf(text);
    const list = LISTS.find(
        (one) =>
            one.columns.every((column) => table.columns.includes(column)) &&
            one.lengths.every((name) => hasLength(table.columns, name)),
    );
    const nothing = (problem: string): TakenIn => ({
        list: list?.name ?? '',
        count: 0,
        document: within.document,
        happened: [],
        problems: [problem],
    });
    if (!list) return nothing(t`By its columns it is none of the lists: ${LISTS.map(columnsInWords).join('; ')}.`);
    if (table.rows.length === 0) return nothing(t`The list is empty.`);
    const { edits, happened = [], count, problems } = list.take(table, within);
    if (problems.length > 0) return { ...nothing(''), problems };
    return {
        list: list.name,
        count,
        document: edits.reduce((document, edit) => edit(document), within.document),
        happened,
        problems: [],
    };
}

const columnsInWords = (list: List): string =>
    `${list.name} (${[...list.columns, ...list.lengths.map((name) => `${name} (mm)`)].join(', ')})`;

function runOf(row: Row, { evaluation, document }: Within): RunReport {
    const said = row.said('run');
    const called = document.runs.filter((run) => run.name === said);
    const plan = document.runs.find((run) => run.id === said) ?? called[0];
    if (plan?.id !== said && called.length > 1)
        throw new Wrong(t`${called.length} runs are called ${said}; give each a name of its own first`);
    const run = evaluation.runs.find((one) => one.id === plan?.id);
    if (!run) throw new Wrong(t`${said || 'nothing'} is no run of this job`);
    return run;
}

function placeOf(row: Row, within: Within): { run: string; leg: string; at_mm: number } {
    const run = runOf(row, within);
    const leg = run.legs.find((one) => String(one.number) === row.said('leg'));
    if (!leg) throw new Wrong(t`there is no leg ${row.said('leg')}`.trim());
    const long =
        leg.from && leg.to ? Math.hypot(leg.to.x - leg.from.x, leg.to.y - leg.from.y, leg.to.z - leg.from.z) : 0;
    const at = row.length(BEGINNING);
    if (at === null || at < 0 || at > long + 1) throw new Wrong(t`${at ?? 'nothing'} is no place on leg ${leg.number}`);
    return { run: run.id, leg: leg.id, at_mm: at };
}

/** Hangers of the runs that occur, in place of those that are there. */
function hangers(table: Table, within: Within): Read {
    const { taken, problems } = eachRow(table, (row) => placeOf(row, within));
    const edits = [...new Set(taken.map((one) => one.run))].map((run): Edit => {
        const own = taken.filter((one) => one.run === run).map(({ leg, at_mm }) => ({ leg, at_mm }));
        return (document) => withHanging(document, run, { own });
    });
    return { edits, count: taken.length, problems };
}

/** What the tape read; a row where nothing was read yet stays as it is. */
function readings(table: Table, within: Within): Read {
    return done(
        eachRow(table, (row): Happened | null => {
            const { run, ...place } = placeOf(row, within);
            const below = row.length(READ);
            return below === null ? null : levelled(run, place, below);
        }),
    );
}

/** Ways of joining, where a run meets what stands there; the others are made as their system is. */
function joints(table: Table, within: Within): Read {
    const rows = eachRow(table, (row): Edit | null => {
        const run = runOf(row, within);
        // A list that was saved before runs had figures says a joint by its number, and a piece by its letter.
        const said = row.said('joint');
        const joint = run.joints.find((one) => one.mark === said || String(one.number) === said);
        if (!joint) throw new Wrong(t`there is no joint ${row.said('joint')}`.trim());
        const method = row.said('method (key)');
        if (method === (joint.method ?? '')) return null;
        if (joint.state === 'own') throw new Wrong(t`joint ${joint.mark} is made as its pipe is, ${joint.method_name}`);
        return (document) => chooseMethod(document, { run: run.id, joint: joint.key }, method === '' ? null : method);
    });
    return edited(rows);
}

/** What is cut, and at what it came out; what is not cut is ticked off no longer. */
function cuts(table: Table, within: Within): Read {
    const rows = eachRow(table, (row): Happened | null => {
        const run = runOf(row, within);
        const letter = row.said('piece').toUpperCase();
        const piece = run.pieces.find((one) => one.letter === letter || one.letter === `${run.figure}${letter}`);
        if (!piece) throw new Wrong(t`there is no piece ${row.said('piece')}`.trim());
        const [cut, length] = [row.said('cut').toLowerCase(), row.length('cut length')];
        if (!['yes', 'no', ''].includes(cut)) throw new Wrong(t`${cut} is neither yes nor no`);
        if (cut !== 'yes')
            return within.site.cut[run.id]?.[piece.key] === undefined ? null : unticked(run.id, piece.key);
        if (length === null || length < 1) throw new Wrong(t`${length ?? 'nothing'} is no length to be cut to`);
        return ticked(run.id, piece.key, length);
    });
    return done(rows);
}

/** What one of each thing costs; where no price stands, none is kept. */
function prices(table: Table): Read {
    const rows = eachRow(table, (row): Edit => {
        const [what, size, pipe, text] = [
            row.said('what'),
            row.said('size'),
            row.said('pipe'),
            row.said('price (each)'),
        ];
        const each = readPrice(text);
        if (what === '') throw new Wrong(t`what it is is missing`);
        if (each === undefined) throw new Wrong(t`${text} is no price`);
        return (document) => priced(document, { what, size, pipe }, each);
    });
    return edited(rows);
}

/** Sticks and offcuts, in place of those entered before. */
function sticks(table: Table, { systems }: Within): Read {
    const { taken, problems } = eachRow(table, (row) => {
        const said = row.said('system');
        const system = systems.find((one) => one.key === said || one.short.toLowerCase() === said.toLowerCase());
        if (!system) throw new Wrong(t`${said || 'nothing'} is no pipe of the catalog`);
        if (row.said('size') === '') throw new Wrong(t`the size is missing`);
        const length = row.length('length');
        if (length === null || length < 1 || length > 100_000)
            throw new Wrong(t`${length ?? 'nothing'} is no length of a stick`);
        const [price, available] = [row.said('price'), row.said('available')];
        const each = readPrice(price);
        if (each === undefined) throw new Wrong(t`${price} is no price`);
        if (available !== '' && !/^\d{1,5}$/.test(available)) throw new Wrong(t`${available} is no count`);
        return {
            system: system.key,
            size: row.said('size'),
            length_mm: length,
            ...(each === null ? {} : { price: each }),
            ...(available === '' ? {} : { available: Number(available) }),
        };
    });
    const edit: Edit = (document) => ({ ...document, cutting: { ...document.cutting, stock: taken } });
    return { edits: [edit], count: taken.length, problems };
}
