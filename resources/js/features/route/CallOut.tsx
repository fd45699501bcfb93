import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useLayoutEffect, useState, type KeyboardEvent, type ReactNode, type RefObject } from 'react';
import type { LegReport, RunReport, Tape, Units } from '../../api/types';
import { useGuide } from '../../shared/guide';
import { Shape } from '../../shared/Shape';
import type { JobEditor } from '../../editing';
import { completionOf, stretchesOf, type Stretch } from './completion';
import { nextWords, withWord, type NextWords } from './nextWords';

interface Props {
    run: RunReport;
    editor: JobEditor;
    field: RefObject<HTMLTextAreaElement | null>;
    selectedLeg: number | null;
}

/**
 * The call-out line: one field that takes what would be called across a room, marks what it did not understand, and
 * says back what it read.
 */
export function CallOut({ run, editor, field, selectedLeg }: Props) {
    const [caret, setCaret] = useState(0);
    const [focused, setFocused] = useState(false);
    const last = editor.said.findLast((one) => one.run === run.id);
    const typed = last?.text ?? null;
    const isUnheard = last?.read === false && (editor.saving === 'offline' || editor.saving === 'signed-out');
    const text = typed ?? run.call_out;
    const unread = typed === null ? [] : editor.evaluation.phrases.flatMap((phrase) => phrase.unread);
    const bounds = phraseBounds(text);
    const at = focused ? bounds.findIndex((one) => caret <= one.at + one.length) : (selectedLeg ?? 0) - 1;
    const litBound = focused ? null : (bounds[(selectedLeg ?? 0) - 1] ?? null);
    const leg = run.legs[at >= 0 ? at : run.legs.length - 1];
    const complaint = complaintAt(unread, bounds[at]);
    const ghost = focused && caret === text.length ? completionOf(text) : '';
    const waiting = typed === null ? run.legs.filter((one) => !one.read) : [];

    useHeightOfText(field, text);
    const isInch = editor.evaluation.units === 'inch';
    const guide = useGuide();
    const say = (value: string): void => {
        // Whoever asks is answered; the question itself is no part of the line.
        if (ASKED.test(value)) guide.help();
        editor.say(run.id, value.replace(ASKED, '').replace(/\n/g, ' / '));
    };
    const onKey = (event: KeyboardEvent<HTMLTextAreaElement>): void => {
        if (ghost !== '' && event.key === 'ArrowRight') {
            event.preventDefault();
            say(`${text}${ghost} `);
        }
        if (event.key === 'Enter') {
            event.preventDefault();
            void editor.doneSaying();
        }
        if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
            event.preventDefault();
            void editor.step(event.shiftKey ? 'redo' : 'undo');
        }
    };

    return (
        <div className="say-line">
            <label className="lab" htmlFor="call-out">
                <b>{t`Call it out`}</b>
                <span className="cap">{t`length, way, turn, fall`}</span>
            </label>
            <div>
                <CallField
                    field={field}
                    placeholder={
                        isInch
                            ? "down 14 / right 4' 6 fall 1/4 / left 3' 8"
                            : 'down 350 / right 1370 fall 1:40 / left 1120'
                    }
                    text={text}
                    marks={stretchesOf(text, unread, litBound)}
                    ghost={ghost}
                    isWrong={unread.length > 0}
                    onSay={say}
                    onCaret={setCaret}
                    onFocused={(is) => {
                        setFocused(is);
                        if (!is && typed !== null) void editor.doneSaying();
                    }}
                    onKey={onKey}
                />
                <div className="back-row">
                    <ReadBack
                        editor={editor}
                        run={run}
                        leg={leg}
                        isUnheard={isUnheard}
                        complaint={complaint?.message}
                        waiting={waiting[0]}
                        saying={text.trim() === '' ? null : bounds.length}
                    />
                    {focused && caret === text.length && (
                        <NextOnes
                            next={nextWords(text, editor.evaluation.units)}
                            onWord={(word) => {
                                const whole = withWord(text, word);
                                setCaret(whole.length);
                                say(whole);
                            }}
                        />
                    )}
                </div>
            </div>
        </div>
    );
}

interface FieldProps {
    field: RefObject<HTMLTextAreaElement | null>;
    text: string;
    placeholder: string;
    marks: Stretch[];
    /** what would complete the word that is being typed */
    ghost: string;
    isWrong: boolean;
    onSay: (text: string) => void;
    onCaret: (at: number) => void;
    onFocused: (is: boolean) => void;
    onKey: (event: KeyboardEvent<HTMLTextAreaElement>) => void;
}

/** The field, with what was not understood marked in it. */
function CallField({ field, text, placeholder, marks, ghost, isWrong, onSay, onCaret, onFocused, onKey }: FieldProps) {
    return (
        <div className="call">
            <div className="call-marks" aria-hidden="true">
                {marks.map((stretch, i) => (
                    <span key={i} className={`${stretch.bad ? 'bad' : ''} ${stretch.lit ? 'sel' : ''}`}>
                        {stretch.text}
                    </span>
                ))}
                <span className="ghost">{ghost}</span>
            </div>
            <textarea
                id="call-out"
                ref={field}
                rows={1}
                value={text}
                spellCheck={false}
                autoCapitalize="off"
                autoComplete="off"
                placeholder={placeholder}
                aria-describedby="read-back"
                aria-invalid={isWrong}
                onChange={(event) => {
                    onCaret(event.target.selectionStart);
                    onSay(event.target.value);
                }}
                onSelect={(event) => onCaret(event.currentTarget.selectionStart)}
                onFocus={(event) => {
                    onFocused(true);
                    event.target.setSelectionRange(text.length, text.length);
                }}
                onBlur={() => onFocused(false)}
                onKeyDown={onKey}
            />
        </div>
    );
}

