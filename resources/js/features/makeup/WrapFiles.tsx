import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { wrapStrips } from '../../api/queries';
import type { OfJob, RunReport } from '../../api/types';
import { saveFile } from '../../shared/saveFile';
import { Problem } from '../../shared/Problem';

/** Wrap strips of the run as it is, in full size: all of them on paper, or one as a drawing. */
export function WrapFiles({ of, run }: { of: OfJob; run: RunReport }) {
    const [problem, setProblem] = useState('');
    if (run.pieces.length === 0) return null;
    const fetchFile = async (piece: string | null, name: string): Promise<void> => {
        setProblem('');
        const answer = await wrapStrips(of, run.id, piece);
        if (!answer.ok) {
            setProblem(answer.message);
            return;
        }
        saveFile(answer.data, name);
    };
    return (
        <section className="wrap-files" aria-label={t`Wrap strips in full size`}>
            <h2>{t`Wrap strips, full size`}</h2>
            <p className="say">
                <Trans>
                    One for each piece of this run: the cut edge, how deep it goes in, the heel lines. Print at 100 %,
                    and check the ticks with a tape.
                </Trans>
            </p>
            <div className="chips">
                <button type="button" className="chip" onClick={() => void fetchFile(null, `wrap-${run.id}.pdf`)}>
                    {t`all, as PDF`}
                </button>
                {run.pieces.map((piece) => (
                    <button
                        key={piece.key}
                        type="button"
                        className="chip"
                        aria-label={t`Wrap strip of piece ${piece.letter} as SVG`}
                        onClick={() => void fetchFile(piece.key, `wrap-${run.id}-${piece.letter}.svg`)}
                    >
                        {piece.letter}
                    </button>
                ))}
            </div>
            <Problem text={problem} />
        </section>
    );
}
