import { t } from '@lingui/core/macro';
/** Turns a picture by a quarter either way. */
export function TurnButtons({ turns, onTurn }: { turns: number; onTurn: (turns: number) => void }) {
    return (
        <>
            <button type="button" aria-label={t`Turn the view left`} onClick={() => onTurn(turns + 1)}>
                <TurnGlyph mirrored />
            </button>
            <button type="button" aria-label={t`Turn the view right`} onClick={() => onTurn(turns + 3)}>
                <TurnGlyph />
            </button>
        </>
    );
}

function TurnGlyph({ mirrored = false }: { mirrored?: boolean }) {
    return (
        <svg
            width="22"
            height="22"
            viewBox="0 0 22 22"
            aria-hidden="true"
            style={mirrored ? { transform: 'scaleX(-1)' } : {}}
        >
            <path d="M17 6A8 8 0 1 0 19 12" style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 2.2 }} />
            <path d="M19.4 1.8L17.6 9L11.6 5Z" style={{ fill: 'var(--ink)' }} />
        </svg>
    );
}
