/** The textures of the materials. All colours come from tokens, so both modes draw from one set. */
export function Materials({ prefix }: { prefix: string }) {
    return (
        <defs>
            <pattern id={`${prefix}pvc`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
                <rect width="7" height="7" style={{ fill: 'var(--pvc)' }} />
                <rect width="0.9" height="7" style={{ fill: 'var(--pvc-2)' }} />
            </pattern>
            <pattern id={`${prefix}steel`} width="4" height="8" patternUnits="userSpaceOnUse">
                <rect width="4" height="8" style={{ fill: 'var(--steel)' }} />
                <rect width="1.1" height="8" style={{ fill: 'var(--steel-2)' }} />
            </pattern>
        </defs>
    );
}