/** What may come next, at a tap: the field keeps the focus. */
function NextOnes({ next: { hint, words }, onWord }: { next: NextWords; onWord: (word: string) => void }) {
    return (
        <div className="next-words" role="group" aria-label={t`What may come next`}>
            {hint !== null && <span className="cap">{hint}</span>}
            {words.map((word) => (
                <button
                    key={word}
                    type="button"
                    tabIndex={-1}
                    onMouseDown={(event) => event.preventDefault()}
                    onClick={() => onWord(word)}
                >
                    {word === '/' ? t`/ next leg` : word}
                </button>
            ))}
        </div>
    );
}

/** A question instead of a leg, at the end of what was said. */
const ASKED = /\?$|(?:^|[\s/])help$/i;

/** What was not understood in the phrase that is being said; else the first of the line. */
function complaintAt<U extends { at: number }>(unread: U[], bound: { at: number; length: number } | undefined) {
    return unread.find((one) => bound && one.at >= bound.at && one.at <= bound.at + bound.length) ?? unread[0];
}

/** The field is as high as what stands in it. */
function useHeightOfText(field: RefObject<HTMLTextAreaElement | null>, text: string): void {
    useLayoutEffect(() => {
        const area = field.current;
        if (!area) return;
        area.style.height = 'auto';
        area.style.height = `${area.scrollHeight}px`;
    }, [text, field]);
}

interface BackProps {
    editor: JobEditor;
    run: RunReport;
    leg: LegReport | undefined;
    isUnheard: boolean;
    /** what was not understood of what is being typed */
    complaint: string | undefined;
    /** a leg that was kept without being understood */
    waiting: LegReport | undefined;
    /** the leg that is being read; null where nothing is said */
    saying: number | null;
}

/** What was read of the line, said back. */
function ReadBack({ editor, run, leg, isUnheard, complaint, waiting, saying }: BackProps) {
    const complain = (message: ReactNode) => (
        <span className="complaint">
            <Shape kind="stop" size={16} /> {message}
        </span>
    );
    return (
        <p className="back" id="read-back" aria-live="polite">
            {isUnheard ? (
                <>{notReadInWords(editor)}</>
            ) : complaint !== undefined ? (
                complain(complaint)
            ) : waiting ? (
                complain(t`Leg ${waiting.number} was not understood; its words are kept.`)
            ) : leg ? (
                <>
                    <Trans>
                        Leg {leg.number} is read as: <b>{leg.read_back}</b>.{' '}
                        {totalsInWords(run, editor.evaluation.units)}
                    </Trans>
                </>
            ) : saying !== null ? (
                <>{t`Leg ${saying} is being read.`}</>
            ) : (
                <>{t`Say the first leg: how long, and which way. Put a / between two legs.`}</>
            )}
            {editor.problem && (
                <span className="complaint" role="alert">
                    {' '}
                    {editor.problem}
                </span>
            )}
        </p>
    );
}

/** What was typed and has no answer yet: what stands under the line is not what it says. */
function notReadInWords({ saving, stored }: JobEditor): string {
    const [why, until] =
        saving === 'offline'
            ? [t`the server does not answer`, t`it does`]
            : [t`you are no longer signed in`, t`you are`];
    const kept = stored ? t`What you typed is stored on this device, and` : t`Leave this page open: what you typed is`;
    return t`Not read yet: ${why}. ${kept} read as soon as ${until}.`;
}

/** The run as a whole: its length on the tape, its fall, and what is left of the levelled difference. */
function totalsInWords(run: RunReport, units: Units): string {
    const { tape, fall, remaining, whole } = run.totals;
    const said = (length: Tape): string => (units === 'inch' ? `${length.inch} in` : `${length.metric} mm`);
    const left =
        whole && remaining && Math.abs(remaining.mm) > 0.8
            ? `, ${said(remaining).replace('-', '')} ${remaining.mm > 0 ? t`left over` : t`too much`}`
            : '';
    const length = units === 'inch' ? tape.feet : said(tape);
    const way = fall.mm < 0 ? t`rises` : t`falls`;
    return t`The run is ${length} on the tape and ${way} ${said(fall).replace('-', '')}${left}.`;
}

/** Where each phrase of the line stands. */
function phraseBounds(text: string): { at: number; length: number }[] {
    const bounds: { at: number; length: number }[] = [];
    let at = 0;
    for (const part of text.split(/(\s+\/(?=\s|$)|[;\n]+)/)) {
        if (!/^(\s+\/|[;\n]+)$/.test(part) && part.trim() !== '') {
            const lead = part.length - part.trimStart().length;
            bounds.push({ at: at + lead, length: part.trim().length });
        }
        at += part.length;
    }
    return bounds;
}
