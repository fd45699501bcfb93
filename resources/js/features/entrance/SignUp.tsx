import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Link, useNavigate, useParams } from 'react-router';
import { askToSignUp, signUp } from '../../api/people';
import { accountQuery } from '../../api/queries';
import { Entrance } from '../../shared/Entrance';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { NewPassword } from '../../shared/NewPersonFields';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';

/** Asks for a letter with a link to make an account with. */
export function SignUp() {
    const [asked, setAsked] = useState<string | null>(null);
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => askToSignUp(formText(form, 'email')),
        (_, form) => setAsked(formText(new FormData(form), 'email')),
    );
    if (asked !== null)
        return (
            <Entrance
                title={t`Look at your mail`}
                say={t`A letter to ${asked} is on its way. Its link opens for a day.`}
            >
                <Link to="/">{t`Back to signing in`}</Link>
            </Entrance>
        );
    return (
        <Entrance title={t`An account of your own`} say={t`Say your email. A letter comes with a link.`}>
            <Form onSubmit={onSubmit}>
                <Field
                    id="sign-up-email"
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

/** Where the link of the letter leads. */
export function SignedUp() {
    const { letter = '' } = useParams();
    const client = useQueryClient();
    const navigate = useNavigate();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) =>
            signUp(letter, {
                name: formText(form, 'name'),
                password: formText(form, 'password'),
                crew: formText(form, 'crew'),
            }),
        (account) => {
            client.setQueryData(accountQuery.queryKey, account);
            void navigate('/', { replace: true });
        },
    );
    return (
        <Entrance title={t`Your account`} say={t`You work in a crew of your own, and invite others into it.`}>
            <Form onSubmit={onSubmit}>
                <Field
                    id="new-name"
                    name="name"
                    label={t`Your name, as others see it`}
                    maxLength={80}
                    autoComplete="name"
                    errors={errors}
                    autoFocus
                />
                <NewPassword errors={errors} label={t`Password`} />
                <Field
                    id="new-crew"
                    name="crew"
                    label={t`What your crew is called`}
                    maxLength={80}
                    autoComplete="organization"
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="main-act" disabled={busy}>
                    {t`Make the account`}
                </button>
                {problem && <Link to="/sign-up">{t`Ask for a new link`}</Link>}
            </Form>
        </Entrance>
    );
}
