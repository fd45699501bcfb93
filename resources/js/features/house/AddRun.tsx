import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { Shape } from '../../shared/Shape';
import type { JobEditor } from '../../editing';
import { stretchesOf } from '../route';
import { NEW_RUN } from '../../shared/views';

const EXAMPLES = {
    inch: [
        'stack: roof 3 / down 120 / north 96',
        'basin group a / east 30 / into stack 60',
        'vent off basin 20 / up 90 / roof',
    ],
    mm: [
        'stack: roof 110 / down 3000 / north 2400',
        'basin / east 750 / into stack 1500',
        'vent off basin 500 / up 2300 / roof',
    ],
};

/**
 * One field in which a whole run is said: where it comes from, its legs, where it goes. Enter keeps it and waits for
 * the next.
 */
export function AddRun({
    editor,
    field,
    onAdded,
}: {
    editor: JobEditor;
    field: RefObject<HTMLInputElement | null>;
    onAdded: (run: string) => void;
}) {
    const { text, unread, say, keep, clear } = useAddedRun(editor, onAdded);

    useEffect(() => field.current?.focus(), [field]);

    const onKey = (event: KeyboardEvent<HTMLInputElement>): void => {
        if (event.key === 'Enter') {
            event.preventDefault();
            void keep();
        }
        if (event.key === 'Escape' && text !== '') {
            event.stopPropagation();
            clear();
        }
    };

    return (
        <div className="say-line add-run">
            <label className="lab" htmlFor="add-run">
                <b>Add a run</b>
                <span className="cap">from, legs, into</span>
            </label>
            <div>
                <div className="call">
                    <div className="call-marks" aria-hidden="true">
                        {stretchesOf(text, unread, null).map((stretch, i) => (
                            <span key={i} className={stretch.bad ? 'bad' : ''}>
                                {stretch.text}
                            </span>
                        ))}
                    </div>
                    <input
                        id="add-run"
                        ref={field}
                        value={text}
                        spellCheck={false}
                        autoCapitalize="off"
                        autoComplete="off"
                        placeholder={
                            editor.evaluation.units === 'inch'
                                ? 'basin group a / east 30 / into stack 60'
                                : 'basin / east 750 / into stack 1500'
                        }
                        aria-describedby="add-run-back"
                        aria-invalid={unread.length > 0}
                        onChange={(event) => say(event.target.value)}
                        onKeyDown={onKey}
                    />
                </div>
                <p className="back" id="add-run-back" aria-live="polite">
                    {unread[0] ? (
                        <span className="complaint">
                            <Shape kind="stop" size={16} /> {unread[0].message}
                        </span>
                    ) : text !== '' ? (
                        <>Read. Enter keeps it as a run of its own.</>
                    ) : (
                        <>{EXAMPLES[editor.evaluation.units].join('   ·   ')}</>
                    )}
                </p>
            </div>
        </div>
    );
}

/** What is being said of a new run, and what keeps it. */
function useAddedRun(editor: JobEditor, onAdded: (run: string) => void) {
    const [text, setText] = useState('');
    const [busy, setBusy] = useState(false);
    const latest = useRef(editor);
    latest.current = editor;
    const typed = editor.typed?.run === NEW_RUN;
    const unread = typed ? editor.evaluation.phrases.flatMap((phrase) => phrase.unread) : [];

    const say = (value: string): void => {
        setText(value);
        if (busy) return;
        if (value.trim() === '') latest.current.unsay();
        else latest.current.say(NEW_RUN, value);
    };

    const keep = async (): Promise<void> => {
        if (busy || text.trim() === '') return;
        const line = text;
        setBusy(true);
        setText('');
        const read = await latest.current.reading();
        const phrases = read?.evaluation.phrases ?? [];
        if (phrases.length > 0 && phrases.every((phrase) => phrase.unread.length === 0)) {
            const added = read?.document.runs.at(-1);
            if (added) onAdded(added.id);
            await latest.current.doneSaying();
        } else {
            setText((now) => (now === '' ? line : now));
        }
        setBusy(false);
    };

    // What was typed while the run before was being kept is said as soon as that is done.
    useEffect(() => {
        if (!busy && text.trim() !== '' && latest.current.typed?.text !== text) latest.current.say(NEW_RUN, text);
    }, [busy, text]);

    const clear = (): void => {
        setText('');
        editor.unsay();
    };
    return { text, unread, say, keep, clear };
}
