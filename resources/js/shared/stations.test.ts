import { expect, it } from 'vitest';
import type { JobDocument } from '../api/types';
import { standingBeside, STATIONS, type Station } from './stations';

const station = (key: string): Station => {
    const found = STATIONS.find((one) => one.key === key);
    if (!found) throw new Error(key);
    return found;
};

it('says of a job without runs what it holds at Joints and at Make-up, and nothing elsewhere', () => {
    const joint = { id: 'j', name: 'A joint' };
    const holding = { single_joints: [joint, joint], moves: [{ id: 'm1' }] } as unknown as JobDocument;
    expect(standingBeside(station('joints'), holding)?.text).toBe('2 joints');
    expect(standingBeside(station('make-up'), holding)?.text).toBe('1 measured');
    expect(standingBeside(station('cut'), holding)).toBeNull();
    expect(standingBeside(station('joints'), {} as JobDocument)).toBeNull();
    expect(standingBeside(station('make-up'), {} as JobDocument)).toBeNull();
});
