import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { resetPassword } from '../../api/people';
import { accountQuery } from '../../api/queries';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';
import { NewPassword } from '../../shared/NewPersonFields';
import { Entrance } from '../../shared/Entrance';

/** Where the link of a letter leads: a new password is chosen. */
export function NewPasswordPage() {
    const { token = '' } = useParams();
    const [search] = useSearchParams();
    const email = search.get('email') ?? '';
    const client = useQueryClient();
    const navigate = useNavigate();
    const [isCodeAsked, setIsCodeAsked] = useState(false);
    const { busy, errors, problem, onSubmit } = useSentForm(
        async (form) => {
            const code = formText(form, 'code');
            const given = { email, token, password: formText(form, 'password') };
            const result = await resetPassword(code === '' ? given : { ...given, code });
            if (!result.ok && 'code' in result.errors) setIsCodeAsked(true);
            return result;
        },
        (account) => {
            client.setQueryData(accountQuery.queryKey, account);
            void navigate('/', { replace: true });
        },
    );
    return (
        <Entrance
            title={t`Choose a new password`}
            say={t`Every other device on which you are signed in is signed out by it.`}
        >
            <Form onSubmit={onSubmit}>
                <Field
                    id="reset-email"
                    name="email"
                    label={t`Email`}
                    start={email}
                    autoComplete="username"
                    errors={errors}
                    readOnly
                />
                <NewPassword errors={errors} label={t`New password`} />
                {isCodeAsked && (
                    <Field
                        id="reset-code"
                        name="code"
                        label={t`Code of your phone, or from your paper`}
                        maxLength={20}
                        autoComplete="one-time-code"
                        errors={errors}
                    />
                )}
                <Problem text={'code' in errors ? null : problem} />
                <button type="submit" className="main-act" disabled={busy}>
                    {t`Save it, and sign in`}
                </button>
                {problem && <Link to="/forgotten">{t`Ask for a new link`}</Link>}
            </Form>
        </Entrance>
    );
}
