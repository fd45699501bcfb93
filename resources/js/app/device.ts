import { keptBy } from '../api/client';

/**
 * What makes a page work where there is no connection: answers that this device keeps, and the worker that opens the
 * application. Both come after what is shown first; an answer that is missing before waits for them.
 */
export function workWithoutConnection(): void {
    keptBy(import('../api/deviceAnswers').then(({ openKeeper }) => openKeeper()).catch(() => null));
    if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
    const register = (): void => void navigator.serviceWorker.register('/worker.js').catch(() => undefined);
    if (document.readyState === 'complete') register();
    else window.addEventListener('load', register);
}
