import { t } from '@lingui/core/macro';
import type { Units } from '../../api/types';

/** Words that may come next in a call-out: what is shown on their button, and what is put at the end of the line. */
export interface NextWords {
    /** what is to be said now, where it is a number */
    hint: string | null;
    words: string[];
}

const WAYS = ['right', 'left', 'down', 'up', 'on'];
const FIRST_WAYS = ['north', 'east', 'south', 'west', 'down'];
const WAY = /(?:^|\s)(?:left|right|down|up|on|ahead|back|north|east|south|west)(?:\s+\d+(?:\.\d+)?°)?$/i;
const LENGTH = /\d\s*(?:"|''|'|in|ft|mm|cm|m|[½¼¾⅛⅜⅝⅞])?$/i;
const HAS_WAY = /(?:^|\s)(?:left|right|down|up|on|ahead|back|north|east|south|west)\s/i;

/** Takes what is said so far; gives what may come next at its end. */
export function nextWords(text: string, units: Units): NextWords {
    const phrases = text.split('/').length > 1 ? text.split(/\s\/\s?/) : [text];
    // What a leg is called stands at its end, in quotes.
    const phrase = (phrases.at(-1) ?? '').replace(/"[^"]*"\s*$/, '').trim();
    const isInch = units === 'inch';
    if (phrase === '') return { hint: null, words: phrases.length > 1 ? WAYS : FIRST_WAYS };
    if (/(?:^|\s)fall$/i.test(phrase)) return { hint: null, words: isInch ? ['1/4', '1/8', '1/2'] : ['1:40', '1:80'] };
    if (/(?:^|\s)with$/i.test(phrase)) return { hint: null, words: ['long sweep', '45+45'] };
    if (/(?:^|\s)(?:drop|rise)$/i.test(phrase)) return { hint: isInch ? t`how far: 1-1/2` : t`how far: 35`, words: [] };
    if (WAY.test(phrase)) return { hint: isInch ? t`how long: 20, 4' 6, 38-1/2` : t`how long: 1220`, words: [] };
    if (!HAS_WAY.test(`${phrase} `) || !LENGTH.test(phrase)) return { hint: null, words: [] };
    const falls = /(?:^|\s)(?:fall|drop|rise)\s/i.test(phrase);
    const more = ['to stop', 'with'].filter((word) => !phrase.toLowerCase().includes(word));
    const isUpright = /^(?:down|up)\b/i.test(phrase);
    return { hint: null, words: [...(falls || isUpright ? [] : ['fall', 'drop']), ...more, '/'] };
}

/** The line with a word put at its end. */
export const withWord = (text: string, word: string): string =>
    `${text.trimEnd()}${text.trim() === '' ? '' : ' '}${word} `;
