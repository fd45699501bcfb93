import { useMemo, useState } from 'react';
import { wordsIn, type Word } from './words';

/** A text whose words of the trade say at a touch what is meant by them. */
export function Explained({ text }: { text: string }) {
    const stretches = useMemo(() => wordsIn(text), [text]);
    const [open, setOpen] = useState<Word | null>(null);
    return (
        <>
            {stretches.map(({ text: said, word }, i) =>
                word === null ? (
                    said
                ) : (
                    <button
                        key={`${i} ${said}`}
                        type="button"
                        className="word"
                        aria-expanded={open?.word === word.word}
                        onClick={() => setOpen(open?.word === word.word ? null : word)}
                    >
                        {said}
                    </button>
                ),
            )}
            {open && (
                <span className="word-meaning" role="note">
                    <b>{open.word}</b>: {open.meaning}
                </span>
            )}
        </>
    );
}
