import { useSearchParams } from 'react-router';
import type { BoardAsked } from '../../api/queries';

const NONE: BoardAsked = { shelf: 'open', search: '', station: '', person: '', order: 'kept' };

/** What is asked of the board stands in the address: it can be sent, and Back goes back to it. */
export function useBoardAsked() {
    const [search, setSearch] = useSearchParams();
    const said = (key: keyof BoardAsked): string => search.get(key) ?? NONE[key];
    const asked: BoardAsked = {
        shelf: said('shelf') as BoardAsked['shelf'],
        search: said('search'),
        station: said('station'),
        person: said('person'),
        order: said('order') as BoardAsked['order'],
    };
    if (!['open', 'archived', 'deleted'].includes(asked.shelf)) asked.shelf = NONE.shelf;
    if (asked.order !== 'name') asked.order = NONE.order;
    const ask = (change: Partial<BoardAsked>): void => {
        const next = Object.entries({ ...asked, ...change }).filter(
            ([key, value]) => value !== NONE[key as keyof BoardAsked],
        );
        setSearch(Object.fromEntries(next), { replace: change.shelf === undefined });
    };
    const isFiltered = asked.search !== '' || asked.station !== '' || asked.person !== '';
    return { asked, ask, isFiltered };
}
