import { expect, it } from 'vitest';
import {
    degreesRead,
    degreesSaid,
    flowInWords,
    flowRead,
    flowSaid,
    litresInWords,
    pressureInWords,
    pushInWords,
    speedInWords,
    warmerInWords,
    weightInWords,
    weightPerLengthRead,
    weightPerLengthSaid,
} from './quantities';

it('says litres, weights, pushes and pressures in the units of the job', () => {
    expect([litresInWords(161.1, 'mm'), litresInWords(161.1, 'inch')]).toEqual(['161 l', '43 gal']);
    expect(litresInWords(1.44, 'mm')).toBe('1.4 l');
    expect([weightInWords(161, 'mm'), weightInWords(161, 'inch')]).toEqual(['161 kg', '355 lb']);
    expect([pushInWords(543, 'mm'), pushInWords(543, 'inch')]).toEqual(['543 N', '122 lb']);
    expect([pressureInWords(67.05, 'mm'), pressureInWords(34.474, 'inch')]).toEqual(['67 kPa', '5 psi']);
});

it('reads a flow and gives it back as it was said', () => {
    expect(flowRead('12', 'mm')).toBe(12);
    expect(flowSaid(flowRead('3.2', 'inch') ?? 0, 'inch')).toBe('3.2');
    for (const none of ['', '0', '-1', 'much']) expect(flowRead(none, 'mm')).toBeNull();
});

it('reads a temperature and gives it back as it was said, and none that no air has', () => {
    expect([degreesRead('12,5', 'mm'), degreesRead('54.5', 'inch')]).toEqual([12.5, 12.5]);
    expect([degreesSaid(12.5, 'mm'), degreesSaid(12.5, 'inch')]).toEqual(['12.5', '54.5']);
    for (const none of ['', 'warm', '-80', '71']) expect(degreesRead(none, 'mm')).toBeNull();
});

it('reads a weight for a length and gives it back as it was said', () => {
    expect(weightPerLengthRead('3,6', 'mm')).toBe(3.6);
    expect(weightPerLengthSaid(weightPerLengthRead('3.55', 'inch') ?? 0, 'inch')).toBe('3.55');
    for (const none of ['', 'heavy', '0', '-2', '5000']) expect(weightPerLengthRead(none, 'mm')).toBeNull();
});

it('says flows, speeds and warmth as the country does', () => {
    expect([flowInWords(0.9, 'mm'), flowInWords(0.9, 'inch')]).toEqual(['0.9 l/s', '14 gpm']);
    expect([speedInWords(0.9, 'mm'), speedInWords(0.9, 'inch')]).toEqual(['0.9 m/s', '3 ft/s']);
    expect([warmerInWords(30, 'mm'), warmerInWords(30, 'inch')]).toEqual(['30 °C', '54 °F']);
});
