import type { QueryClient } from '@tanstack/react-query';
import { accountQuery } from '../api/queries';
import type { Account } from '../api/types';

/** What is the same whichever crew somebody works for. */
const OF_ANY_CREW = ['account', 'choices', 'starts', 'systems', 'crew', 'devices'];

/** Somebody works for another crew from now on: what was fetched is of the one before. */
export async function otherCrew(client: QueryClient, account: Account): Promise<void> {
    client.setQueryData(accountQuery.queryKey, account);
    const ofCrew = ({ queryKey }: { queryKey: readonly unknown[] }): boolean =>
        !OF_ANY_CREW.includes(String(queryKey[0]));
    client.removeQueries({ type: 'inactive', predicate: ofCrew });
    await client.resetQueries({ predicate: ofCrew });
}
