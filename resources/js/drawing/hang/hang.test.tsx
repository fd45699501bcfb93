import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { HangingReport } from '../../api/types';
import { SagDrawing } from './SagDrawing';
import { StringLine } from './StringLine';

const tape = (mm: number): object => ({ mm, inch: '4 1/2', metric: String(mm), feet: '' });
const hanger = (number: number, at: number, below: number, clear = true): HangingReport['hangers'][number] =>
    ({ number, tape_mm: at, below_string: tape(below), clear }) as unknown as HangingReport['hangers'][number];
const span = (more: object): HangingReport['spans'][number] =>
    ({
        from_tape_mm: 0,
        to_tape_mm: 2400,
        fall_mm_per_m: 10,
        pond_from_mm: null,
        pond_to_mm: null,
        shape_mm: Array.from({ length: 25 }, (_, i) => 8 * Math.sin((Math.PI * i) / 24)),
        ...more,
    }) as unknown as HangingReport['spans'][number];

describe('the string', () => {
    const svg = (hangers: HangingReport['hangers'], width = 900): string =>
        renderToStaticMarkup(
            <StringLine
                hangers={hangers}
                outside={60}
                units="mm"
                selected={2}
                onSelect={() => undefined}
                width={width}
            />,
        );
    it('has a hanger for each, further down where more is measured', () => {
        const drawn = svg([hanger(1, 300, 100), hanger(2, 1300, 120), hanger(3, 2300, 140, false)]);
        expect(drawn.match(/data-hanger/g)).toHaveLength(3);
        const downs = [...drawn.matchAll(/d="M[\d.]+ 14V([\d.]+)"/g)].map((found) => Number(found[1]));
        expect(downs[0]).toBeLessThan(downs[1] ?? 0);
        expect(downs[1]).toBeLessThan(downs[2] ?? 0);
        expect(drawn).toContain('stroke-dasharray:5 4');
        expect(drawn).toContain('>120<');
        const number = /x="([\d.]+)"[^>]*>120</.exec(drawn)?.[1];
        const rod = [...drawn.matchAll(/d="M([\d.]+) 14V/g)][1]?.[1];
        expect(Number(number), 'the number begins beside its rod').toBeGreaterThan(Number(rod) + 3);
    });
    it('is wide enough for its numbers on a narrow screen, and draws nothing of nothing', () => {
        const many = Array.from({ length: 12 }, (_, i) => hanger(i + 1, i * 400, 100 + i));
        expect(Number(/width="(\d+)"/.exec(svg(many, 360))?.[1])).toBeGreaterThan(600);
        expect(svg([])).toBe('');
    });
});

describe('what sags', () => {
    const svg = (more: object): string =>
        renderToStaticMarkup(<SagDrawing span={span(more)} said={{ sag: '8 mm', pond: null }} />);
    it('holds water only where a pocket is', () => {
        expect(svg({})).not.toContain('var(--water-fill)');
        const drawn = svg({ pond_from_mm: 900, pond_to_mm: 2400, fall_mm_per_m: 2 });
        expect(drawn).toContain('var(--water-fill)');
        expect(drawn).not.toContain('NaN');
    });
    it('says how many times the heights are drawn, and nothing where the modulus is not known', () => {
        expect(svg({})).toMatch(/heights \d+ times the lengths/);
        expect(svg({ shape_mm: [] })).toBe('');
    });
});
