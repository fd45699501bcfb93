import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { entranceQuery } from '../api/people';

/** Where a letter is that was just sent, if it does not leave the machine. */
export function LettersKept() {
    const entrance = useQuery(entranceQuery);
    if (entrance.data?.letters !== 'kept') return null;
    return (
        <p className="say">
            <Trans>
                This installation names no mail server: letters stay on its machine, where
                <code> {t`bin/artisan mail:read`}</code> shows them.
            </Trans>
        </p>
    );
}
