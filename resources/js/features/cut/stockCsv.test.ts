import { describe, expect, it } from 'vitest';
import { readStock } from './stockCsv';

const systems = [
    { key: 'pvc-dwv-40', short: 'Thick white plastic' },
    { key: 'ci-no-hub', short: 'Hubless iron' },
];
const read = (text: string) => readStock(text, systems);

describe('a list of sticks', () => {
    it('is read by its headers, in any order, with what is left open left out', () => {
        expect(read('system,size,length (mm),price,available\r\npvc-dwv-40,2,6096,21.5,\r\npvc-dwv-40,1-1/2,812.8,,3\r\n')).toEqual({
            stock: [
                { system: 'pvc-dwv-40', size: '2', length_mm: 6096, price: 21.5 },
                { system: 'pvc-dwv-40', size: '1-1/2', length_mm: 812.8, available: 3 },
            ],
            problems: [],
        });
        expect(read('Available,Length (in),Size,System\n1,54.5,3,hubless iron\n').stock).toEqual([
            { system: 'ci-no-hub', size: '3', length_mm: 1384.3, available: 1 },
        ]);
    });
    it.each([
        ['size,length (mm)\n2,6096\n', 'The list has no column system.'],
        ['system,size\npvc-dwv-40,2\n', 'The list has no column length (mm).'],
        ['system,size,length (mm)\nlead,2,6096\n', 'Row 2: lead is no pipe of the catalogue.'],
        ['system,size,length (mm)\npvc-dwv-40,2,long\n', 'Row 2: long is no length.'],
        ['system,size,length (mm)\npvc-dwv-40,,300\n', 'Row 2: the size is missing.'],
        ['system,size,length (mm),price\npvc-dwv-40,2,300,dear\n', 'Row 2: dear is no price.'],
        ['system,size,length (mm),available\npvc-dwv-40,2,300,1\npvc-dwv-40,2,300,1.5\n', 'Row 3: 1.5 is no count.'],
        ['system,size,length (mm)\n', 'The list is empty.'],
    ])('%j: nothing is taken in, and it is said why', (text, problem) => expect(read(text)).toEqual({ stock: [], problems: [problem] }));
});
