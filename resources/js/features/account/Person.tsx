import { t } from '@lingui/core/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { reasonOf } from '../../api/client';
import { crewQuery, giveRole, takeOut } from '../../api/people';
import { accountQuery } from '../../api/queries';
import type { Account, CrewPeople } from '../../api/types';
import { Choice } from '../../shared/Choice';
import { Problem } from '../../shared/Problem';
import { roleInWords, ROLES } from '../../shared/roles';
import { useAttempt } from '../../shared/useFormAct';

interface Props {
    crew: Account['crews'][number];
    person: CrewPeople['people'][number];
}

/** Somebody in a crew, as what; its owner gives another role, or takes them out. */
export function Person({ crew, person }: Props) {
    const client = useQueryClient();
    const { busy, problem, attempt } = useAttempt();
    const [tries, setTries] = useState(0);
    const me = useQuery(accountQuery).data?.email;
    const then = async (call: ReturnType<typeof giveRole>): Promise<void> => {
        const result = await call;
        // What the list says is what the server has, whatever came of it.
        await client.invalidateQueries({ queryKey: crewQuery(crew.id).queryKey });
        setTries((before) => before + 1);
        if (!result.ok) throw new Error(reasonOf(result));
        await client.invalidateQueries({ queryKey: accountQuery.queryKey });
    };
    return (
        <li>
            {person.name} <span className="cap">{person.email}</span>
            {crew.role === 'owner' ? (
                <div className="person-role">
                    <Choice
                        key={`${person.role} ${tries}`}
                        id={`role-${crew.id}-${person.id}`}
                        name="role"
                        label={t`${person.name} is`}
                        start={person.role}
                        options={ROLES.map((role) => [role, roleInWords(role)])}
                        onChange={(role) => void attempt(() => then(giveRole(crew.id, person.id, role)))}
                    />
                    {/* Whoever goes themselves leaves. */}
                    {person.email !== me && (
                        <button
                            type="button"
                            className="plain small"
                            disabled={busy}
                            onClick={() => void attempt(() => then(takeOut(crew.id, person.id)))}
                        >
                            {t`Take ${person.name} out`}
                        </button>
                    )}
                </div>
            ) : (
                <span> {roleInWords(person.role)}</span>
            )}
            <Problem text={problem} />
        </li>
    );
}
