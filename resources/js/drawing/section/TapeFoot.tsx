import { t } from '@lingui/core/macro';
import type { Units } from '../../api/types';
import type { Section } from './geometry';

const STEPS: Record<Units, number[]> = {
    inch: [304.8, 609.6, 1524, 3048, 6096, 15240, 30480],
    mm: [500, 1000, 2000, 5000, 10000, 20000, 50000],
};

/** The tape at the foot: length in plan from the outlet. Centres of fittings stand true on it. */
export function TapeFoot({ section, units }: { section: Section; units: Units }) {
    const y = section.foot;
    const first = section.nodes[0];
    const last = section.nodes.at(-1);
    if (!first || !last || last.plan < 1) return null;
    const steps = STEPS[units];
    const perMm = (last.p[0] - first.p[0]) / last.plan;
    const step = steps.find((mm) => mm * perMm >= 46) ?? steps.at(-1) ?? 50000;
    const marks: { x: number; text: string }[] = [];
    for (let mm = step; mm <= last.plan && marks.length < 2000; mm += step) {
        const x = place(section, mm);
        if (x - (marks.at(-1)?.x ?? first.p[0]) >= 28)
            marks.push({ x, text: units === 'inch' ? `${Math.round(mm / 304.8)}′` : `${mm / 1000} m` });
    }
    return (
        <g>
            <rect
                x={first.p[0]}
                y={y - 14}
                width={last.p[0] - first.p[0]}
                height={14}
                style={{ fill: 'var(--lit)', stroke: 'var(--ink)', strokeWidth: 1.2 }}
            />
            {marks.map((mark) => (
                <g key={mark.text}>
                    <path d={`M${mark.x} ${y - 14}v14`} style={{ stroke: 'var(--ink)', strokeWidth: 1.2 }} />
                    <text x={mark.x - 3} y={y - 3} textAnchor="end" style={{ fontSize: 12.5, fontWeight: 600 }}>
                        {mark.text}
                    </text>
                </g>
            ))}
            <text x={first.p[0]} y={y + 13} style={{ fontSize: 12, fill: 'var(--ink-3)' }}>
                {t`tape in plan, from the outlet; ${scalesInWords(section)}`}
            </text>
        </g>
    );
}

/** Where a length in plan stands on the drawing: true at every centre, even between two. */
function place(section: Section, mm: number): number {
    for (let i = 1; i < section.nodes.length; i++) {
        const a = section.nodes[i - 1];
        const b = section.nodes[i];
        if (a && b && mm <= b.plan)
            return b.plan > a.plan ? a.p[0] + ((b.p[0] - a.p[0]) * (mm - a.plan)) / (b.plan - a.plan) : b.p[0];
    }
    return section.nodes.at(-1)?.p[0] ?? 0;
}

/** The two scales of the drawing, in words: stated on it always. */
export function scalesInWords(section: Section): string {
    const times = section.v / section.h;
    const heights =
        times < 1.05
            ? t`heights, fittings and lengths to one scale`
            : t`heights and fittings ${times.toFixed(1).replace('.0', '')} times the scale of lengths`;
    return section.falls < 0.99 ? t`${heights}, falls at ${Math.round(section.falls * 100)} % of that` : heights;
}
