import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { Outlet } from 'react-router';
import { Suspense, useEffect, useState } from 'react';
import { whenSignedOut } from '../../api/client';
import { accountQuery, CallFailed, choicesQuery } from '../../api/queries';
import { Away } from '../../shared/Away';
import { loaded } from '../../shared/loaded';
import { NoAnswer } from '../../shared/NoAnswer';
import { Slow } from '../../shared/Slow';
import { Door } from './Door';

// It is there once it is needed: it is fetched while nothing else is done.
const SignInAgain = loaded(() => import('./SignInAgain').then((part) => part.SignInAgain));

/** Everything inside is for those who are signed in; others are asked to, and come back to where they were. */
export function SignedIn() {
    const account = useQuery(accountQuery);
    const choices = useQuery({ ...choicesQuery, enabled: account.isSuccess });
    const [isOut, setOut] = useState(false);
    useEffect(() => whenSignedOut(() => setOut(true)), []);
    if (account.isPending) return <p className="waiting">{t`One moment.`}</p>;
    if (account.isError) {
        if (account.error instanceof CallFailed && account.error.status === 401) return <Door />;
        return (
            <div className="waiting" role="alert">
                <p>{t`No answer from the server.`}</p>
                <button type="button" className="plain" onClick={() => void account.refetch()}>
                    {t`Try again`}
                </button>
            </div>
        );
    }
    return (
        <>
            <NoAnswer />
            <Away />
            <Slow />
            {choices.isSuccess ? <Outlet /> : <p className="waiting">{t`One moment.`}</p>}
            <Suspense fallback={null}>
                {isOut && <SignInAgain account={account.data} onSignedIn={() => setOut(false)} />}
            </Suspense>
        </>
    );
}
