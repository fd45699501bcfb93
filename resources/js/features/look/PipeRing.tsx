import { useId } from 'react';
import type { StandingReport } from '../../api/types';
import { Materials } from '../../drawing/Materials';
import { textureOf } from '../../drawing/textures';

/** A standing pipe seen end on, all to one scale; a broken ring where it is not known. */
export function PipeRing({ pipe }: { pipe: StandingReport }) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const outer = Math.min(26, 7 + (pipe.od_mm ?? 100) * 0.145);
    const inner = Math.max(3, outer - Math.max(3, ((pipe.od_mm ?? 100) - (pipe.bore_mm ?? 90)) * 0.2));
    if (!pipe.known)
        return (
            <svg width="56" height="56" viewBox="0 0 56 56" aria-hidden="true">
                <circle
                    cx="28"
                    cy="28"
                    r="23"
                    style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 2, strokeDasharray: '6 4' }}
                />
                <circle cx="28" cy="28" r="17" style={{ fill: 'none', stroke: 'var(--ink)', strokeDasharray: '6 4' }} />
                <text x="28" y="37" textAnchor="middle" style={{ font: '700 26px var(--f-mark)' }}>
                    ?
                </text>
            </svg>
        );
    return (
        <svg width="56" height="56" viewBox="0 0 56 56" aria-hidden="true">
            <Materials prefix={prefix} />
            <circle
                cx="28"
                cy="28"
                r={outer}
                style={{ fill: `url(#${prefix}${textureOf(pipe.material)})`, stroke: 'var(--edge)', strokeWidth: 1.4 }}
            />
            <circle
                cx="28"
                cy="28"
                r={inner}
                style={{ fill: 'var(--lumen)', stroke: 'var(--edge)', strokeWidth: 1.4 }}
            />
        </svg>
    );
}
