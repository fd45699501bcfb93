import { useState } from 'react';
import type { RunReport } from '../../api/types';
import { Isometric } from '../../drawing/iso/Isometric';
import { useSize } from '../../shared/useSize';
import type { SharedSelection } from '../job/useSelection';

/** The isometric with its two buttons, which turn it by a quarter. */
export function IsoPanel({ run, selection }: { run: RunReport; selection: SharedSelection }) {
    const [turns, setTurns] = useState(0);
    const [ref, { width, height }] = useSize<HTMLDivElement>();
    return (
        <div className="iso-panel" ref={ref}>
            {width > 0 && (
                <Isometric
                    run={run}
                    turns={turns}
                    width={width}
                    height={Math.max(height, 240)}
                    selected={selection.selected}
                    onSelect={selection.select}
                />
            )}
            <div className="turn">
                <button type="button" aria-label="Turn the view left" onClick={() => setTurns(turns + 1)}>
                    <TurnGlyph mirrored />
                </button>
                <button type="button" aria-label="Turn the view right" onClick={() => setTurns(turns + 3)}>
                    <TurnGlyph />
                </button>
            </div>
        </div>
    );
}

function TurnGlyph({ mirrored = false }: { mirrored?: boolean }) {
    return (
        <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true" style={mirrored ? { transform: 'scaleX(-1)' } : {}}>
            <path d="M17 6A8 8 0 1 0 19 12" style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 2.2 }} />
            <path d="M19.4 1.8L17.6 9L11.6 5Z" style={{ fill: 'var(--ink)' }} />
        </svg>
    );
}
