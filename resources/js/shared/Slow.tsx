import { t } from '@lingui/core/macro';
import { useSyncExternalStore } from 'react';
import { slow } from '../api/client';

/** Shows that something is on its way that somebody waits for longer than a second. */
export function Slow() {
    const isSlow = useSyncExternalStore(slow.subscribe, slow.snapshot);
    return isSlow ? <progress className="slow" aria-label={t`Asking the server`} /> : null;
}
