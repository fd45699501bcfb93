import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import Form from 'react-bootstrap/Form';
import { Link, useNavigate, useParams } from 'react-router';
import { acceptInvitation, invitationQuery } from '../../api/people';
import { accountQuery } from '../../api/queries';
import type { Account, OpenInvitation } from '../../api/types';
import { formText } from '../../shared/formText';
import { localClock } from '../../shared/localClock';
import { roleInWords } from '../../shared/roles';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';
import { NewPersonFields } from '../../shared/NewPersonFields';
import { Entrance } from '../../shared/Entrance';

/** Where an invitation leads: into a crew, with the account that is signed in or with a new one. */
export function Invited() {
    const { token = '' } = useParams();
    const invitation = useQuery(invitationQuery(token));
    const account = useQuery(accountQuery);
    if (invitation.isPending || account.isPending) return <p className="waiting">{t`One moment.`}</p>;
    if (invitation.isError)
        return (
            <Entrance title={t`This invitation opens nothing`} say={invitation.error.message}>
                <Link to="/">{t`To the start page`}</Link>
            </Entrance>
        );
    return (
        <Entrance title={t`Invited into ${invitation.data.crew}`} say={inWords(invitation.data)}>
            <Join token={token} invitation={invitation.data} account={account.data} />
        </Entrance>
    );
}

const inWords = ({ by, crew, role, expires_at }: OpenInvitation): string =>
    t`${by} invites you into the crew ${crew}, as ${roleInWords(role)}. It runs out at ${localClock(expires_at)}.`;

interface JoinProps {
    token: string;
    invitation: OpenInvitation;
    account: Account | undefined;
}

function Join({ token, invitation, account }: JoinProps) {
    const client = useQueryClient();
    const navigate = useNavigate();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) =>
            acceptInvitation(
                token,
                account
                    ? null
                    : {
                          name: formText(form, 'name'),
                          email: formText(form, 'email'),
                          password: formText(form, 'password'),
                      },
            ),
        (joined) => {
            client.clear();
            client.setQueryData(accountQuery.queryKey, joined);
            void navigate('/', { replace: true });
        },
    );
    return (
        <Form onSubmit={onSubmit}>
            {account ? (
                <p>
                    <Trans>
                        You are signed in as <b>{account.name}</b>, {account.email}.
                    </Trans>
                </p>
            ) : (
                <>
                    <NewPersonFields errors={errors} name={invitation.for} />
                    <p className="cap">
                        <Trans>
                            You have an account? <Link to="/">{t`Sign in`}</Link>, and open the link again.
                        </Trans>
                    </p>
                </>
            )}
            <Problem text={problem} />
            <button type="submit" className="main-act" disabled={busy}>
                {t`Join ${invitation.crew}`}
            </button>
        </Form>
    );
}
