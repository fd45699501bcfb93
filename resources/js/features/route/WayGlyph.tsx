const PATHS: Record<string, string> = {
    down: 'M9 2V14M4.5 10L9 15L13.5 10',
    up: 'M9 16V4M4.5 8L9 3L13.5 8',
    left: 'M15 15V8Q15 5 12 5H5M8 1L3 5L8 9',
    right: 'M3 15V8Q3 5 6 5H13M10 1L15 5L10 9',
    back: 'M13 15V7A4 4 0 0 0 5 7V13M1.5 9.5L5 14L8.5 9.5',
    on: 'M2 9H14M10 4.5L15 9L10 13.5',
};

/** Which way a leg goes, as an arrow. */
export function WayGlyph({ way }: { way: string }) {
    return (
        <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
            <path d={PATHS[way] ?? PATHS.on} style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 2 }} />
        </svg>
    );
}
