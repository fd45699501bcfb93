import type { JobDocument } from '../../api/types';

interface Draft {
    from: number;
    document: JobDocument;
}

const keyOf = (job: string): string => `fall-bend draft ${job}`;

/** Remembers in this browser what the server has not taken yet. */
export function rememberDraft(job: string, from: number, document: JobDocument): void {
    try {
        localStorage.setItem(keyOf(job), JSON.stringify({ from, document }));
    } catch {
        // No room or no storage: the page itself still holds it.
    }
}

export function recallDraft(job: string): Draft | null {
    try {
        const text = localStorage.getItem(keyOf(job));
        return text ? (JSON.parse(text) as Draft) : null;
    } catch {
        return null;
    }
}

export function forgetDraft(job: string): void {
    try {
        localStorage.removeItem(keyOf(job));
    } catch {
        // Nothing was remembered then.
    }
}
