import { useState, type FormEvent } from 'react';
import type { Result } from '../api/client';

interface SentForm {
    busy: boolean;
    /** what was wrong, by field; each is said where it was entered */
    errors: Record<string, string[]>;
    /** what was wrong with the whole; null: nothing, or it is said at the fields */
    problem: string | null;
    onSubmit: (event: FormEvent<HTMLFormElement>) => void;
}

/** Sends a form: nothing entered is lost, and what was wrong is said at its field. */
export function useSentForm<T>(
    send: (form: FormData) => Promise<Result<T>>,
    then: (data: T, form: HTMLFormElement) => void,
): SentForm {
    const [busy, setBusy] = useState(false);
    const [errors, setErrors] = useState<Record<string, string[]>>({});
    const [problem, setProblem] = useState<string | null>(null);
    const submit = async (form: HTMLFormElement): Promise<void> => {
        setBusy(true);
        const result = await send(new FormData(form));
        setBusy(false);
        const wrong = result.ok ? {} : result.errors;
        const isAtField = Object.keys(wrong).some((name) => form.elements.namedItem(name) !== null);
        setErrors(wrong);
        setProblem(result.ok || isAtField ? null : (Object.values(wrong)[0]?.[0] ?? result.message));
        if (result.ok) then(result.data, form);
    };
    return {
        busy,
        errors,
        problem,
        onSubmit: (event) => {
            event.preventDefault();
            void submit(event.currentTarget);
        },
    };
}
