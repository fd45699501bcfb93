import { t } from '@lingui/core/macro';
import type { MadeUp, MadeUpWay, Units } from '../../api/types';
import { Said } from '../../drawing/Said';

/**
 * The pipe between two bends unrolled: from the heel line of the one to the heel line of the next, with a tape to
 * measure it by. Drawn to scale, not in full size.
 */
export function WrapStrip({ made, way, leg, units }: { made: MadeUp; way: MadeUpWay; leg: number; units: Units }) {
    const bend = way.bends[leg];
    if (!bend || leg === 0) return null;
    const round = Math.PI * made.outside_mm;
    const width = 780;
    const scale = width / round;
    const step = units === 'inch' ? 25.4 : 10;
    const marks = Array.from({ length: Math.floor(round / step) + 1 }, (_, i) => i * step);
    const at = (((bend.mark_mm % round) + round) % round) * scale;
    const clockwise = bend.mark_mm >= 0;
    const mark = units === 'inch' ? `${bend.mark.inch} in` : `${bend.mark.metric} mm`;
    const side = clockwise ? t`clockwise` : t`against the clock`;
    return (
        <section className="wrap-strip" aria-label={t`Wrap strip`}>
            <h2>{t`Round the pipe between bend ${leg} and bend ${leg + 1}`}</h2>
            <svg
                viewBox={`-12 0 ${width + 60} 118`}
                width="100%"
                role="img"
                aria-label={t`From heel line to heel line ${mark}, ${side} looking downstream`}
            >
                <rect
                    x={0}
                    y={26}
                    width={width}
                    height={64}
                    style={{ fill: 'var(--lit)', stroke: 'var(--ink)', strokeWidth: 2 }}
                />
                <rect
                    x={width}
                    y={26}
                    width={40}
                    height={64}
                    style={{ fill: 'none', stroke: 'var(--rule-2)', strokeDasharray: '4 4' }}
                />
                <text x={width + 4} y={62} style={{ fontSize: 11, fill: 'var(--ink-3)' }}>
                    {t`lap`}
                </text>
                {marks.map((mm) => (
                    <g key={mm}>
                        <path d={`M${mm * scale} 90v-12`} style={{ stroke: 'var(--ink)', strokeWidth: 1 }} />
                        {(units === 'inch' || Math.round(mm / 10) % 5 === 0) && (
                            <text x={mm * scale + 3} y={88} style={{ fontSize: 11, fill: 'var(--ink-3)' }}>
                                {units === 'inch' ? Math.round(mm / 25.4) : Math.round(mm)}
                            </text>
                        )}
                    </g>
                ))}
                <path d="M0 22V94" style={{ stroke: 'var(--mark)', strokeWidth: 5 }} />
                <path d={`M${at} 22V94`} style={{ stroke: 'var(--mark)', strokeWidth: 5 }} />
                <path
                    d={clockwise ? `M6 46H${Math.max(8, at - 8)}` : `M${width - 6} 46H${Math.min(width - 8, at + 8)}`}
                    style={{ stroke: 'var(--mark)', strokeWidth: 2 }}
                />
                <text x={4} y={16} style={{ fontSize: 13, fontWeight: 600, fill: 'var(--ink)' }}>
                    {t`heel line of bend ${leg}`}
                </text>
                <text
                    x={Math.min(at, width - 130)}
                    y={110}
                    style={{ fontSize: 13, fontWeight: 600, fill: 'var(--ink)' }}
                >
                    {t`heel line of bend ${leg + 1}`}
                </text>
            </svg>
            <p className="cap">
                <Said tape={bend.mark} units={units} unit />{' '}
                {t`${side}, looking downstream. The strip goes round once; not in full size.`}
            </p>
        </section>
    );
}
