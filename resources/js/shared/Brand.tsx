export function BrandGlyph() {
    return (
        <svg width="24" height="24" viewBox="0 0 24 24" aria-hidden="true">
            <path
                d="M2 6.2L12 7.6A6 6 0 0 1 17.2 13.5V22"
                style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 9.4 }}
            />
            <path
                d="M1 6L12 7.6A6 6 0 0 1 17.2 13.5V23"
                style={{ fill: 'none', stroke: 'var(--paper)', strokeWidth: 5.6 }}
            />
            <path
                d="M1 8L11.6 9.5A4.2 4.2 0 0 1 15.3 13.6V23"
                style={{ fill: 'none', stroke: 'var(--water)', strokeWidth: 2 }}
            />
        </svg>
    );
}
