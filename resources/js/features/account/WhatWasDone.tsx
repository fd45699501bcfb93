import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { auditQuery } from '../../api/people';
import type { AuditEntry } from '../../api/types';
import { localClock } from '../../shared/localClock';
import { Problem } from '../../shared/Problem';
import { roleInWords } from '../../shared/roles';

/** What was done with one's own account, or in a crew. */
export function WhatWasDone({ crew, title }: { crew: number | null; title: string }) {
    return (
        <section aria-label={title}>
            <h2>{title}</h2>
            <AuditLines crew={crew} />
        </section>
    );
}

export function AuditLines({ crew }: { crew: number | null }) {
    const audit = useQuery(auditQuery(crew));
    if (audit.isError) return <Problem text={audit.error.message} />;
    return (
        <ul className="audit">
            {(audit.data ?? []).map((entry) => (
                <li key={entry.id}>
                    <span className="cap">{localClock(entry.at)}</span> {inWords(entry)}
                </li>
            ))}
        </ul>
    );
}

function inWords({ by, act, about }: AuditEntry): string {
    const { person = '', role = '', job = '', device = '', left = '', from = '', to = '', crew = '' } = about;
    switch (act) {
        case 'signed-in':
            return t`You signed in: ${device}`;
        case 'password':
            return t`You changed your password`;
        case 'password-by-letter':
            return t`You set a new password by letter`;
        case 'renamed':
            return t`${from} is ${to} now`;
        case 'address':
            return t`You sign in with ${to} now, and no longer with ${from}`;
        case 'signed-out-elsewhere':
            return t`You signed out every other device`;
        case 'second-factor-on':
            return t`You turned the second factor on`;
        case 'second-factor-off':
            return t`You turned the second factor off`;
        case 'recovery-code':
            return t`A code from your paper was used; ${left} are left`;
        case 'crew-started':
            return t`${by} started the crew ${crew}`;
        case 'crew-named':
            return t`${by} renamed the crew: ${from} is ${to} now`;
        case 'invited':
            return t`${by} invited ${person} as ${roleInWords(role)}`;
        case 'invitation-withdrawn':
            return t`${by} withdrew the invitation of ${person}`;
        case 'joined':
            return t`${by} joined as ${roleInWords(role)}`;
        case 'role':
            return t`${by} made ${person} ${roleInWords(role)}`;
        case 'taken-out':
            return t`${by} took ${person} out`;
        case 'left':
            return t`${by} left`;
        case 'job-archived':
            return t`${by} archived ${job}`;
        case 'job-deleted':
            return t`${by} deleted ${job}`;
        case 'job-put-back':
            return t`${by} put ${job} back`;
        case 'shared':
            return t`${by} shared the record of ${job} with ${person}`;
        case 'share-withdrawn':
            return t`${by} withdrew the link to ${job} of ${person}`;
        default:
            return `${by}: ${act}`;
    }
}
