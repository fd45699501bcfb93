import { t } from '@lingui/core/macro';
import { useId, useMemo } from 'react';
import type { JointEnd, JointMethod, Tape, Units } from '../../api/types';
import { Materials } from '../Materials';
import { SvgFraction } from '../SvgFraction';
import { jointShapes, type JointShapes, type Slab } from './jointShapes';

interface Props {
    a: JointEnd;
    b: JointEnd;
    method: JointMethod;
    units: Units;
    width: number;
    height: number;
    /** the letter of the piece at end a, where there is one */
    letter?: string | null;
}

/**
 * A joint made up: the upper half cut open, the lower half as it looks, with the lines that are drawn on the pipe. All
 * from its dimensions.
 */
export function JointSection({ a, b, method, units, width, height, letter = null }: Props) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const shapes = useMemo(() => jointShapes(a, b, method), [a, b, method]);
    const half = Math.max(...shapes.outside.map((slab) => slab.h));
    // Names stand above it, lengths below; what is left between the ends has a row of its own.
    const isApart = shapes.spans.some((span) => span.name === 'gap');
    const room = height - (isApart ? 134 : 112);
    const scale = Math.min(width / (shapes.right - shapes.left), room / (shapes.top + half));
    const x = (mm: number): number => width / 2 + (mm - (shapes.left + shapes.right) / 2) * scale;
    const axis = 48 + shapes.top * scale;
    const foot = axis + half * scale;
    const bore = shapes.bore * scale;
    return (
        <svg
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role="img"
            aria-label={t`${method.name} in section`}
            className="joint-section"
        >
            <Materials prefix={prefix} />
            <rect
                x={x(shapes.left)}
                y={axis - bore}
                width={(shapes.right - shapes.left) * scale}
                height={bore}
                style={{ fill: 'var(--lumen)' }}
            />
            {shapes.outside.map((slab, i) => (
                <rect
                    key={`o${i}`}
                    x={x(slab.x)}
                    y={axis}
                    width={slab.w * scale}
                    height={slab.h * scale}
                    style={{ fill: `url(#${prefix}${slab.texture})`, stroke: 'var(--edge)', strokeWidth: 1.2 }}
                />
            ))}
            {shapes.cut.map((slab, i) => (
                <CutSlab key={`c${i}`} slab={slab} x={x} axis={axis} scale={scale} prefix={prefix} />
            ))}
            <path
                d={`M${x(shapes.left) - 4} ${axis}H${x(shapes.right) + 4}`}
                style={{ stroke: 'var(--ink-2)', strokeDasharray: '9 4 2 4' }}
            />
            <Flow x={x(shapes.left) + 22} y={axis - bore * 0.45} />
            {shapes.marks.map((mark, i) => (
                <path
                    key={i}
                    d={`M${x(mark.x)} ${axis - mark.r * scale - 5}V${axis - mark.r * scale + 8}M${x(mark.x)} ${axis}V${axis + mark.r * scale}`}
                    style={{ stroke: 'var(--mark)', strokeWidth: 3.4 }}
                />
            ))}
            <Names shapes={shapes} x={x} axis={axis} scale={scale} width={width} />
            <Plate
                x={x(shapes.left) + 10}
                y={axis + (a.od_mm / 4) * scale}
                text={`${a.letters} ${a.size}`}
                letter={letter}
            />
            <Plate x={x(shapes.right) - 10} y={axis + (b.od_mm / 4) * scale} text={`${b.letters} ${b.size}`} right />
            {shapes.spans.map((span) => {
                const tape: Tape | null =
                    span.name === 'gap' ? method.gap : span.name === 'insert_a' ? method.insert_a : method.insert_b;
                return (
                    <Span
                        key={span.name}
                        from={x(span.from)}
                        to={x(span.to)}
                        y={foot + (span.name === 'gap' ? 60 : 16)}
                        tape={span.known ? tape : null}
                        units={units}
                        kind={span.name}
                    />
                );
            })}
        </svg>
    );
}

/** The same, small: both halves cut open, no words. */
export function JointGlyph({
    a,
    b,
    method,
    width = 112,
    height = 62,
}: {
    a: JointEnd;
    b: JointEnd;
    method: JointMethod;
    width?: number;
    height?: number;
}) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const shapes = useMemo(() => jointShapes(a, b, method), [a, b, method]);
    const scale = Math.min(width / (shapes.right - shapes.left), height / (2 * shapes.top));
    const x = (mm: number): number => width / 2 + (mm - (shapes.left + shapes.right) / 2) * scale;
    return (
        <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
            <Materials prefix={prefix} />
            <rect
                x={x(shapes.left)}
                y={height / 2 - shapes.bore * scale}
                width={(shapes.right - shapes.left) * scale}
                height={2 * shapes.bore * scale}
                style={{ fill: 'var(--lumen)' }}
            />
            {[1, -1].map((side) => (
                <g key={side} transform={side < 0 ? `translate(0 ${height}) scale(1 -1)` : undefined}>
                    {shapes.cut.map((slab, i) => (
                        <CutSlab key={i} slab={slab} x={x} axis={height / 2} scale={scale} prefix={prefix} thin />
                    ))}
                </g>
            ))}
        </svg>
    );
}

