import { describe, expect, it } from 'vitest';
import type { CatalogueEntry } from '../../api/types';
import { patternPaths } from './patternPaths';

const entry = (with_: Partial<CatalogueEntry>): CatalogueEntry => ({
    table: 'pvc-dwv-40',
    group: 'bends',
    row: 'x',
    name: 'x',
    maker_name: '',
    also: [],
    size: '2',
    system: 'pvc-dwv-40',
    material: 'pvc',
    pattern: null,
    turn_deg: null,
    family: 'bend',
    numbers: [],
    lies: [],
    drawn: { od_mm: 60.3, bore_mm: 52, depth_mm: 19, take_off_mm: 58.7, radius_mm: 35 },
    facts: [],
    doubtful: false,
    own: false,
    note: '',
    source: { table: '', row: '', source: 'x', confidence: 'high', status: 'stated' },
    ...with_,
});

const numbers = (d: string): number[] => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('a fitting drawn from its dimensions', () => {
    it('turns as far as it says, and its sockets begin at its take-off', () => {
        for (const turn of [22.5, 45, 60, 88.8]) {
            const drawn = patternPaths(entry({ turn_deg: turn }))!;
            expect(drawn.hubs).toHaveLength(2);
            const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = numbers(drawn.hubs[1]!);
            expect((Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI).toBeCloseTo(turn, 0);
            expect(Math.hypot(x1, y1)).toBeCloseTo(58.7, 0);
            expect(Math.hypot(x2 - x1, y2 - y1)).toBeCloseTo(19, 0);
        }
    });

    it('has a spigot where it is a street fitting, and a branch on either side where it is double', () => {
        expect(
            patternPaths(
                entry({
                    turn_deg: 45,
                    family: 'street bend',
                    drawn: { od_mm: 60, bore_mm: 52, depth_mm: 19, take_off_mm: 38, radius_mm: 35, spigot_mm: 57 },
                }),
            )!.hubs,
        ).toHaveLength(1);
        expect(patternPaths(entry({ family: 'branch', pattern: 'sanitary-tee' }))!.hubs).toHaveLength(3);
        expect(patternPaths(entry({ family: 'branch', pattern: 'double-wye' }))!.hubs).toHaveLength(4);
    });

    it('is drawn nowhere without a diameter, and always inside its box', () => {
        expect(patternPaths(entry({ drawn: {} }))).toBeNull();
        for (const family of ['bend', 'branch', 'trap', 'pipe', 'coupling', 'access']) {
            const { box, bodies, hubs } = patternPaths(entry({ family, turn_deg: 90 }))!;
            expect(box.w).toBeGreaterThan(0);
            for (const d of hubs) {
                const [x1 = 0, y1 = 0] = numbers(d);
                expect(x1).toBeGreaterThanOrEqual(box.x);
                expect(y1).toBeGreaterThanOrEqual(box.y);
            }
            expect(bodies.length).toBeGreaterThan(0);
        }
    });
});
