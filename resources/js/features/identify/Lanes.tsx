import { t } from '@lingui/core/macro';
import { useId } from 'react';
import type { IdentifyOutput, Units } from '../../api/types';
import { Materials } from '../../drawing/Materials';
import { SvgFraction } from '../../drawing/SvgFraction';
import { textureOf } from '../../drawing/textures';
import { SourceTap } from '../../shared/SourceTap';
import { useSize } from '../../shared/useSize';
import { shareInWords, type Evidence } from './evidence';

type Lane = IdentifyOutput['candidates'][number] | IdentifyOutput['excluded'][number];

const ROW = 46;

/**
 * Every candidate on the scale of the tape: bar = its makers' tolerance, tick = nominal, and the reading as a band
 * across all lanes.
 */
export function Lanes({ data, evidence, units }: { data: IdentifyOutput; evidence: Evidence; units: Units }) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const [box, { width }] = useSize<HTMLDivElement>();
    const lanes: Lane[] = [...data.candidates.slice(0, 5), ...data.excluded.slice(0, 3)];
    const rows = lanes.length + 1;
    const reading = data.read_od_mm ?? 0;
    const low = Math.min(reading - 2 * data.read_error_mm, ...lanes.map((lane) => lane.low_mm)) - 1;
    const high = Math.max(reading + 2 * data.read_error_mm, ...lanes.map((lane) => lane.high_mm)) + 1;
    const names = width < 480 ? 128 : 176;
    const right = 74;
    const wide = Math.max(80, width - names - right);
    const x = (mm: number): number => names + ((mm - low) / (high - low)) * wide;
    const round = evidence.way === 'round';
    return (
        <div className="lanes" ref={box}>
            {width > 0 && (
                <svg
                    width={width}
                    height={40 + rows * ROW}
                    role="img"
                    aria-label={t`Candidates on the scale of the tape`}
                >
                    <Materials prefix={prefix} />
                    <rect
                        x={x(reading - data.read_error_mm)}
                        y="34"
                        width={x(reading + data.read_error_mm) - x(reading - data.read_error_mm)}
                        height={lanes.length * ROW}
                        style={{ fill: 'var(--lit)' }}
                    />
                    <Ruler low={low} high={high} x={x} units={units} round={round} />
                    <text x="12" y="24" style={{ fontSize: 13, fill: 'var(--ink-2)' }}>
                        {round ? t`round it` : t`across`}, {units === 'inch' ? t`inches` : t`mm`}
                    </text>
                    <text x={width - 8} y="24" textAnchor="end" style={{ fontSize: 13, fill: 'var(--ink-2)' }}>
                        {t`of 100`}
                    </text>
                    {lanes.map((lane, i) => (
                        <LaneRow
                            key={`${lane.system} ${lane.size}`}
                            lane={lane}
                            y={36 + i * ROW}
                            x={x}
                            width={width}
                            prefix={prefix}
                        />
                    ))}
                    <text
                        x="12"
                        y={36 + lanes.length * ROW + 28}
                        style={{ fontSize: 15, fontWeight: data.none.is_likeliest ? 700 : 500, fill: 'var(--ink)' }}
                    >
                        {t`None of these`}
                    </text>
                    <text
                        x={width - 8}
                        y={36 + lanes.length * ROW + 28}
                        textAnchor="end"
                        style={{ font: '700 22px var(--f-mark)' }}
                    >
                        {shareInWords(data.none.likelihood)}
                    </text>
                    <path
                        d={`M${x(reading)} 32V${36 + lanes.length * ROW}`}
                        style={{ stroke: 'var(--ink)', strokeWidth: 2.4 }}
                    />
                    {[-1, 1].map((side) => (
                        <path
                            key={side}
                            d={`M${x(reading + side * data.read_error_mm)} 34V${36 + lanes.length * ROW}`}
                            style={{ stroke: 'var(--ink)', strokeDasharray: '5 4' }}
                        />
                    ))}
                    <path d={`M${x(reading) - 7} 2h14l-7 9z`} style={{ fill: 'var(--ink)' }} />
                </svg>
            )}
            <p className="cap lane-sources">
                {t`bar: what its makers allow, tick: nominal.`}{' '}
                {lanes.map((lane) => (
                    <SourceTap key={`${lane.system} ${lane.size}`} source={lane.source}>
                        {lane.short}
                    </SourceTap>
                ))}
            </p>
        </div>
    );
}

