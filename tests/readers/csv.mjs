// Reads a table as a spreadsheet would, with a reader that is not ours, and gives its rows as JSON.
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';

const read = Papa.parse(readFileSync(process.argv[2], 'utf8'), { skipEmptyLines: true });
process.stdout.write(
    JSON.stringify({ rows: read.data, errors: read.errors, linebreak: read.meta.linebreak, delimiter: read.meta.delimiter }),
);
