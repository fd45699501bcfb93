import { Suspense, useEffect, useMemo, useState } from 'react';
import { Outlet } from 'react-router';
import { GuideContext, type Guide } from '../../shared/guide';
import { loaded } from '../../shared/loaded';

const KeysDialog = loaded(() => import('./KeysDialog').then((part) => part.KeysDialog));
const TourCard = loaded(() => import('./TourCard').then((part) => part.TourCard));

/** Everything inside can ask for the keys and words, and for a tour; a question mark opens the first anywhere. */
export function Guided() {
    const [isOpen, setOpen] = useState(false);
    const [tour, setTour] = useState<{ job: string; run: string } | null>(null);
    const guide = useMemo<Guide>(
        () => ({ help: () => setOpen(true), showRound: (job, run) => setTour({ job, run }) }),
        [],
    );
    useEffect(() => {
        const onKey = (event: KeyboardEvent): void => {
            const isTyping =
                event.target instanceof HTMLElement && event.target.closest('textarea, input, select, [role=dialog]');
            if (event.key === '?' && !isTyping) {
                event.preventDefault();
                setOpen(true);
            }
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, []);
    return (
        <GuideContext.Provider value={guide}>
            <Outlet />
            <Suspense fallback={null}>
                {isOpen && <KeysDialog onClose={() => setOpen(false)} />}
                {tour && <TourCard {...tour} onEnd={() => setTour(null)} />}
            </Suspense>
        </GuideContext.Provider>
    );
}
