import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Units } from '../../api/types';
import { readLength } from '../../api/lengths';
import { lengthInWords, saidLength } from '../../shared/lengths';
import { Shape } from '../../shared/Shape';
import { changeInWords, type CutPiece } from '../../editing';
import { Problem } from '../../shared/Problem';

interface Props {
    piece: CutPiece;
    units: Units;
    onCut: (lengthMm: number) => void;
    onBack: () => void;
}

/** A piece is ticked off with a finger; where it came out otherwise, at what it came out. */
export function TickOff({ piece, units, onCut, onBack }: Props) {
    const [isOther, setOther] = useState(false);
    const [problem, setProblem] = useState('');
    const words = (mm: number): string => lengthInWords(mm, units);
    const [came, setCame] = useState({ mm: piece.now.mm, text: saidLength(piece.now.mm, units) });
    const step = (marks: number): void => {
        const mm = came.mm + marks * (units === 'inch' ? 25.4 / 16 : 1);
        setCame({ mm, text: saidLength(mm, units) });
    };
    // What was stepped to is known; words are read by the server, and are not stepped on from.
    const isTyped = came.text !== saidLength(came.mm, units);
    const enter = async (): Promise<void> => {
        if (!isTyped) {
            setOther(false);
            onCut(came.mm);
            return;
        }
        const read = await readLength(came.text, units);
        if (!read.ok) setProblem(read.errors.text?.[0] ?? read.message);
        else {
            setProblem('');
            setOther(false);
            onCut(read.data.mm);
        }
    };
    const change = changeInWords(piece.moved_mm, words);
    return (
        <div className="tick-off">
            {piece.cut ? (
                <>
                    <button type="button" className="tick on" aria-pressed="true" onClick={onBack}>
                        <Shape kind="done" size={22} /> {t`cut`}
                    </button>
                    {change && <span className="cap">{t`It came out ${change}.`}</span>}
                </>
            ) : (
                <>
                    <button type="button" className="tick" aria-pressed="false" onClick={() => onCut(piece.now.mm)}>
                        {t`cut`}
                    </button>
                    <button
                        type="button"
                        className="plain small"
                        aria-expanded={isOther}
                        onClick={() => {
                            setCame({ mm: piece.now.mm, text: saidLength(piece.now.mm, units) });
                            setOther(!isOther);
                        }}
                    >
                        {t`Different length`}
                    </button>
                    {change && (
                        <span className="cap">
                            <Shape kind="warn" size={14} /> {change}
                        </span>
                    )}
                    {isOther && (
                        <form
                            className="tick-other"
                            onSubmit={(event) => {
                                event.preventDefault();
                                void enter();
                            }}
                        >
                            <label className="choice">
                                <span className="cap">{t`${piece.letter} came out at`}</span>
                                <input
                                    name="real"
                                    value={came.text}
                                    onChange={(event) => setCame({ ...came, text: event.target.value })}
                                    autoComplete="off"
                                />
                            </label>
                            <button type="button" className="plain small" disabled={isTyped} onClick={() => step(-1)}>
                                {units === 'inch' ? t`1/16 shorter` : t`1 mm shorter`}
                            </button>
                            <button type="button" className="plain small" disabled={isTyped} onClick={() => step(1)}>
                                {units === 'inch' ? t`1/16 longer` : t`1 mm longer`}
                            </button>
                            <button type="submit" className="plain">
                                {t`Reckon on from it`}
                            </button>
                            <Problem text={problem} />
                        </form>
                    )}
                </>
            )}
        </div>
    );
}
