import { describe, expect, it } from 'vitest';
import type { CrewPrices, JobDocument, MaterialRow } from '../../api/types';
import { forCrew, tallyInWords, withCrewPrices } from './crewPrices';

const kept = { id: 1, by: 'Lead', at: '2026-11-25T08:00:00Z' };
const price = (what: string, each: number) => ({ ...kept, what, size: '2', pipe: 'PVC', each });
const stick = (length_mm: number, cost: number, system = 'pvc-dwv-40') => ({
    ...kept,
    system,
    size: '2',
    length_mm,
    price: cost,
});
const crew = (prices: CrewPrices['prices'], sticks: CrewPrices['sticks'] = []): CrewPrices => ({ prices, sticks });
const job = (more: object = {}): JobDocument => ({ runs: [], ...more }) as unknown as JobDocument;
const row = (what: string, more: object = {}): MaterialRow =>
    ({ shelf: 'fitting', what, size: '2', letters: 'PVC', each: null, ...more }) as unknown as MaterialRow;
const pipes = [{ system: 'pvc-dwv-40', size: '2' }];

describe("the crew's prices", () => {
    it('come into a job as far as it takes the things, and stand in place of what was entered', () => {
        const before = job({ prices: [{ what: 'wye', size: '2', pipe: 'PVC', each: 9 }] });
        const list = crew([price('45', 2.5), price('wye', 8), price('tee', 7), price('dial', 30)]);
        const taken = withCrewPrices(
            before,
            list,
            [row('45'), row('wye', { each: 9 }), row('cap'), row('dial', { shelf: 'tool' })],
            pipes,
        );
        expect(tallyInWords(taken)).toBe('1 new, 1 other');
        expect(taken.document.prices).toEqual([
            { what: '45', size: '2', pipe: 'PVC', each: 2.5 },
            { what: 'wye', size: '2', pipe: 'PVC', each: 8 },
        ]);
        expect(taken.document.cutting).toBeUndefined();
        expect(
            tallyInWords(
                withCrewPrices(taken.document, list, [row('45', { each: 2.5 }), row('wye', { each: 8 })], pipes),
            ),
        ).toBe('');
    });

    it('of sticks come in for the pipes of the job; what lies in the van stays as it was said', () => {
        const stock = [
            { system: 'pvc-dwv-40', size: '2', length_mm: 3048, price: 10 },
            { system: 'pvc-dwv-40', size: '2', length_mm: 6096, available: 1 },
        ];
        const taken = withCrewPrices(
            job({ cutting: { stock } }),
            crew([], [stick(3048.2, 11), stick(6096, 20), stick(3048, 9, 'abs-dwv-40')]),
            [],
            pipes,
        );
        expect(tallyInWords(taken)).toBe('1 new, 1 other');
        expect(taken.document.cutting?.stock).toEqual([
            { system: 'pvc-dwv-40', size: '2', length_mm: 3048, price: 11 },
            { system: 'pvc-dwv-40', size: '2', length_mm: 6096, available: 1 },
            { system: 'pvc-dwv-40', size: '2', length_mm: 6096, price: 20 },
        ]);
    });

    it('are kept from a job where they are other or new; an offcut has none to keep', () => {
        const stock = [
            { system: 'pvc-dwv-40', size: '2', length_mm: 3048, price: 11 },
            { system: 'pvc-dwv-40', size: '2', length_mm: 900, price: 1, available: 1 },
            { system: 'pvc-dwv-40', size: '2', length_mm: 6096 },
        ];
        const of = job({
            prices: [
                { what: '45', size: '2', pipe: 'PVC', each: 2.5 },
                { what: 'screws', each: 0.1 },
            ],
            cutting: { stock },
        });
        const news = forCrew(of, crew([price('45', 2.4)], [stick(3048, 11)]));
        expect([news.fresh, news.other]).toEqual([1, 1]);
        expect(news.prices).toEqual([
            { what: '45', size: '2', pipe: 'PVC', each: 2.5 },
            { what: 'screws', size: '', pipe: '', each: 0.1 },
        ]);
        expect(news.sticks).toEqual([]);
        expect(forCrew(of, crew([])).sticks).toEqual([{ system: 'pvc-dwv-40', size: '2', length_mm: 3048, price: 11 }]);
        expect(tallyInWords(forCrew(job(), crew([])))).toBe('');
    });
});
