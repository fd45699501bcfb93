import { t } from '@lingui/core/macro';
import { useState, type ReactNode } from 'react';
import type { Source } from '../api/types';
import { Shape } from './Shape';

/**
 * A number or a name that says, at one tap, where it comes from and how far it can be trusted. A doubtful one is marked
 * before that.
 */
export function SourceTap({ source, children }: { source: Source; children: ReactNode }) {
    const [open, setOpen] = useState(false);
    const doubtful = source.status === 'assumed' || source.confidence === 'low';
    return (
        <span className="source-tap">
            <button
                type="button"
                aria-expanded={open}
                onClick={() => setOpen(!open)}
                className={doubtful ? 'doubtful' : ''}
            >
                {children}
                {doubtful && <Shape kind="unknown" size={13} />}
                {source.status === 'measured' && <span className="cap"> {t`measured`}</span>}
            </button>
            {open && <SourceLine source={source} />}
        </span>
    );
}

const STATUS: Record<string, string> = {
    stated: t`Stated there`,
    derived: t`Reckoned from it`,
    assumed: t`Assumed`,
    measured: t`Measured`,
};

const TRUST: Record<Source['confidence'], string> = { high: t`sure`, medium: t`fairly sure`, low: t`unsure` };

/** How far a number can be trusted. */
export const trustInWords = ({ status, confidence }: Source): string =>
    `${STATUS[status] ?? status}; ${TRUST[confidence]}.`;

export function SourceLine({ source }: { source: Source }) {
    return (
        <span className="source-line cap">
            {source.source}. {trustInWords(source)}
        </span>
    );
}

/** Every row of a table that a screen rests on, at one tap. */
export function RestsOn({ sources }: { sources: Source[] }) {
    const doubtful = sources.filter((source) => source.status === 'assumed' || source.confidence === 'low').length;
    return (
        <details className="rests-on">
            <summary>
                {t`Sources: ${sources.length}`}
                {doubtful > 0 && t`, ${doubtful} unsure`}
            </summary>
            {sources.map((source) => (
                <SourceLine key={`${source.table} ${source.row}`} source={source} />
            ))}
        </details>
    );
}
