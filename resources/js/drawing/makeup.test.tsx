import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { CutInDrawing } from './cutin/CutInDrawing';
import { Dial } from './dial/Dial';
import { TrapFitDrawing } from './trapfit/TrapFitDrawing';
import { TrapOverFloorDrawing } from './trapfit/TrapOverFloorDrawing';

const numbers = (text: string): number[] => [...text.matchAll(/-?\d+(?:\.\d+)?/g)].map((match) => Number(match[0]));

describe('the dial', () => {
    const needle = (deg: number): [number, number] => {
        const svg = renderToStaticMarkup(<Dial deg={deg} upright={false} label="dial" />);
        const [x, y] = numbers(/<circle cx="([^"]+)" cy="([^"]+)" r="6"/.exec(svg)?.slice(1).join(' ') ?? '');
        return [(x ?? 0) - 90, (y ?? 0) - 90];
    };
    it.each([
        [0, 0, -1],
        [90, 1, 0],
        [180, 0, 1],
        [-90, -1, 0],
    ])('points at %d', (deg, east, down) => {
        const [x, y] = needle(deg);
        const length = Math.hypot(x, y);
        expect(x / length).toBeCloseTo(east, 6);
        expect(y / length).toBeCloseTo(down, 6);
    });
    it('shows the bubble of a level only where there is a plumb to go by', () => {
        const level = renderToStaticMarkup(<Dial deg={20} upright={false} label="dial" />);
        const upright = renderToStaticMarkup(<Dial deg={20} upright label="dial" />);
        expect(level).toContain('var(--water)');
        expect(upright).not.toContain('var(--water)');
        expect(upright).toContain('>N<');
    });
});

describe('a cut into a line', () => {
    const said = {
        first: '43 in',
        second: '54 7/8 in',
        out: '11 5/8 in',
        stubs: ['2 1/2 in', '2 1/2 in'] as [string, string],
    };
    const svg = (length: number | null): string =>
        renderToStaticMarkup(
            <CutInDrawing marks={[1092, 1394]} stubs={[64, 64]} centre={1219} length={length} said={said} />,
        );

    it('says both marks from the upstream end', () => {
        expect(svg(2438)).toContain('43 in');
        expect(svg(2438)).toContain('54 7/8 in');
        expect(svg(2438)).toContain(
            'aria-label="Cut at 43 in and at 54 7/8 in from the upstream end; 11 5/8 in come out."',
        );
    });
    it('draws the two cuts to the scale of the line', () => {
        const cuts = [...svg(2438).matchAll(/<path d="M([\d.]+) 62V138"/g)].map((match) => Number(match[1]));
        expect(cuts).toHaveLength(2);
        expect(((cuts[0] ?? 0) - 30) / 700).toBeCloseTo(1092 / 2438, 6);
        expect(((cuts[1] ?? 0) - 30) / 700).toBeCloseTo(1394 / 2438, 6);
    });
    it('goes on past the second cut where nobody measured the line', () => {
        const second = Number([...svg(null).matchAll(/<path d="M([\d.]+) 62V138"/g)][1]?.[1]);
        expect(second).toBeLessThan(720);
    });
});

describe('a trap from the side', () => {
    const svg = (high: number, change: string | null): string =>
        renderToStaticMarkup(
            <TrapFitDrawing
                ahead={350}
                down={180}
                tall={100}
                reach={90}
                seal={60}
                high={high}
                said={{ change, tube: 'cut 11 7/8 in' }}
            />,
        );
    it('shows by how much the heights do not meet, and nothing where they do', () => {
        expect(svg(70, 'extend the tailpiece by 2 3/4 in')).toContain('extend the tailpiece by 2 3/4 in');
        expect(svg(0, null)).toContain('The heights meet.');
        expect(svg(0, null)).not.toContain('h20');
    });
    it('holds water below the weir and none above it', () => {
        const [, water] = /<path d="([^"]+)" style="[^"]*var\(--water-fill\)/.exec(svg(0, null)) ?? [];
        const path = /<path d="(M90 [^"]+H[\d.]+)" style/.exec(svg(0, null))?.[1] ?? '';
        const outlet = numbers(path)[4] ?? 0;
        expect(numbers(water ?? '')[1]).toBeCloseTo(outlet, 3);
        expect(numbers(water ?? '')[2]).toBeGreaterThan(outlet);
    });
    it.each([
        [40, 10, 300, 200, null],
        [2000, 900, 80, 0, 75],
    ])('is drawable at %d from the wall', (ahead, down, tall, reach, seal) => {
        const drawn = renderToStaticMarkup(
            <TrapFitDrawing
                ahead={ahead}
                down={down}
                tall={tall}
                reach={reach}
                seal={seal}
                high={0}
                said={{ change: null, tube: null }}
            />,
        );
        expect(drawn).not.toContain('NaN');
    });
});

describe('a trap over an outlet in the floor', () => {
    const svg = (arm: number, riser: number): string =>
        renderToStaticMarkup(
            <TrapOverFloorDrawing
                arm={arm}
                riser={riser}
                tall={120}
                reach={110}
                seal={70}
                said={{ arm: 'cut 2 11/16 in', riser: null }}
            />,
        );
    it('says what is cut, and what is not known', () => {
        expect(svg(150, 320)).toContain('>cut 2 11/16 in<');
        expect(svg(150, 320)).toContain('riser not known');
    });
    it('has the tee where the arm meets the riser, over the floor', () => {
        for (const [arm, riser] of [
            [150, 320],
            [900, 90],
            [10, 2000],
        ] as const) {
            const drawn = svg(arm, riser);
            const [x = 0, top = 0, bottom = 0, , branch = 0] = numbers(
                /<path d="(M[\d.]+ [\d.]+V[\d.]+M[\d.]+ [\d.]+H[\d.]+)"/.exec(drawn)?.[1] ?? '',
            );
            expect((top + bottom) / 2).toBeCloseTo(branch, 3);
            expect(branch).toBeLessThan(262);
            expect(numbers(/<path d="(M[\d.]+ 26V[\d.]+)"/.exec(drawn)?.[1] ?? '')[0]).toBeCloseTo(x, 3);
            expect(drawn).not.toContain('NaN');
        }
    });
});
