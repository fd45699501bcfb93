/** The textures of the materials. All colours come from tokens, so both modes draw from one set. */
export function Materials({ prefix }: { prefix: string }) {
    return (
        <defs>
            <pattern
                id={`${prefix}pvc`}
                width="7"
                height="7"
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(-45)"
            >
                <rect width="7" height="7" style={{ fill: 'var(--pvc)' }} />
                <rect width="0.9" height="7" style={{ fill: 'var(--pvc-2)' }} />
            </pattern>
            <pattern
                id={`${prefix}abs`}
                width="5"
                height="5"
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(45)"
            >
                <rect width="5" height="5" style={{ fill: 'var(--abs)' }} />
                <rect width="1.1" height="5" style={{ fill: 'var(--abs-2)' }} />
            </pattern>
            <pattern id={`${prefix}pp`} width="6" height="6" patternUnits="userSpaceOnUse">
                <rect width="6" height="6" style={{ fill: 'var(--pvc)' }} />
                <path d="M0 3H3M3 6H6" style={{ stroke: 'var(--pvc-2)', strokeWidth: 1 }} />
            </pattern>
            <pattern id={`${prefix}ci`} width="6" height="6" patternUnits="userSpaceOnUse">
                <rect width="6" height="6" style={{ fill: 'var(--ci)' }} />
                <g style={{ fill: 'var(--ci-2)' }}>
                    <circle cx="1.2" cy="1.4" r=".75" />
                    <circle cx="4.3" cy="0.9" r=".55" />
                    <circle cx="2.9" cy="3.4" r=".8" />
                    <circle cx="5.4" cy="4.2" r=".6" />
                    <circle cx="0.8" cy="5.1" r=".6" />
                </g>
            </pattern>
            <pattern id={`${prefix}clay`} width="9" height="6" patternUnits="userSpaceOnUse">
                <rect width="9" height="6" style={{ fill: 'var(--clay)' }} />
                <path d="M0 1.5h4.5M5.5 4.5h3.5M0 4.5h1" style={{ stroke: 'var(--clay-2)', strokeWidth: 1 }} />
            </pattern>
            <pattern id={`${prefix}copper`} width="5" height="5" patternUnits="userSpaceOnUse">
                <rect width="5" height="5" style={{ fill: 'var(--clay)' }} />
                <rect width="5" height="0.9" style={{ fill: 'var(--clay-2)' }} />
            </pattern>
            <pattern id={`${prefix}rub`} width="4" height="4" patternUnits="userSpaceOnUse">
                <rect width="4" height="4" style={{ fill: 'var(--rubber)' }} />
                <path d="M0 0L4 4M4 0L0 4" style={{ stroke: 'var(--rubber-2)', strokeWidth: 0.7 }} />
            </pattern>
            <pattern id={`${prefix}steel`} width="4" height="8" patternUnits="userSpaceOnUse">
                <rect width="4" height="8" style={{ fill: 'var(--steel)' }} />
                <rect width="1.1" height="8" style={{ fill: 'var(--steel-2)' }} />
            </pattern>
            <pattern id={`${prefix}unknown`} width="8" height="8" patternUnits="userSpaceOnUse">
                <rect width="8" height="8" style={{ fill: 'var(--well)' }} />
                <path d="M0 4h4" style={{ stroke: 'var(--ink-3)', strokeWidth: 1 }} />
            </pattern>
        </defs>
    );
}
