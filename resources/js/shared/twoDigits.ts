/** A number as days and clocks show it: `07`. */
export const twoDigits = (n: number): string => String(n).padStart(2, '0');
