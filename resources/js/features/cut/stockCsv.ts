import Papa from 'papaparse';
import type { JobCutting, SystemSummary } from '../../api/types';

type Stock = NonNullable<JobCutting['stock']>;

const PER_INCH = 25.4;

/** What a list of sticks says; where a row is wrong, which and why, and nothing is taken in. */
export function readStock(text: string, systems: Pick<SystemSummary, 'key' | 'short'>[]): { stock: Stock; problems: string[] } {
    const read = Papa.parse<Record<string, string>>(text, {
        header: true,
        skipEmptyLines: 'greedy',
        transformHeader: (header) => header.trim().toLowerCase(),
    });
    const fields = read.meta.fields ?? [];
    const lengthIn = fields.includes('length (in)');
    const missing = ['system', 'size'].filter((field) => !fields.includes(field));
    if (!lengthIn && !fields.includes('length (mm)')) missing.push('length (mm)');
    if (missing.length > 0) return { stock: [], problems: [`The list has no column ${missing.join(', ')}.`] };
    const stock: Stock = [];
    const problems: string[] = [];
    read.data.forEach((row, i) => {
        const said = (field: string): string => (row[field] ?? '').trim();
        const system = systems.find((one) => one.key === said('system') || one.short.toLowerCase() === said('system').toLowerCase());
        const length = Number(said(lengthIn ? 'length (in)' : 'length (mm)')) * (lengthIn ? PER_INCH : 1);
        const [price, available] = [said('price'), said('available')];
        const wrong = !system
            ? `${said('system') || 'nothing'} is no pipe of the catalogue`
            : said('size') === ''
              ? 'the size is missing'
              : !(length >= 1 && length <= 100_000)
                ? `${said(lengthIn ? 'length (in)' : 'length (mm)') || 'nothing'} is no length`
                : price !== '' && !(Number(price) >= 0)
                  ? `${price} is no price`
                  : available !== '' && !/^\d{1,5}$/.test(available)
                    ? `${available} is no count`
                    : null;
        // The first line holds the headers.
        if (wrong !== null) problems.push(`Row ${i + 2}: ${wrong}.`);
        else if (system)
            stock.push({
                system: system.key,
                size: said('size'),
                length_mm: Math.round(length * 1e6) / 1e6,
                ...(price === '' ? {} : { price: Number(price) }),
                ...(available === '' ? {} : { available: Number(available) }),
            });
    });
    return problems.length > 0 ? { stock: [], problems } : { stock, problems: stock.length === 0 ? ['The list is empty.'] : [] };
}
