import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import Form from 'react-bootstrap/Form';
import { makeFirstAccount } from '../../api/people';
import { accountQuery } from '../../api/queries';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';
import { Entrance } from '../../shared/Entrance';
import { NewCrew, NewPersonFields } from '../../shared/NewPersonFields';

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
                <NewCrew errors={errors} />
                <Problem text={problem} />
                <button type="submit" className="main-act" disabled={busy}>
                    {t`Make the account`}
                </button>
            </Form>
        </Entrance>
    );
}
