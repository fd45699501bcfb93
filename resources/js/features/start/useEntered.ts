import { useState } from 'react';
import type { Values } from './asked';

const keyOf = (start: string): string => `fall-bend entered ${start}`;

function read(start: string): Values {
    try {
        const kept = JSON.parse(sessionStorage.getItem(keyOf(start)) ?? '{}') as unknown;
        const entries = Object.entries(kept !== null && typeof kept === 'object' ? kept : {});
        return Object.fromEntries(entries.filter((one): one is [string, string] => typeof one[1] === 'string'));
    } catch {
        return {};
    }
}

/** What was entered for a task, kept in this tab until its job is begun: it is there again after the paper. */
export function useEntered(start: string) {
    const [values, setValues] = useState(() => read(start));
    const put = (next: Values): void => {
        setValues(next);
        try {
            sessionStorage.setItem(keyOf(start), JSON.stringify(next));
        } catch {
            // Without storage it holds for this page.
        }
    };
    return {
        values,
        enter: (field: string, value: string): void => put({ ...values, [field]: value }),
        forget: (): void => put({}),
    };
}
