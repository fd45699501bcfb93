const WORDS = [
    'left',
    'right',
    'down',
    'up',
    'on',
    'ahead',
    'back',
    'north',
    'east',
    'south',
    'west',
    'fall',
    'drop',
    'level',
    'close',
    'to stop',
    'with long sweep',
    'with 45+45',
    'size',
    'rise',
];

/** What would complete the word at the end of the line; nothing where it could be several things or is whole. */
export function completionOf(text: string): string {
    const word = /(?:^|[\s/;])([a-z]{2,}(?: [a-z]+)*)$/i.exec(text)?.[1]?.toLowerCase();
    if (!word) return '';
    for (let part = word; part !== ''; part = part.includes(' ') ? part.slice(part.indexOf(' ') + 1) : '') {
        const fits = WORDS.filter((one) => one.startsWith(part) && one !== part);
        if (WORDS.includes(part)) return '';
        if (fits.length === 1) return fits[0]?.slice(part.length) ?? '';
    }
    return '';
}

export interface Stretch {
    text: string;
    bad: boolean;
    lit: boolean;
}

/**
 * Cuts a line into stretches, marked where it was not understood and lit where the selected leg is said. Offsets count
 * characters.
 */
export function stretchesOf(
    text: string,
    unread: { at: number; length: number }[],
    lit: { at: number; length: number } | null,
): Stretch[] {
    const chars = [...text];
    const within = (i: number, span: { at: number; length: number }): boolean =>
        i >= span.at && i < span.at + span.length;
    const stretches: Stretch[] = [];
    chars.forEach((char, i) => {
        const bad = unread.some((span) => within(i, span));
        const isLit = lit !== null && within(i, lit);
        const last = stretches.at(-1);
        if (last && last.bad === bad && last.lit === isLit) last.text += char;
        else stretches.push({ text: char, bad, lit: isLit });
    });
    return stretches;
}
