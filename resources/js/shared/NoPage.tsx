import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Link } from 'react-router';
import { useTitle } from './useTitle';

/** An address that names nothing here. */
export function NoPage() {
    useTitle(t`No such page`);
    return (
        <main className="to-come pad">
            <h1>{t`There is no such page`}</h1>
            <p>
                <Trans>
                    Nothing is lost by it. <Link to="/">{t`All jobs`}</Link>, or{' '}
                    <Link to="/start">{t`begin with a task`}</Link>.
                </Trans>
            </p>
        </main>
    );
}