interface LaneProps {
    lane: Lane;
    y: number;
    x: (mm: number) => number;
    width: number;
    prefix: string;
}

/** One candidate: what its makers allow, its nominal width, and its share. */
function LaneRow({ lane, y, x, width, prefix }: LaneProps) {
    const out = 'out' in lane ? lane.out : null;
    const share = 'likelihood' in lane ? lane.likelihood : 0;
    return (
        <g>
            <path d={`M0 ${y + ROW - 1}H${width}`} style={{ stroke: 'var(--rule)', strokeWidth: 1.4 }} />
            <text
                x="12"
                y={y + 19}
                style={{
                    fontSize: 15,
                    fontWeight: out ? 500 : 700,
                    fill: out ? 'var(--ink-2)' : 'var(--ink)',
                }}
            >
                {lane.short}
            </text>
            <text x="12" y={y + 36} style={{ fontSize: 12.5, fill: 'var(--ink-3)' }}>
                {t`${lane.od_said} across`}
            </text>
            <rect
                x={x(lane.low_mm)}
                y={y + 14}
                width={Math.max(4, x(lane.high_mm) - x(lane.low_mm))}
                height="17"
                style={{
                    fill: `url(#${prefix}${textureOf(lane.material)})`,
                    stroke: 'var(--edge)',
                    strokeWidth: 1.4,
                    opacity: out ? 0.7 : 1,
                }}
            />
            <path d={`M${x(lane.od_mm)} ${y + 10}V${y + 35}`} style={{ stroke: 'var(--edge)', strokeWidth: 3 }} />
            <text
                x={width - 8}
                y={y + 28}
                textAnchor="end"
                style={out ? { fontSize: 13.5 } : { font: '700 22px var(--f-mark)' }}
            >
                {out ?? shareInWords(share)}
            </text>
        </g>
    );
}

/** The tape itself: in inches with eighths, or in millimetres; round the pipe where it was measured round. */
function Ruler({
    low,
    high,
    x,
    units,
    round,
}: {
    low: number;
    high: number;
    x: (mm: number) => number;
    units: Units;
    round: boolean;
}) {
    const unit = units === 'inch' ? 25.4 : 1;
    const per = round ? Math.PI : 1;
    const span = ((high - low) * per) / unit;
    const step = units === 'inch' ? (span > 6 ? 1 : span > 2.4 ? 0.5 : 0.25) : span > 60 ? 20 : span > 24 ? 10 : 5;
    const first = Math.ceil((low * per) / unit / step);
    const last = Math.floor((high * per) / unit / step);
    const marks = Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * step);
    const said = (value: number): string => {
        const quarters = Math.round((value % 1) * 4);
        const whole = Math.floor(value + 1e-9);
        return units === 'mm' || quarters === 0
            ? String(Math.round(value))
            : `${whole} ${['', '1/4', '1/2', '3/4'][quarters]}`;
    };
    return (
        <g>
            <rect
                x={x(low)}
                y="10"
                width={x(high) - x(low)}
                height="23"
                style={{ fill: 'var(--lit)', stroke: 'var(--edge)' }}
            />
            {marks.map((value) => {
                const at = x((value * unit) / per);
                return (
                    <g key={value}>
                        <path d={`M${at} 10V18`} style={{ stroke: 'var(--edge)' }} />
                        {at > x(low) + 14 && at < x(high) - 14 && (
                            <SvgFraction x={at} y={29} text={said(value)} size={13} fill="var(--ink)" />
                        )}
                    </g>
                );
            })}
        </g>
    );
}
