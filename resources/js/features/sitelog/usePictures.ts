import { useQuery } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { accountQuery, sendPhotograph } from '../../api/queries';
import { browserPictures, Pictures, type PicturesState } from '../../editing';
import { logOf } from './useSiteLog';

const pictures = new Pictures({
    store: browserPictures,
    send: sendPhotograph,
    logOf,
    later: (what, ms) => void setTimeout(what, ms),
});

/** Pictures that were taken on this device and are not sent yet, whichever job they are of. */
export function usePictures(): { pictures: Pictures; state: PicturesState } {
    const state = useSyncExternalStore(pictures.subscribe, pictures.snapshot);
    const by = useQuery(accountQuery).data?.email;
    useEffect(() => {
        if (by !== undefined) pictures.signIn(by);
        const flush = (): void => void pictures.flush();
        window.addEventListener('online', flush);
        return () => window.removeEventListener('online', flush);
    }, [by]);
    return { pictures, state };
}
