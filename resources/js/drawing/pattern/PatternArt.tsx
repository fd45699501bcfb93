import { useId } from 'react';
import type { CatalogueEntry } from '../../api/types';
import { Materials } from '../Materials';
import { textureOf } from '../textures';
import { patternPaths } from './patternPaths';

/**
 * A thing of the catalogue drawn from its own dimensions: outline, wall and bore over all its branches, sockets empty,
 * an arrow where the water goes in.
 */
export function PatternArt({ entry, size }: { entry: CatalogueEntry; size: number }) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const drawn = patternPaths(entry);
    const texture = `url(#${prefix}${textureOf(entry.material || 'pvc')})`;
    if (!drawn) {
        return (
            <svg width={size} height={size} viewBox="0 0 60 60" aria-hidden="true">
                <rect
                    x="8"
                    y="18"
                    width="44"
                    height="24"
                    style={{ fill: 'none', stroke: 'var(--rule-2)', strokeDasharray: '4 3' }}
                />
            </svg>
        );
    }
    const { x, y, w, h } = drawn.box;
    const line = 2.2 * (Math.max(w, h) / size);
    const path = (d: string, width: number, stroke: string, key: string) => (
        <path key={key} d={d} style={{ fill: 'none', stroke, strokeWidth: width }} />
    );
    return (
        <svg width={size} height={size} viewBox={`${x} ${y} ${w} ${h}`} aria-hidden="true">
            <Materials prefix={prefix} />
            {drawn.bodies.map((d, i) => path(d, drawn.od + line, 'var(--edge)', `a${i}`))}
            {drawn.hubs.map((d, i) => path(d, drawn.hub + line, 'var(--edge)', `b${i}`))}
            {drawn.bodies.map((d, i) => path(d, drawn.od, texture, `c${i}`))}
            {drawn.hubs.map((d, i) => path(d, drawn.hub - line * 0.2, texture, `d${i}`))}
            {drawn.bodies.map((d, i) => path(d, drawn.bore + line, 'var(--edge)', `e${i}`))}
            {drawn.hubs.map((d, i) => path(d, drawn.od + line * 0.4, 'var(--edge)', `g${i}`))}
            {drawn.hubs.map((d, i) => path(d, drawn.od, 'var(--lumen)', `h${i}`))}
            {drawn.bodies.map((d, i) => path(d, drawn.bore, 'var(--lumen)', `f${i}`))}
            {drawn.flow.map(([fx, fy, angle], i) => (
                <path
                    key={i}
                    d="M-6 -5L7 0L-6 5Z"
                    transform={`translate(${fx} ${fy}) rotate(${angle}) scale(${drawn.bore / 26})`}
                    style={{ fill: 'var(--water)' }}
                />
            ))}
        </svg>
    );
}
