import { t } from '@lingui/core/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { chooseCrew, crewQuery, invite, renameCrew, withdrawInvitation } from '../../api/people';
import { accountQuery } from '../../api/queries';
import type { Account, Invitation } from '../../api/types';
import { Choice } from '../../shared/Choice';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { localClock } from '../../shared/localClock';
import { otherCrew } from '../../shared/otherCrew';
import { Problem } from '../../shared/Problem';
import { isAtLeast, mayInWords, roleInWords, ROLES } from '../../shared/roles';
import { Shape } from '../../shared/Shape';
import { useAttempt } from '../../shared/useFormAct';
import { useSentForm } from '../../shared/useSentForm';
import { LeaveCrew } from './LeaveCrew';
import { Person } from './Person';
import { AuditLines } from './WhatWasDone';

interface Props {
    crew: Account['crews'][number];
    /** whether its board is shown */
    isChosen: boolean;
}

/** A crew: its name, who is in it, and whom somebody invites. */
export function CrewSection({ crew, isChosen }: Props) {
    const client = useQueryClient();
    const people = useQuery(crewQuery(crew.id));
    const { busy, problem, attempt } = useAttempt();
    const choose = async (): Promise<void> => {
        const result = await chooseCrew(crew.id);
        if (!result.ok) throw new Error(result.message);
        await otherCrew(client, result.data);
    };
    return (
        <section aria-label={t`Crew ${crew.name}`}>
            <h2>{t`Crew: ${crew.name}`}</h2>
            {isChosen ? (
                <p>
                    <Shape kind="done" size={14} /> {t`You work for it now: its jobs stand on the board.`}
                </p>
            ) : (
                <button type="button" className="plain" disabled={busy} onClick={() => void attempt(choose)}>
                    {t`Work for this crew`}
                </button>
            )}
            <Problem text={problem} />
            {isAtLeast(crew.role, 'owner') && <CrewName crew={crew} />}
            <h3>{t`People`}</h3>
            {people.isError && <Problem text={people.error.message} />}
            <ul>
                {(people.data?.people ?? []).map((person) => (
                    <Person key={person.id} crew={crew} person={person} />
                ))}
            </ul>
            {isAtLeast(crew.role, 'lead') && <Invitations crew={crew} invitations={people.data?.invitations ?? []} />}
            {crew.role === 'owner' && (
                <details>
                    <summary>{t`What was done in this crew`}</summary>
                    <AuditLines crew={crew.id} />
                </details>
            )}
            <LeaveCrew crew={crew} />
        </section>
    );
}

function CrewName({ crew }: { crew: Props['crew'] }) {
    const client = useQueryClient();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => renameCrew(crew.id, formText(form, 'name')),
        (account) => client.setQueryData(accountQuery.queryKey, account),
    );
    return (
        <details>
            <summary>{t`Change its name`}</summary>
            <form onSubmit={onSubmit}>
                <Field
                    id={`crew-${crew.id}`}
                    name="name"
                    label={t`Name of the crew`}
                    start={crew.name}
                    maxLength={80}
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    {t`Save`}
                </button>
            </form>
        </details>
    );
}

function Invitations({ crew: { id: crew, role }, invitations }: { crew: Props['crew']; invitations: Invitation[] }) {
    const client = useQueryClient();
    const [link, setLink] = useState<string | null>(null);
    const again = (): Promise<void> => client.invalidateQueries({ queryKey: crewQuery(crew).queryKey });
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => invite(crew, formText(form, 'for'), formText(form, 'role')),
        (made, form) => {
            form.reset();
            setLink(made.link);
            void again();
        },
    );
    return (
        <>
            <h3>{t`Invite somebody`}</h3>
            <form onSubmit={onSubmit}>
                <Field
                    id={`invite-${crew}`}
                    name="for"
                    label={t`Who is it`}
                    help={t`the link lets one person in, and runs out after 7 days`}
                    maxLength={80}
                    autoComplete="off"
                    errors={errors}
                />
                <Choice
                    id={`invite-role-${crew}`}
                    name="role"
                    label={t`As what`}
                    start="plumber"
                    options={ROLES.filter((one) => isAtLeast(role, one)).map((one) => [one, mayInWords(one)])}
                />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    {t`Make a link`}
                </button>
            </form>
            {link !== null && (
                <p role="status" className="invite-link">
                    <a href={link}>{link}</a>
                    {/* Without a safe line browsers have no clipboard: the link is copied by hand there. */}
                    {'clipboard' in navigator && (
                        <button
                            type="button"
                            className="plain small"
                            onClick={() => void navigator.clipboard.writeText(link)}
                        >
                            {t`Copy it`}
                        </button>
                    )}
                    <span className="cap">{t`It is shown this once: send it to them now.`}</span>
                </p>
            )}
            <ul>
                {invitations.map((one) => (
                    <InvitationLine key={one.id} crew={crew} invitation={one} onWithdrawn={again} />
                ))}
            </ul>
        </>
    );
}

interface LineProps {
    crew: number;
    invitation: Invitation;
    onWithdrawn: () => Promise<void>;
}

function InvitationLine({ crew, invitation, onWithdrawn }: LineProps) {
    const { busy, problem, attempt } = useAttempt();
    const withdraw = async (): Promise<void> => {
        const result = await withdrawInvitation(crew, invitation.id);
        if (!result.ok) throw new Error(result.message);
        await onWithdrawn();
    };
    return (
        <li>
            <Shape kind={invitation.state === 'accepted' ? 'done' : 'open'} size={14} /> {invitation.for}{' '}
            <span className="cap">{stateInWords(invitation)}</span>
            {invitation.state === 'open' && (
                <button type="button" className="plain small" disabled={busy} onClick={() => void attempt(withdraw)}>
                    {t`Withdraw`}
                </button>
            )}
            <Problem text={problem} />
        </li>
    );
}

function stateInWords({ state, accepted_by, by, role, expires_at }: Invitation): string {
    switch (state) {
        case 'accepted':
            return t`came in as ${accepted_by ?? t`somebody who is gone`}`;
        case 'withdrawn':
            return t`withdrawn`;
        case 'expired':
            return t`ran out`;
        default:
            return t`as ${roleInWords(role)}, invited by ${by}, until ${localClock(expires_at)}`;
    }
}
