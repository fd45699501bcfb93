import { t } from '@lingui/core/macro';
import glossary from '../../../docs/glossary.md?raw';

/** A word of the trade, and what is meant by it. */
export interface Word {
    word: string;
    meaning: string;
}

/** Those of the glossary that stand under a heading, in its order. */
function under(heading: string): Word[] {
    const part = glossary.split(`## ${heading}`)[1]?.split('\n## ')[0] ?? '';
    return part
        .split('\n')
        .filter((line) => line.startsWith('| ') && !line.startsWith('| ---'))
        .slice(1)
        .map((line) => {
            const [, word = '', meaning = ''] = line.split('|').map((cell) => cell.trim());
            return { word, meaning };
        });
}

export const TRADE_WORDS = under(t`Words of the trade`);

const MEANINGS = new Map(TRADE_WORDS.map(({ word, meaning }) => [word, meaning]));

// The longest first: a trap arm is no trap.
const ANY = new RegExp(
    `\\b(${[...MEANINGS.keys()]
        .sort((a, b) => b.length - a.length)
        .map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
        .join('|')})(e?s)?\\b`,
    'gi',
);

export interface Stretch {
    text: string;
    /** the word that it is, where it is one that is explained */
    word: Word | null;
}

/** Cuts a text where words of the trade stand in it; each is marked where it stands first. */
export function wordsIn(text: string): Stretch[] {
    const stretches: Stretch[] = [];
    const seen = new Set<string>();
    let at = 0;
    for (const found of text.matchAll(ANY)) {
        const word = (found[1] ?? '').toLowerCase();
        const meaning = MEANINGS.get(word);
        if (meaning === undefined || seen.has(word)) continue;
        seen.add(word);
        if (found.index > at) stretches.push({ text: text.slice(at, found.index), word: null });
        stretches.push({ text: found[0], word: { word, meaning } });
        at = found.index + found[0].length;
    }
    if (at < text.length) stretches.push({ text: text.slice(at), word: null });
    return stretches;
}
