import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import Form from 'react-bootstrap/Form';
import { makeFirstAccount } from '../../api/people';
import { accountQuery } from '../../api/queries';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';
import { Entrance } from '../../shared/Entrance';
import { NewPersonFields } from '../../shared/NewPersonFields';

/** Nobody has an account here yet: whoever comes first makes theirs, and a crew. */
export function FirstAccount() {
    const client = useQueryClient();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) =>
            makeFirstAccount({
                name: formText(form, 'name'),
                email: formText(form, 'email'),
                password: formText(form, 'password'),
                crew: formText(form, 'crew'),
            }),
        (account) => client.setQueryData(accountQuery.queryKey, account),
    );
    return (
        <Entrance
            title={t`The first account`}
            say={t`Nobody has an account here yet. Make yours; then you invite the others.`}
        >
            <Form onSubmit={onSubmit}>
                <NewPersonFields errors={errors} />
                <Field
                    id="new-crew"
                    name="crew"
                    label={t`What your crew is called`}
                    help={t`its jobs, numbers and prices are its own`}
                    maxLength={80}
                    autoComplete="organization"
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="main-act" disabled={busy}>
                    {t`Make the account`}
                </button>
            </Form>
        </Entrance>
    );
}
