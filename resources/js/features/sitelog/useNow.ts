import { useEffect, useState } from 'react';

/** The time by the clock of the server, every second. */
export function useNow(ahead: number): number {
    const [now, setNow] = useState(() => Date.now());
    useEffect(() => {
        const timer = setInterval(() => setNow(Date.now()), 1_000);
        return () => clearInterval(timer);
    }, []);
    return now + ahead;
}
