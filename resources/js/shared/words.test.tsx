// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { Explained } from './Explained';
import { TRADE_WORDS, wordsIn } from './words';

it('reads every word of the trade from the glossary, each once, none without a meaning', () => {
    expect(TRADE_WORDS.length).toBeGreaterThan(60);
    expect(new Set(TRADE_WORDS.map(({ word }) => word)).size).toBe(TRADE_WORDS.length);
    expect(TRADE_WORDS.filter(({ meaning }) => meaning === '')).toEqual([]);
    expect(TRADE_WORDS.map(({ word }) => word)).toEqual(
        TRADE_WORDS.map(({ word }) => word).sort((a, b) => (a < b ? -1 : 1)),
    );
});

it('takes the longest word, knows the plural, and marks each once', () => {
    expect(wordsIn('Trap arms fall; the trap arm is short, its trap keeps.')).toEqual([
        { text: 'Trap arms', word: expect.objectContaining({ word: 'trap arm' }) as unknown },
        { text: ' ', word: null },
        { text: 'fall', word: expect.objectContaining({ word: 'fall' }) as unknown },
        { text: '; the trap arm is short, its ', word: null },
        { text: 'trap', word: expect.objectContaining({ word: 'trap' }) as unknown },
        { text: ' keeps.', word: null },
    ]);
    expect(wordsIn('strapped hubcap')).toEqual([{ text: 'strapped hubcap', word: null }]);
});

it('says what is meant at a touch, and takes it away at the next', async () => {
    const user = userEvent.setup();
    render(
        <p>
            <Explained text="The trap loses its seal." />
        </p>,
    );
    await user.click(screen.getByRole('button', { name: 'trap' }));
    expect(screen.getByRole('note').textContent).toBe(
        'trap: the bend that holds water and keeps the air of the drain out',
    );
    await user.click(screen.getByRole('button', { name: 'trap' }));
    expect(screen.queryByRole('note')).toBeNull();
});
