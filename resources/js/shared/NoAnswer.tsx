import { t } from '@lingui/core/macro';
import { notifyManager, useQueryClient, type FetchStatus } from '@tanstack/react-query';
import { useCallback, useSyncExternalStore } from 'react';
import { away } from '../api/client';
import { hadNoAnswer } from '../api/queries';

/** Says that what is shown may be from before, as long as something that is shown is asked for and no answer comes. */
export function NoAnswer() {
    const cache = useQueryClient().getQueryCache();
    const watch = useCallback((then: () => void) => cache.subscribe(notifyManager.batchCalls(then)), [cache]);
    const waits = useSyncExternalStore(watch, () =>
        cache.getAll().some((query) => query.isActive() && isUnanswered(query.state)),
    );
    // Where the device has what is shown, that is said, and not both.
    const isAway = useSyncExternalStore(away.subscribe, away.snapshot);
    return waits && !isAway ? (
        <p className="no-answer" role="status">
            {t`No answer from the server. What is shown may be from before; it is asked again.`}
        </p>
    ) : null;
}

function isUnanswered({
    fetchStatus,
    fetchFailureReason,
}: {
    fetchStatus: FetchStatus;
    fetchFailureReason: unknown;
}): boolean {
    return fetchStatus === 'paused' || (fetchStatus === 'fetching' && hadNoAnswer(fetchFailureReason));
}
