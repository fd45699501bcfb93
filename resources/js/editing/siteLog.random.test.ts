import { expect, it } from 'vitest';
import type { Result } from '../api/client';
import type { LogAnswer } from '../api/queries';
import type { LogEntry, SiteEvent } from '../api/types';
import { storageOf } from '../testing/storage';
import { SiteLog, type SiteLogWorld } from './siteLog';

/** So many courses of chance; `bin/bench queue` takes 2,000. */
const RUNS = Number(process.env.QUEUE_RUNS ?? 100);

/** mulberry32: the same seed, the same course. */
function chanceOf(seed: number): () => number {
    let a = seed;
    return () => {
        a = (a + 0x6d2b79f5) | 0;
        let t = Math.imul(a ^ (a >>> 15), 1 | a);
        t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
        return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
    };
}

/** The server, as plainly as it can be said: what comes with a key that is known is there already. */
class Model {
    readonly log: { key: string; at: number }[] = [];

    take(events: SiteEvent[], now: number): LogAnswer {
        for (const { key, age_s } of events)
            if (!this.log.some((one) => one.key === key)) this.log.push({ key, at: now - age_s * 1_000 });
        const entries = events.map((event) => ({ number: 1, key: event.key })) as unknown as LogEntry[];
        return { entries, length: this.log.length, now: new Date(now).toISOString() };
    }
}

interface Device {
    name: string;
    skew: number;
    stored: Map<string, string>;
    log: SiteLog;
    later: (() => void)[];
    said: { key: string; at: number }[];
}

const NO_ANSWER: Result<LogAnswer> = { ok: false, status: 0, code: '', message: '', errors: {}, body: null };

const settle = async (): Promise<void> => {
    for (let i = 0; i < 60; i++) await Promise.resolve();
};

/** A world in which two devices say things, on lines that lose, repeat and delay, with clocks that are wrong. */
async function course(seed: number): Promise<void> {
    const chance = chanceOf(seed);
    const pick = (most: number): number => Math.floor(chance() * most);
    const model = new Model();
    let time = Date.parse('2026-12-01T08:00:00Z');
    let isHealed = false;
    const held: SiteEvent[][] = [];
    const send = (entries: SiteEvent[]): Promise<Result<LogAnswer>> => {
        const fate = isHealed ? 4 : pick(5);
        if (fate === 0) return Promise.resolve(NO_ANSWER);
        // It is carried out, and nobody hears of it; or it is carried out much later, after what came since.
        if (fate === 1) model.take(entries, time);
        if (fate === 2) held.push(entries);
        if (fate <= 2) return Promise.resolve(NO_ANSWER);
        // It is carried out twice.
        if (fate === 3) model.take(entries, time);
        return Promise.resolve({ ok: true, data: model.take(entries, time) });
    };
    const open = (device: Omit<Device, 'log'>): SiteLog => {
        let keys = 0;
        const world: SiteLogWorld = {
            storage: storageOf(device.stored),
            send,
            now: () => time + device.skew,
            newKey: () => `${device.name} ${device.said.length} ${(keys += 1)} ${pick(1e9)}`,
            later: (what) => device.later.push(what),
        };
        const log = new SiteLog('log', world);
        log.signIn('lead');
        return log;
    };
    const devices = ['phone', 'tablet'].map((name): Device => {
        const device = { name, skew: (chance() - 0.5) * 7_200_000, stored: new Map(), later: [], said: [] };
        return { ...device, log: open(device) };
    });
    for (let step = 0; step < 40; step++) {
        time += pick(60_000);
        const device = devices[pick(2)];
        if (!device) continue;
        const what = pick(10);
        if (what < 6) {
            const before = new Set(device.log.snapshot().pending.map((one) => one.key));
            device.log.add([{ kind: 'joint', run: 'r', joint: step }]);
            const added = device.log.snapshot().pending.filter((one) => !before.has(one.key));
            device.said.push(...added.map(({ key }) => ({ key, at: time })));
        } else if (what < 7) {
            // The phone is killed and opened again.
            device.later = [];
            device.log = open(device);
        } else if (what < 9) device.later.splice(0).forEach((one) => one());
        else held.splice(0).forEach((entries) => model.take(entries, time));
        await settle();
    }
    isHealed = true;
    for (let i = 0; i < 20; i++) {
        held.splice(0).forEach((entries) => model.take(entries, time));
        for (const device of devices) {
            device.later.splice(0).forEach((one) => one());
            void device.log.flush();
        }
        await settle();
    }
    const about = `seed ${seed}`;
    const keys = model.log.map((one) => one.key);
    const said = devices.flatMap((device) => device.said.map((one) => one.key));
    expect(said.length, about).toBeGreaterThan(10);
    expect(new Set(keys).size, `${about}: each once`).toBe(keys.length);
    expect(keys.toSorted(), `${about}: all of it, and nothing else`).toEqual(said.toSorted());
    for (const device of devices) {
        expect(device.log.snapshot().pending, about).toEqual([]);
        for (const { key, at } of device.said) {
            const arrived = model.log.find((one) => one.key === key)?.at ?? NaN;
            // A call that lay on its way is as much later as it lay there: it is told how old it was when it was sent.
            expect(arrived, `${about}: ${key} is said to have been when it was`).toBeGreaterThanOrEqual(at - 1);
        }
        const places = device.said.map(({ key }) => keys.indexOf(key));
        expect(places, `${about}: in the order in which it was said`).toEqual(places.toSorted((x, y) => x - y));
    }
}

it(`loses nothing and says nothing twice, whatever the line does, in ${RUNS} courses of chance`, async () => {
    for (let seed = 1; seed <= RUNS; seed++) await course(seed);
});
