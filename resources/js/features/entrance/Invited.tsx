import { useQuery, useQueryClient } from '@tanstack/react-query';
import Form from 'react-bootstrap/Form';
import { Link, useNavigate, useParams } from 'react-router';
import { acceptInvitation, invitationQuery } from '../../api/people';
import { accountQuery } from '../../api/queries';
import type { Account, OpenInvitation } from '../../api/types';
import { formText } from '../../shared/formText';
import { localClock } from '../../shared/localClock';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';
import { NewPersonFields } from '../../shared/NewPersonFields';
import { Entrance } from '../../shared/Entrance';

/** Where an invitation leads: into a crew, with the account that is signed in or with a new one. */
export function Invited() {
    const { token = '' } = useParams();
    const invitation = useQuery(invitationQuery(token));
    const account = useQuery(accountQuery);
    if (invitation.isPending || account.isPending) return <p className="waiting">One moment.</p>;
    if (invitation.isError)
        return (
            <Entrance title="This invitation opens nothing" say={invitation.error.message}>
                <Link to="/">To the start page</Link>
            </Entrance>
        );
    return (
        <Entrance title={`Invited into ${invitation.data.crew}`} say={inWords(invitation.data)}>
            <Join token={token} invitation={invitation.data} account={account.data} />
        </Entrance>
    );
}

const inWords = ({ by, crew, expires_at }: OpenInvitation): string =>
    `${by} invites you into the crew ${crew}. The invitation runs out at ${localClock(expires_at)}.`;

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
                    You are signed in as <b>{account.name}</b>, {account.email}.
                </p>
            ) : (
                <>
                    <NewPersonFields errors={errors} name={invitation.for} />
                    <p className="cap">
                        You have an account? <Link to="/">Sign in</Link>, and open the link again.
                    </p>
                </>
            )}
            <Problem text={problem} />
            <button type="submit" className="main-act" disabled={busy}>
                Join {invitation.crew}
            </button>
        </Form>
    );
}
