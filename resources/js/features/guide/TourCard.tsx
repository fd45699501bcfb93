import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { STOPS } from './stops';

interface Props {
    job: string;
    run: string;
    onEnd: () => void;
}

/** Shows somebody round a job: one thing after another is pointed at, and a few words are said of it. */
export function TourCard({ job, run, onEnd }: Props) {
    const [n, setN] = useState(0);
    const stop = STOPS[n];
    const navigate = useNavigate();
    const next = useRef<HTMLButtonElement>(null);
    const at = usePlace(stop?.at ?? []);
    useEffect(() => {
        if (stop) void navigate(`/jobs/${job}/runs/${run}/${stop.station}`);
        next.current?.focus();
    }, [stop, job, run, navigate]);
    useEffect(() => {
        const onKey = (event: KeyboardEvent): void => {
            if (event.key === 'Escape') onEnd();
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, [onEnd]);
    if (!stop) return null;
    const isLast = n === STOPS.length - 1;
    return (
        <>
            {at && <div className="tour-ring" style={at} aria-hidden="true" />}
            <section className="tour" aria-label={t`Tour`} aria-live="polite">
                <p className="cap">{t`${n + 1} of ${STOPS.length}`}</p>
                <h2>{stop.title}</h2>
                <p>{stop.say}</p>
                <div className="acts">
                    <button type="button" className="plain" onClick={onEnd}>
                        {t`Leave the tour`}
                    </button>
                    <button type="button" className="plain" disabled={n === 0} onClick={() => setN(n - 1)}>
                        {t`Back`}
                    </button>
                    <button
                        type="button"
                        className="main-act"
                        ref={next}
                        onClick={() => (isLast ? onEnd() : setN(n + 1))}
                    >
                        {isLast ? t`Done` : t`Next`}
                    </button>
                </div>
            </section>
        </>
    );
}

/** Where on the screen the first of some things is that is there; it may come late, and move. */
function usePlace(selectors: string[]): { left: number; top: number; width: number; height: number } | null {
    const [at, setAt] = useState<{ left: number; top: number; width: number; height: number } | null>(null);
    const key = selectors.join(' ');
    useEffect(() => {
        const look = (): void => {
            const found = key
                .split(' ')
                .map((one) => document.querySelector(one))
                .find((one) => one !== null);
            const box = found?.getBoundingClientRect();
            setAt(box ? { left: box.left, top: box.top, width: box.width, height: box.height } : null);
        };
        look();
        const timer = window.setInterval(look, 300);
        return () => window.clearInterval(timer);
    }, [key]);
    return at;
}
