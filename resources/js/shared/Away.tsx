import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { away, call } from '../api/client';

/** What edits itself, or belongs to this page alone: it is not asked for again when the connection is back. */
const OWN = ['job', 'tabs', 'station', 'account'];

/** So often it is tried whether there is a connection again. */
const AGAIN_MS = 5_000;

/** Says that what is shown is from this device; once there is a connection again, it is asked for anew. */
export function Away() {
    const isAway = useSyncExternalStore(away.subscribe, away.snapshot);
    const client = useQueryClient();
    const was = useRef(false);
    useEffect(() => {
        if (!isAway) return;
        // Where nothing on the screen is asked for, nobody else would see that there is a connection again.
        const timer = setInterval(() => void call('GET', '/api/session', undefined, { background: true }), AGAIN_MS);
        return () => clearInterval(timer);
    }, [isAway]);
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