function CutSlab({
    slab,
    x,
    axis,
    scale,
    prefix,
    thin = false,
}: {
    slab: Slab;
    x: (mm: number) => number;
    axis: number;
    scale: number;
    prefix: string;
    thin?: boolean;
}) {
    const style = { fill: `url(#${prefix}${slab.texture})`, stroke: 'var(--edge)', strokeWidth: thin ? 0.8 : 1.2 };
    const [left, right, bottom] = [x(slab.x), x(slab.x + slab.w), axis - slab.y * scale];
    if (slab.wedge)
        return (
            <path
                d={`M${left} ${bottom}V${bottom - slab.h * slab.wedge[0] * scale}L${right} ${bottom - slab.h * slab.wedge[1] * scale}V${bottom}Z`}
                style={style}
            />
        );
    return (
        <rect
            x={left}
            y={bottom - slab.h * scale}
            width={Math.max(0.5, right - left)}
            height={Math.max(0.8, slab.h * scale)}
            style={style}
        />
    );
}

function Flow({ x, y }: { x: number; y: number }) {
    return (
        <g style={{ stroke: 'var(--water)', fill: 'var(--water)' }}>
            <path d={`M${x} ${y}h44`} style={{ strokeWidth: 3.4 }} />
            <path d={`M${x + 42} ${y - 7}l15 7l-15 7z`} />
        </g>
    );
}

/** About how wide a letter of a name is. */
const LETTER = 7.3;

/** Middles of names beside each other: spread over the width, none over another, and the first within it. */
export function spread(names: string[], width: number): number[] {
    let end = 0;
    return names.map((name, i) => {
        const wide = name.length * LETTER;
        const fits = Math.min(((i + 0.5) * width) / names.length - wide / 2, width - wide);
        const start = Math.max(end, fits);
        end = start + wide + 8;
        return start + wide / 2;
    });
}

/** Names on a shelf above, spread so that none lies over another, each with a line to what it names. */
function Names({
    shapes,
    x,
    axis,
    scale,
    width,
}: {
    shapes: JointShapes;
    x: (mm: number) => number;
    axis: number;
    scale: number;
    width: number;
}) {
    const sorted = [...shapes.names].sort((one, other) => one.x - other.x);
    const places = spread(
        sorted.map((name) => name.text),
        width,
    );
    return (
        <g>
            {sorted.map((name, i) => {
                const at = places[i] ?? 0;
                return (
                    <g key={name.text}>
                        <path
                            d={`M${at} 22L${x(name.x)} ${axis - name.y * scale}`}
                            style={{ stroke: 'var(--ink)', fill: 'none' }}
                        />
                        <circle cx={x(name.x)} cy={axis - name.y * scale} r="2.6" style={{ fill: 'var(--ink)' }} />
                        <text x={at} y="16" textAnchor="middle" style={{ fontSize: 14.5, fontWeight: 600 }}>
                            {name.text}
                        </text>
                    </g>
                );
            })}
        </g>
    );
}

function Plate({
    x,
    y,
    text,
    letter = null,
    right = false,
}: {
    x: number;
    y: number;
    text: string;
    letter?: string | null;
    right?: boolean;
}) {
    const w = text.length * 7.6 + 14;
    const start = right ? x - w : x + (letter ? 26 : 0);
    return (
        <g>
            {letter && (
                <g>
                    <rect x={x} y={y - 11} width="22" height="22" rx="2" style={{ fill: 'var(--mark)' }} />
                    <text
                        x={x + 11}
                        y={y + 6}
                        textAnchor="middle"
                        style={{ font: '700 18px var(--f-mark)', fill: 'var(--on-mark)' }}
                    >
                        {letter}
                    </text>
                </g>
            )}
            <rect x={start} y={y - 11} width={w} height="22" style={{ fill: 'var(--lit)', stroke: 'var(--edge)' }} />
            <text x={start + w / 2} y={y + 5} textAnchor="middle" style={{ fontSize: 14, fontWeight: 700 }}>
                {text}
            </text>
        </g>
    );
}

function Span({
    from,
    to,
    y,
    tape,
    units,
    kind,
}: {
    from: number;
    to: number;
    y: number;
    tape: Tape | null;
    units: Units;
    kind: 'insert_a' | 'insert_b' | 'gap';
}) {
    const gap = kind === 'gap';
    const colour = gap ? 'var(--ink)' : 'var(--mark)';
    const middle = (from + to) / 2;
    return (
        <g>
            <path
                d={`M${from} ${y - 10}V${y + 6}M${to} ${y - 10}V${y + 6}M${from} ${y}H${to}`}
                style={{ stroke: colour, strokeWidth: 1.4, fill: 'none', strokeDasharray: tape ? 'none' : '3 3' }}
            />
            {tape ? (
                <g>
                    {gap && (
                        <text x={to + 10} y={y + 5} style={{ fontSize: 13 }}>
                            {t`gap`}
                        </text>
                    )}
                    {units === 'inch' ? (
                        <SvgFraction
                            x={gap ? to + 48 : middle}
                            y={y + (gap ? 7 : 26)}
                            text={tape.inch}
                            size={gap ? 18 : 24}
                            fill={colour}
                        />
                    ) : (
                        <text
                            x={gap ? to + 34 : middle}
                            y={y + (gap ? 6 : 26)}
                            textAnchor={gap ? 'start' : 'middle'}
                            style={{ font: `700 ${gap ? 18 : 24}px var(--f-mark)`, fill: colour }}
                        >
                            {tape.metric}
                        </text>
                    )}
                </g>
            ) : (
                <text
                    x={kind === 'insert_a' ? to - 4 : kind === 'insert_b' ? from + 4 : middle}
                    y={y + 20}
                    textAnchor={kind === 'insert_a' ? 'end' : kind === 'insert_b' ? 'start' : 'middle'}
                    style={{ fontSize: 13, fontWeight: 600 }}
                >
                    {t`measure it`}
                </text>
            )}
        </g>
    );
}
