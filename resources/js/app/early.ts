/** Runs before the interface is there: asks what its first screen will ask. */
import { askEarly, pathOfJob } from '../api/early';
import { partsShown } from '../shared/partsShown';

const [, jobs, id, runs, run, station = 'route'] = location.pathname.split('/');
const ofJob = (): string[] => {
    if (jobs !== 'jobs' || id === undefined) return [];
    const named = runs !== 'runs' || run === 'none' ? undefined : run;
    const view = new URLSearchParams(location.search).get('view') ?? 'run';
    const shown = { run: named, station, view, document: null, places: [], isWay: false };
    return [pathOfJob(id, named === undefined ? [] : partsShown(shown))];
};

if (!/^\/(shared|forgotten|reset|invited)(\/|$)/.test(location.pathname)) askEarly(['/api/choices', ...ofJob()]);
