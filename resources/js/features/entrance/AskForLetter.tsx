import { t } from '@lingui/core/macro';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import type { Result } from '../../api/client';
import { Entrance } from '../../shared/Entrance';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { LettersKept } from '../../shared/LettersKept';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';

interface Props {
    id: string;
    title: string;
    say: string;
    send: (email: string) => Promise<Result<null>>;
    /** what is said once it was asked for */
    sent: (email: string) => string;
}

/** Asks for a letter with a link. */
export function AskForLetter({ id, title, say, send, sent }: Props) {
    const [asked, setAsked] = useState<string | null>(null);
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => send(formText(form, 'email')),
        (_, form) => setAsked(formText(new FormData(form), 'email')),
    );
    if (asked !== null)
        return (
            <Entrance title={t`Look at your mail`} say={sent(asked)}>
                <LettersKept />
                <Link to="/">{t`Back to signing in`}</Link>
            </Entrance>
        );
    return (
        <Entrance title={title} say={say}>
            <Form onSubmit={onSubmit}>
                <Field
                    id={id}
                    name="email"
                    type="email"
                    label={t`Email`}
                    autoComplete="username"
                    errors={errors}
                    autoFocus
                />
                <Problem text={problem} />
                <button type="submit" className="main-act" disabled={busy}>
                    {t`Send the letter`}
                </button>
                <Link to="/">{t`Back to signing in`}</Link>
            </Form>
        </Entrance>
    );
}
