import { describe, expect, it } from 'vitest';
import type { JobDocument, MaterialRow } from '../../api/types';
import { beforeName, eachInWords, ofRow, priced, priceName, readPrice, takesPrice } from './prices';

const job = (prices?: object[]): JobDocument => ({ runs: [], ...(prices ? { prices } : {}) }) as unknown as JobDocument;
const row = (more: object = {}): MaterialRow =>
    ({ shelf: 'fitting', what: '45', size: '2', letters: 'PVC', each: null, ...more }) as unknown as MaterialRow;

describe('a price', () => {
    it.each([
        ['', null],
        [' 2.50 ', 2.5],
        ['2,5', 2.5],
        ['0', 0],
        ['dear', undefined],
        ['-1', undefined],
        ['2000000', undefined],
    ])('%j', (text, each) => expect(readPrice(text)).toBe(each));
    it('is kept once for each thing, and goes', () => {
        const one = priced(job(), ofRow(row()), 2.5);
        expect(one.prices).toEqual([{ what: '45', size: '2', pipe: 'PVC', each: 2.5 }]);
        expect(priced(one, ofRow(row()), 3).prices).toEqual([{ what: '45', size: '2', pipe: 'PVC', each: 3 }]);
        expect(priced(one, ofRow(row({ size: '3' })), 4).prices).toHaveLength(2);
        expect(priced(one, ofRow(row()), null).prices).toEqual([]);
        expect(
            priced(job([{ what: 'bracket', each: 1 }]), { what: 'bracket', size: '', pipe: '' }, null).prices,
        ).toEqual([]);
    });
    it('is entered with the sticks where those have one, and never of a tool', () => {
        expect(takesPrice(row(), job())).toBe(true);
        expect(takesPrice(row({ shelf: 'tool' }), job())).toBe(false);
        expect(takesPrice(row({ shelf: 'pipe', each: 11 }), job())).toBe(false);
        expect(takesPrice(row({ each: 2.5 }), priced(job(), ofRow(row()), 2.5))).toBe(true);
    });
    it('is shown as it was said, so that reading it back changes nothing', () => {
        for (const each of [2.5, 0.085, 12, 0.1 + 0.2, 1000000])
            expect(readPrice(eachInWords(each))).toBeCloseTo(each, 9);
        expect([eachInWords(2.5), eachInWords(0.085)]).toEqual(['2.50', '0.085']);
    });
    it('is called by pipe and size, unless its name says them', () => {
        expect(priceName(ofRow(row()))).toBe('PVC 2 45');
        expect(priceName({ what: '45', size: '4', pipe: 'PVC' })).toBe('PVC 4 45');
        expect(priceName({ what: 'PVC, 10 ft', size: '2', pipe: 'PVC' })).toBe('2 PVC, 10 ft');
        expect(priceName({ what: 'screws', size: '', pipe: '' })).toBe('screws');
        expect(beforeName({ what: '2 45', size: '2', pipe: '' })).toBe('');
    });
});
