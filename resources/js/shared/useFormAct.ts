import { t } from '@lingui/core/macro';
import { useState, type FormEvent } from 'react';

interface Attempts {
    busy: boolean;
    /** what was wrong, to be shown where it was entered; nothing where all went well */
    problem: string;
    attempt: (act: () => Promise<void>) => Promise<void>;
}

interface FormAct extends Attempts {
    onSubmit: (event: FormEvent<HTMLFormElement>) => void;
}

/** What may go wrong, and says what did. */
export function useAttempt(): Attempts {
    const [problem, setProblem] = useState('');
    const [busy, setBusy] = useState(false);
    const attempt = async (what: () => Promise<void>): Promise<void> => {
        setProblem('');
        setBusy(true);
        try {
            await what();
        } catch (error) {
            setProblem(error instanceof Error ? error.message : t`That did not work. Try again.`);
        } finally {
            setBusy(false);
        }
    };
    return { busy, problem, attempt };
}

/** What a form does when it is sent: nothing entered is lost, and what was wrong is said. */
export function useFormAct(act: (form: FormData) => Promise<void>): FormAct {
    const attempts = useAttempt();
    return {
        ...attempts,
        onSubmit: (event) => {
            event.preventDefault();
            const form = new FormData(event.currentTarget);
            void attempts.attempt(() => act(form));
        },
    };
}
