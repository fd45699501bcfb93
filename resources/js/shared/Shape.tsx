import type { Severity } from '../api/types';

export type ShapeKind = Severity | 'done' | 'open';

/** The six silhouettes, legible without colour: findings, done, still open. */
export function ShapeBody({ kind }: { kind: ShapeKind }) {
    switch (kind) {
        case 'stop':
            return (
                <>
                    <path d="M6 0.8H14L19.2 6V14L14 19.2H6L0.8 14V6Z" style={{ fill: 'var(--stop-fill)' }} />
                    <rect x="4.4" y="8.1" width="11.2" height="3.8" style={{ fill: 'var(--stop-text)' }} />
                </>
            );
        case 'warn':
            return (
                <>
                    <path
                        d="M1.2 2.2H18.8L10 18.8Z"
                        style={{
                            fill: 'var(--warn-fill)',
                            stroke: 'var(--ink)',
                            strokeWidth: 1.7,
                            strokeLinejoin: 'round',
                        }}
                    />
                    <path d="M10 5V12.2" style={{ stroke: 'var(--warn-text)', strokeWidth: 2.4 }} />
                </>
            );
        case 'note':
            return (
                <>
                    <path
                        d="M1.2 1.2H13.6L18.8 6.4V18.8H1.2Z"
                        style={{
                            fill: 'var(--note-fill)',
                            stroke: 'var(--ink)',
                            strokeWidth: 1.7,
                            strokeLinejoin: 'round',
                        }}
                    />
                    <path d="M5 8.4H12.5M5 11.4H15M5 14.6H11" style={{ stroke: 'var(--ink)', strokeWidth: 1.5 }} />
                </>
            );
        case 'unknown':
            return (
                <>
                    <circle
                        cx="10"
                        cy="10"
                        r="8.6"
                        style={{
                            fill: 'var(--unk-fill)',
                            stroke: 'var(--ink)',
                            strokeWidth: 1.8,
                            strokeDasharray: '3.4 2.35',
                        }}
                    />
                    <path
                        d="M7.2 7.9C7.2 4.4 12.8 4.4 12.8 7.9C12.8 10.2 10 10 10 12.2"
                        style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.9 }}
                    />
                    <rect x="9" y="13.7" width="2" height="2" style={{ fill: 'var(--ink)' }} />
                </>
            );
        case 'done':
            return (
                <>
                    <circle cx="10" cy="10" r="9" style={{ fill: 'var(--ink)' }} />
                    <path
                        d="M5.4 10.3L8.8 13.6L14.8 6.6"
                        style={{ fill: 'none', stroke: 'var(--sheet)', strokeWidth: 2.4 }}
                    />
                </>
            );
        case 'open':
            return (
                <circle cx="10" cy="10" r="8.4" style={{ fill: 'none', stroke: 'var(--ink-2)', strokeWidth: 1.7 }} />
            );
    }
}

export function Shape({ kind, size = 18 }: { kind: ShapeKind; size?: number }) {
    return (
        <svg className="shape" width={size} height={size} viewBox="0 0 20 20" aria-hidden="true">
            <ShapeBody kind={kind} />
        </svg>
    );
}
