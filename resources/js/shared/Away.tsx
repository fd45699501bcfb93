import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { away } from '../api/client';

/** What edits itself, or belongs to this page alone: it is not asked for again when the connection is back. */
const OWN = ['job', 'tabs', 'station', 'account'];

/** Says that what is shown is from this device; once there is a connection again, it is asked for anew. */
export function Away() {
    const isAway = useSyncExternalStore(away.subscribe, away.snapshot);
    const client = useQueryClient();
    const was = useRef(false);
    useEffect(() => {
        if (was.current && !isAway)
            void client.invalidateQueries({ predicate: ({ queryKey }) => !OWN.includes(String(queryKey[0])) });
        was.current = isAway;
    }, [isAway, client]);
    return isAway ? (
        <p className="no-answer" role="status">
            {t`No connection: what is shown was kept on this device. What you enter is kept and sent later.`}
        </p>
    ) : null;
}
