import type { StartField } from '../../api/types';

/** What asks for something: a start, or how something is done. */
export interface Asking {
    fields: StartField[];
}

/** What is said of each field so far; what nobody touched stands as it is at first. */
export type Values = Record<string, string>;

export const valueOf = (field: StartField, values: Values): string => values[field.id] ?? field.start;

/** Whether a condition of a field holds: `field=word`, `field!=word`, `field`, several joined by ` and `. */
export function holds(condition: string, start: Asking, values: Values): boolean {
    return condition
        .split(' and ')
        .filter((one) => one !== '')
        .every((one) => {
            const [left = '', word] = one.split('=');
            const isNot = left.endsWith('!');
            const field = start.fields.find((other) => other.id === left.replace('!', ''));
            const said = field ? valueOf(field, values).trim() : '';
            return word === undefined ? said !== '' : (said === word) !== isNot;
        });
}

/** The fields that are asked for as things stand, in the order in which one would measure. */
export const askedFields = (start: Asking, values: Values): StartField[] =>
    start.fields.filter((field) => holds(field.when, start, values));

/** The number that a field has on the screen and on paper: its place in the order in which one would measure. */
export const numberOf = (start: Asking, id: string): number => start.fields.findIndex((field) => field.id === id) + 1;

/** Everything that is sent: only what is asked for. */
export const sentValues = (start: Asking, values: Values): Values =>
    Object.fromEntries(askedFields(start, values).map((field) => [field.id, valueOf(field, values)]));
