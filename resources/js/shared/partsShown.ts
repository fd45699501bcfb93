import { EVERY_RUN } from '../api/parts';
import type { JobDocument, RunPlace } from '../api/types';

interface Shown {
    run: string | undefined;
    station: string;
    /** the view of Route: the run, or one of those of the whole house */
    view: string;
    document: JobDocument | null;
    places: RunPlace[];
    /** whether the fall line is drawn to the end of the way */
    isWay: boolean;
}

/** Which parts of the evaluation a screen of a job shows. */
export function partsShown({ run, station, view, document, places, isWay }: Shown): string[] {
    const house =
        (run === undefined && !['joints', 'make-up'].includes(station)) || (station === 'route' && view !== 'run');
    return [
        ...(run === undefined ? [] : [`run:${run}`]),
        ...(house && station !== 'look' ? [EVERY_RUN, 'fixtures', 'pipes', 'crossings'] : []),
        ...(station === 'look' ? tiedTo(document) : []),
        ...(station === 'joints' ? ['singles'] : []),
        ...(station === 'cut' && run !== undefined ? [`cut:${run}`] : []),
        ...(isWay && run !== undefined ? ['pipes', ...alongTheWay(run, places)] : []),
    ];
}

/** The runs that tie to a standing pipe. */
function tiedTo(document: JobDocument | null): string[] {
    const ties = document?.runs.filter((run) => run.outlet.standing !== undefined || run.tie_in.standing !== undefined);
    return (ties ?? []).map((run) => `run:${run.id}`);
}

/** The runs that water comes through on its way to the end. */
function alongTheWay(from: string, places: RunPlace[]): string[] {
    const way: string[] = [];
    for (let id: string | null = from; id !== null && !way.includes(`run:${id}`);) {
        way.push(`run:${id}`);
        const place = places.find((one) => one.run === id);
        id = place && !place.rises ? place.into : null;
    }
    return way;
}
