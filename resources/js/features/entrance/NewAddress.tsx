import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { reasonOf } from '../../api/client';
import { takeAddress } from '../../api/people';
import { accountQuery } from '../../api/queries';
import { Entrance } from '../../shared/Entrance';
import { Problem } from '../../shared/Problem';
import { useAttempt } from '../../shared/useFormAct';

/** Where the link of a letter to another address leads: it is taken to sign in with. */
export function NewAddress() {
    const { letter = '' } = useParams();
    const client = useQueryClient();
    const { busy, problem, attempt } = useAttempt();
    const [taken, setTaken] = useState<string | null>(null);
    const take = async (): Promise<void> => {
        const result = await takeAddress(letter);
        if (!result.ok) throw new Error(reasonOf(result));
        setTaken(result.data.email);
        await client.invalidateQueries({ queryKey: accountQuery.queryKey });
    };
    if (taken !== null)
        return (
            <Entrance title={t`Your new address`} say={t`You sign in with ${taken} from now on.`}>
                <Link to="/">{t`To your jobs`}</Link>
            </Entrance>
        );
    return (
        <Entrance
            title={t`Your new address`}
            say={t`The link came in a letter to it, so it is yours. Your password stays as it is.`}
        >
            <Problem text={problem} />
            <button type="button" className="main-act" disabled={busy} onClick={() => void attempt(take)}>
                {t`Sign in with it from now on`}
            </button>
            {problem && <Link to="/account">{t`Ask for a new link`}</Link>}
        </Entrance>
    );
}
