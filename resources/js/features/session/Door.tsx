import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { entranceQuery } from '../../api/people';
import { SignIn } from './SignIn';

// It is shown once in the life of an installation.
const FirstAccount = lazy(async () => ({ default: (await import('./FirstAccount')).FirstAccount }));

/** Signing in, or making the first account where there is none. */
export function Door() {
    const entrance = useQuery(entranceQuery);
    if (entrance.isPending) return <p className="waiting">{t`One moment.`}</p>;
    return (
        <Suspense fallback={<p className="waiting">{t`One moment.`}</p>}>
            {entrance.data?.first ? <FirstAccount /> : <SignIn mayAnybody={entrance.data?.sign_up ?? false} />}
        </Suspense>
    );
}
