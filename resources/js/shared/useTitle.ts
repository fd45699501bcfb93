import { useEffect } from 'react';

/** What the tab of the browser says: of tabs beside one another the beginning is what tells them apart. */
export function useTitle(...parts: (string | undefined)[]): void {
    const title = [...parts.filter(Boolean), 'Fall Bend'].join(' · ');
    useEffect(() => {
        document.title = title;
    }, [title]);
}
