import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { askForPassword, entranceQuery } from '../../api/people';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';
import { Entrance } from '../../shared/Entrance';

/** Asks for a letter with a link to a new password. */
export function Forgotten() {
    const [asked, setAsked] = useState<string | null>(null);
    const entrance = useQuery(entranceQuery);
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => askForPassword(formText(form, 'email')),
        (_, form) => setAsked(formText(new FormData(form), 'email')),
    );
    if (asked !== null)
        return (
            <Entrance
                title={t`Look at your mail`}
                say={t`If ${asked} has an account here, a letter is on its way. Its link opens for an hour.`}
            >
                {entrance.data?.letters === 'kept' && (
                    <p className="say">
                        <Trans>
                            This installation names no mail server: letters stay on its machine, where
                            <code> {t`bin/artisan mail:read`}</code> shows them.
                        </Trans>
                    </p>
                )}
                <Link to="/">{t`Back to signing in`}</Link>
            </Entrance>
        );
    return (
        <Entrance title={t`A new password`} say={t`Say the email that you sign in with. A letter comes with a link.`}>
            <Form onSubmit={onSubmit}>
                <Field
                    id="forgotten-email"
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
