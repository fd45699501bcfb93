import type { BoardAsked } from '../../api/queries';
import { useAddressed } from '../../shared/useAddressed';

const NONE: Record<keyof BoardAsked, string> = {
    shelf: 'open',
    search: '',
    station: '',
    person: '',
    project: '',
    order: 'kept',
};

/** What is asked of the board stands in the address: it can be sent, and Back goes back to another shelf. */
export function useBoardAsked() {
    const [said, say] = useAddressed(NONE);
    const asked: BoardAsked = {
        ...said,
        shelf: said.shelf === 'archived' || said.shelf === 'deleted' ? said.shelf : 'open',
        order: said.order === 'name' ? 'name' : 'kept',
    };
    const ask = (change: Partial<BoardAsked>): void => say(change, change.shelf !== undefined);
    const isFiltered = asked.search !== '' || asked.station !== '' || asked.person !== '' || asked.project !== '';
    return { asked, ask, isFiltered };
}
