import { execFileSync } from 'node:child_process';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { JointCard } from '../../api/types';
import { JointGlyph, JointSection, spread } from './JointSection';
import { jointShapes } from './jointShapes';

/** The cards of every single joint of the demo jobs, as the core gives them. */
const cards = JSON.parse(
    execFileSync('php', ['tests/Generate/cards.php'], { encoding: 'utf8', maxBuffer: 1 << 27 }),
) as JointCard[];

const each = cards.flatMap((card) =>
    card.a && card.b
        ? card.methods.map((method) => ({ title: `${card.name}: ${method.name}`, a: card.a!, b: card.b!, method }))
        : [],
);

it('names on a shelf stand within it and beside each other, on a phone too', () => {
    for (const names of [
        ['universal compression coupling', 'nut, by hand'],
        ['rubber sleeve', 'shield', '2 bands'],
        ['ring'],
    ])
        for (const width of [330, 347, 640]) {
            const places = spread(names, width);
            const ends = places.map((at, i) => at + ((names[i]?.length ?? 0) * 7.3) / 2);
            const starts = places.map((at, i) => at - ((names[i]?.length ?? 0) * 7.3) / 2);
            expect(Math.min(...starts)).toBeGreaterThanOrEqual(0);
            expect(Math.max(...ends)).toBeLessThanOrEqual(width);
            starts.slice(1).forEach((start, i) => expect(start).toBeGreaterThan(ends[i] ?? Infinity));
        }
});

describe('the make-up of a joint in section', () => {
    it('is there for every method family of the demo', () => {
        expect(new Set(each.map((one) => one.method.method)).size).toBeGreaterThanOrEqual(16);
    });

    it.each(each)('$title: keeps to its dimensions', ({ a, b, method }) => {
        const shapes = jointShapes(a, b, method);
        for (const slab of [...shapes.cut, ...shapes.outside]) {
            expect([slab.x, slab.y, slab.w, slab.h].every(Number.isFinite)).toBe(true);
            expect(slab.w).toBeGreaterThan(0);
            expect(slab.h).toBeGreaterThan(-0.001);
            expect(slab.x).toBeGreaterThanOrEqual(shapes.left - 0.001);
            expect(slab.x + slab.w).toBeLessThanOrEqual(shapes.right + 0.001);
        }
        // Both pipes are drawn with their own outside diameters.
        for (const end of [a, b])
            expect(shapes.outside.some((slab) => Math.abs(slab.h - end.od_mm / 2) < 0.001)).toBe(true);
        // What is known is drawn as long as it is.
        for (const span of shapes.spans) {
            const said =
                span.name === 'gap'
                    ? method.gap_mm
                    : span.name === 'insert_a'
                      ? method.insert_a_mm
                      : method.insert_b_mm;
            if (span.known && said !== null) expect(span.to - span.from).toBeCloseTo(said, 3);
        }
    });

    it.each(each)('$title: is the same joint from either side', ({ a, b, method }) => {
        const turned = jointShapes(b, a, {
            ...method,
            insert_a_mm: method.insert_b_mm,
            insert_b_mm: method.insert_a_mm,
        });
        const shapes = jointShapes(a, b, method);
        expect(turned.right - turned.left).toBeCloseTo(shapes.right - shapes.left, 6);
        expect(turned.cut.length).toBe(shapes.cut.length);
    });

    it('is drawn with its names and measures, and small without them', () => {
        const first = each.find((one) => one.method.method === 'no-hub-shielded')!;
        const large = renderToStaticMarkup(
            <JointSection {...first} units="inch" width={400} height={300} letter="F" />,
        );
        for (const words of ['rubber sleeve', 'shield', '2 bands', 'F', 'CI 4']) expect(large).toContain(words);
        expect(renderToStaticMarkup(<JointGlyph {...first} />)).not.toContain('<text');
    });
});
