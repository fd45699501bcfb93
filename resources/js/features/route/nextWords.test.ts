import { describe, expect, it } from 'vitest';
import { nextWords, withWord } from './nextWords';

describe('what may come next in a call-out', () => {
    it.each([
        ['', null, ['north', 'east', 'south', 'west', 'down']],
        ['north 40 / ', null, ['right', 'left', 'down', 'up', 'on']],
        ['right', "how long: 20, 4' 6, 38-1/2", []],
        ['left 23°', "how long: 20, 4' 6, 38-1/2", []],
        ['right 40', null, ['fall', 'drop', 'to stop', 'with', '/']],
        ["right 4' 6", null, ['fall', 'drop', 'to stop', 'with', '/']],
        ['right 40 fall', null, ['1/4', '1/8', '1/2']],
        ['right 40 fall 1/4', null, ['to stop', 'with', '/']],
        ['right 40 drop', 'how far: 1-1/2', []],
        ['down 20', null, ['to stop', 'with', '/']],
        ['down 20 with', null, ['long sweep', '45+45']],
        ['down 20 / rig', null, []],
        ['down 45° 14 "into the wye"', null, ['to stop', 'with', '/']],
    ])('%s', (text, hint, words) => expect(nextWords(text, 'inch')).toEqual({ hint, words }));

    it('speaks the units of the job', () => {
        expect(nextWords('right 1220 fall', 'mm').words).toEqual(['1:40', '1:80']);
        expect(nextWords('right', 'mm').hint).toBe('how long: 1220');
    });

    it('puts a word at the end, and room for the next', () => {
        expect(withWord('', 'north')).toBe('north ');
        expect(withWord('north 40', '/')).toBe('north 40 / ');
        expect(withWord('north 40 / ', 'right')).toBe('north 40 / right ');
    });
});
