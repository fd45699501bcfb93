import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { accountQuery } from '../../api/queries';
import { roleNow } from '../../shared/roles';

/** Said to readers: what they change is tried out, and not kept. */
export function ReadsOnly() {
    const account = useQuery(accountQuery);
    if (roleNow(account.data) !== 'reader') return null;
    return <p className="also-here">{t`You are a reader in this crew: what you change is tried out, and not kept.`}</p>;
}
