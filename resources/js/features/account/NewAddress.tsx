import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Link, useParams } from 'react-router';
import { takeAddress } from '../../api/people';
import { accountQuery } from '../../api/queries';
import { Entrance } from '../../shared/Entrance';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';

/** Where the link of a letter to another address leads: it is taken to sign in with. */
export function NewAddress() {
    const { letter = '' } = useParams();
    const client = useQueryClient();
    const [taken, setTaken] = useState<string | null>(null);
    const { busy, problem, onSubmit } = useSentForm(
        () => takeAddress(letter),
        (account) => {
            setTaken(account.email);
            client.setQueryData(accountQuery.queryKey, account);
        },
    );
    if (taken !== null)
        return (
            <Entrance title={t`Your new address`} say={t`You sign in with ${taken} from now on.`}>
                <Link to="/">{t`To your jobs`}</Link>
            </Entrance>
        );
    return (
        <Entrance
            title={t`Your new address`}
            say={t`The link came in a letter to your new address, so it is yours. Your password stays as it is.`}
        >
            <Form onSubmit={onSubmit}>
                <Problem text={problem} />
                <button type="submit" className="main-act" disabled={busy}>
                    {t`Sign in with it from now on`}
                </button>
                {problem ? (
                    <Link to="/account">{t`Ask for a new link`}</Link>
                ) : (
                    <Link to="/">{t`Leave it as it is`}</Link>
                )}
            </Form>
        </Entrance>
    );
}
