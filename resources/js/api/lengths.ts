import { t } from '@lingui/core/macro';
import { call, type Result } from './client';
import type { Schemas, Tape, Units } from './types';

interface Waiting {
    text: string;
    answer: (result: Result<Tape>) => void;
}

const waiting = new Map<Units, Waiting[]>();

/** Reads a length as a tape says it. All that are asked for at once go in one request. */
export function readLength(text: string, units: Units): Promise<Result<Tape>> {
    return new Promise((answer) => {
        const others = waiting.get(units);
        if (others) others.push({ text, answer });
        else {
            waiting.set(units, [{ text, answer }]);
            setTimeout(() => void readAll(units), 0);
        }
    });
}

async function readAll(units: Units): Promise<void> {
    const asked = waiting.get(units) ?? [];
    waiting.delete(units);
    const texts = [...new Set(asked.map(({ text }) => text))];
    const result = await call<Schemas['Lengths']>('POST', '/api/lengths', { texts, units });
    for (const { text, answer } of asked)
        answer(result.ok ? resultOf(result.data.lengths[texts.indexOf(text)]) : result);
}

function resultOf(length: Schemas['Lengths']['lengths'][number] | undefined): Result<Tape> {
    if (length?.read) return { ok: true, data: length.read };
    const message = length?.problem ?? t`This is no length.`;
    return { ok: false, status: 422, code: 'bad-input', message, errors: { text: [message] }, body: null };
}
