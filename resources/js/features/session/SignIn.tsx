import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { reasonOf } from '../../api/client';
import { accountQuery, signIn } from '../../api/queries';
import { Shape } from '../../shared/Shape';
import { formText } from '../../shared/formText';
import { Entrance } from '../../shared/Entrance';

/** For those who have an account. `mayAnybody`: others may make one. */
export function SignIn({ mayAnybody = false }: { mayAnybody?: boolean }) {
    const client = useQueryClient();
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const [isCodeAsked, setIsCodeAsked] = useState(false);

    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        setBusy(true);
        const result = await signIn(formText(form, 'email'), formText(form, 'password'), formText(form, 'code'));
        setBusy(false);
        if (!result.ok && 'code' in result.errors) setIsCodeAsked(true);
        if (result.ok) client.setQueryData(accountQuery.queryKey, result.data);
        else setProblem(reasonOf(result));
    };

    return (
        <Entrance title={t`Sign in`} say={t`From the tape to the cut ticket: drain, waste and vent.`}>
            <Form onSubmit={(event) => void submit(event)} aria-describedby={problem ? 'sign-in-problem' : undefined}>
                <Form.Group controlId="email">
                    <Form.Label>{t`Email`}</Form.Label>
                    <Form.Control name="email" type="email" autoComplete="username" required autoFocus />
                </Form.Group>
                <Form.Group controlId="password">
                    <Form.Label>{t`Password`}</Form.Label>
                    <Form.Control name="password" type="password" autoComplete="current-password" required />
                </Form.Group>
                {isCodeAsked && (
                    <Form.Group controlId="code">
                        <Form.Label>{t`Code of your phone, or from your paper`}</Form.Label>
                        <Form.Control name="code" autoComplete="one-time-code" maxLength={20} required autoFocus />
                    </Form.Group>
                )}
                <Link to="/forgotten">{t`Forgotten your password?`}</Link>
                {mayAnybody && <Link to="/sign-up">{t`No account yet? Make one`}</Link>}
                {problem && (
                    <p id="sign-in-problem" className="problem" role="alert">
                        <Shape kind="stop" size={16} /> {problem}
                    </p>
                )}
                <button type="submit" className="main-act" disabled={busy}>
                    {t`Sign in`}
                </button>
            </Form>
        </Entrance>
    );
}
