import { t } from '@lingui/core/macro';
import Papa from 'papaparse';

const PER_INCH = 25.4;

/** A quote that was written so that a spreadsheet takes what follows for no formula (app/Files/Csv.php). */
const DEFUSED = /^'(?=[\s\p{Z}\p{C}]*[=+\-@＝＋－＠])/u;

/** One row: what stands in a column, and what length stands there in millimetres; null where nothing stands. */
export interface Row {
    /** as the table counts, the first line holds the headers */
    line: number;
    said: (column: string) => string;
    length: (column: string) => number | null;
}

/** What is wrong with a row, in words. */
export class Wrong extends Error {}

export interface Table {
    columns: string[];
    rows: Row[];
}

/**
 * Reads a table by its headers, in any order and either case. What was written for a spreadsheet with a quote before
 * it, so that it is no formula, is read without.
 */
export function tableOf(text: string): Table {
    const read = Papa.parse<Record<string, string>>(text, {
        header: true,
        skipEmptyLines: 'greedy',
        transformHeader: (header) => header.trim().toLowerCase(),
    });
    const columns = read.meta.fields ?? [];
    return {
        columns,
        rows: read.data.map((cells, i) => {
            const said = (column: string): string => (cells[column] ?? '').trim().replace(DEFUSED, '');
            return { line: i + 2, said, length: (column) => lengthOf(said, columns, column) };
        }),
    };
}

/** Whether a length of that name stands in the table, in either unit. */
export const hasLength = (columns: string[], name: string): boolean =>
    columns.includes(`${name} (mm)`) || columns.includes(`${name} (in)`);

function lengthOf(said: (column: string) => string, columns: string[], name: string): number | null {
    const [column, times] = columns.includes(`${name} (mm)`) ? [`${name} (mm)`, 1] : [`${name} (in)`, PER_INCH];
    const text = said(column);
    if (text === '') return null;
    const length = Number(text) * times;
    if (!Number.isFinite(length)) throw new Wrong(t`${text} is no length`);
    return Math.round(length * 1e6) / 1e6;
}

/** Takes every row, or says of each that is wrong what is wrong with it. */
export function eachRow<T>(table: Table, take: (row: Row) => T): { taken: T[]; problems: string[] } {
    const [taken, problems]: [T[], string[]] = [[], []];
    for (const row of table.rows) {
        try {
            taken.push(take(row));
        } catch (error) {
            if (!(error instanceof Wrong)) throw error;
            problems.push(t`Row ${row.line}: ${error.message}.`);
        }
    }
    return { taken, problems };
}
