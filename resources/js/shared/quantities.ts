import type { Units } from '../api/types';

const US_GALLON_L = 3.785411784;
const US_OUNCE_ML = 29.5735296;
const POUND_KG = 0.45359237;
const POUND_FORCE_N = 4.4482216;
const PSI_KPA = 6.894757;
const LB_PER_FT_KG_PER_M = 1.48816394;

/** A number as it is typed, with a point or a comma; NaN where it is none. */
const numberIn = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

const figures = (value: number, digits: number): string => String(Number(value.toFixed(digits)));

/** Litres as the job's units say them: `161 l`, `43 gal`; small amounts with a tenth. */
export function litresInWords(litres: number, units: Units): string {
    const value = units === 'inch' ? litres / US_GALLON_L : litres;
    return `${figures(value, value < 20 ? 1 : 0)} ${units === 'inch' ? 'gal' : 'l'}`;
}

/** What flows: `0.9 l/s`, `14 gpm`. */
export const flowInWords = (lPerS: number, units: Units): string =>
    units === 'inch' ? `${figures((lPerS * 60) / US_GALLON_L, 0)} gpm` : `${lPerS.toFixed(1)} l/s`;

/** How fast: `0.9 m/s`, `3 ft/s`. */
export const speedInWords = (mPerS: number, units: Units): string =>
    units === 'inch' ? `${figures(mPerS / 0.3048, 1)} ft/s` : `${mPerS.toFixed(1)} m/s`;

/** By how much it gets warmer: `30 °C`, `54 °F`. */
export const warmerInWords = (degreesC: number, units: Units): string =>
    units === 'inch' ? `${Math.round(degreesC * 1.8)} °F` : `${Math.round(degreesC)} °C`;

/** A weight: `161 kg`, `355 lb`. */
export function weightInWords(kg: number, units: Units): string {
    const value = units === 'inch' ? kg / POUND_KG : kg;
    return `${figures(value, value < 10 ? 1 : 0)} ${units === 'inch' ? 'lb' : 'kg'}`;
}

/** A push: `543 N`, `122 lb`. */
export const pushInWords = (newton: number, units: Units): string =>
    units === 'inch' ? `${Math.round(newton / POUND_FORCE_N)} lb` : `${Math.round(newton)} N`;

/** A pressure: `67 kPa`, `9.7 psi`. */
export const pressureInWords = (kpa: number, units: Units): string =>
    units === 'inch' ? `${figures(kpa / PSI_KPA, 1)} psi` : `${figures(kpa, 1)} kPa`;

/** A flow, as a field holds it: litres or gallons a minute. */
export const flowSaid = (lPerMin: number, units: Units): string =>
    figures(units === 'inch' ? lPerMin / US_GALLON_L : lPerMin, 1);

/** And back, in litres a minute; null where it is no flow. */
export function flowRead(text: string, units: Units): number | null {
    const value = numberIn(text);
    if (!Number.isFinite(value) || value <= 0) return null;
    return units === 'inch' ? value * US_GALLON_L : value;
}

/** A weight for a length, as a field holds it: kg per m or lb per ft. */
export const weightPerLengthSaid = (kgPerM: number, units: Units): string =>
    figures(units === 'inch' ? kgPerM / LB_PER_FT_KG_PER_M : kgPerM, 2);

/** And back, in kg per m; null where no pipe weighs that. */
export function weightPerLengthRead(text: string, units: Units): number | null {
    const value = numberIn(text);
    const kgPerM = units === 'inch' ? value * LB_PER_FT_KG_PER_M : value;
    return kgPerM >= 0.05 && kgPerM <= 1000 ? kgPerM : null;
}

/** A temperature, as a field holds it: °C or °F, to a tenth. */
export const degreesSaid = (celsius: number, units: Units): string =>
    String(Number((units === 'inch' ? celsius * 1.8 + 32 : celsius).toFixed(1)));

/** And back, in °C to a hundredth; null where no air is so warm. */
export function degreesRead(text: string, units: Units): number | null {
    const degrees = numberIn(text);
    const celsius = units === 'inch' ? (degrees - 32) / 1.8 : degrees;
    if (!Number.isFinite(degrees) || celsius < -60 || celsius > 70) return null;
    return Math.round(celsius * 100) / 100;
}

export { PSI_KPA, US_GALLON_L, US_OUNCE_ML };
