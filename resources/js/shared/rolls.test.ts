import { describe, expect, it } from 'vitest';
import { rolledInWords, unsigned } from './rolls';

describe('saying a roll', () => {
    it.each([
        [null, ''],
        [0.2, 'turns the same way'],
        [90, 'rolled 90° clockwise'],
        [-71.6, 'rolled 72° anticlockwise'],
        [180, 'turned right over, 180°'],
        [-179.8, 'turned right over, 180°'],
    ])('%s', (roll, words) => expect(rolledInWords({ roll_deg: roll })).toBe(words));

    it('says the mark without its sign', () => {
        expect(unsigned({ mm: -37.7, inch: '-1 1/2', feet: '-1 1/2"', metric: '-38' })).toEqual({
            mm: 37.7,
            inch: '1 1/2',
            feet: '1 1/2"',
            metric: '38',
        });
    });
});
