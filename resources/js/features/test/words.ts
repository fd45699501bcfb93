import { t } from '@lingui/core/macro';
import type { SiteTest, TestedSystem, TestFill, TestMethod, Units } from '../../api/types';
import { minutesInWords } from '../../drawing/day/times';
import type { ShapeKind } from '../../shared/Shape';
import { lengthInWords, runInWords, smallInWords } from '../../shared/lengths';
import { litresInWords, pressureInWords, US_OUNCE_ML, weightInWords } from '../../shared/quantities';
import { localClock } from '../../shared/localClock';
import { saidValue } from './gauge';

const STATES: Record<TestedSystem['state'], [ShapeKind, string]> = {
    'not-made': ['open', t`not all joined`],
    failed: ['stop', t`not tight`],
    waits: ['unknown', t`has to cure`],
    ready: ['open', t`ready to be tested`],
    running: ['open', t`under test`],
    passed: ['open', t`holds, to be looked at`],
    reopened: ['stop', t`to be tested again`],
    done: ['done', t`tested`],
};

/** How far the testing of pipes is. */
export const stateInWords = (state: TestedSystem['state']): { shape: ShapeKind; text: string } => ({
    shape: STATES[state][0],
    text: STATES[state][1],
});

/** How pipes are filled: where from, how much, how long, how heavy. */
export function fillInWords(fill: TestFill, units: Units): string {
    const volume = `${fill.litres_known ? '' : t`at least `}${litresInWords(fill.litres, units)}`;
    const where = fill.whole
        ? t`Fill from ${fill.where} until it runs over`
        : fill.standpipe
          ? t`Put ${runInWords(fill.standpipe.mm, units)} of standpipe on ${fill.where} and fill it`
          : t`Fill from ${fill.where}`;
    const long = minutesInWords(Math.max(1, fill.minutes));
    const high = runInWords(fill.above_lowest.mm, units);
    return (
        t`${where}:` +
        ' ' +
        t`${volume}, ${long} from the hose, ${weightInWords(fill.kg, units)} of water.` +
        ' ' +
        t`It stands ${high} above the lowest pipe.`
    );
}

/** What a book wants of a test, in a sentence. */
export function wantedInWords(method: TestMethod, units: Units): string {
    const wanted = [
        method.kind === 'peppermint' &&
            method.applied !== null &&
            t`${oilInWords(method.applied, units)} for each roof opening`,
        method.applied !== null &&
            method.kind === 'buried-air' &&
            t`pumped up to ${lengthInWords(method.applied, units)}`,
        method.required !== null && requiredInWords(method, units),
        method.stand_min > 0 && t`left for ${minutesInWords(method.stand_min)}`,
        method.minutes !== null && t`held for ${minutesInWords(method.minutes)}`,
        method.minutes !== null &&
            (method.loss_most > 0 ? t`at most ${saidLoss(method, units)} lost` : t`nothing lost`),
    ].filter(Boolean);
    return wanted.length === 0 ? t`The book gives no figure.` : `${wanted.join(', ')}.`;
}

const oilInWords = (ml: number, units: Units): string =>
    units === 'inch' ? `${Math.round(ml / US_OUNCE_ML)} oz` : `${Math.round(ml)} ml`;

const saidLoss = (method: TestMethod, units: Units): string =>
    method.unit === 'l' ? litresInWords(method.loss_most, units) : lengthInWords(method.loss_most, units);

function requiredInWords(method: TestMethod, units: Units): string {
    const required = method.required ?? 0;
    if (method.unit === 'kPa') return pressureInWords(required, units);
    const long = method.kind === 'water' || method.kind === 'top-up' ? runInWords : lengthInWords;
    const head = long(required, units);
    return method.kind === 'water' || method.kind === 'top-up'
        ? t`${head} of water above the highest joint, or up to the roof`
        : t`${head} on the water gauge`;
}

/** How a test stands. */
export function testInWords(test: SiteTest, method: TestMethod, units: Units): string {
    const until = test.until === null ? '' : t` until ${localClock(test.until)}`;
    const lost = Math.abs(test.loss) < 1e-9 ? t`nothing` : lossInWords(test.loss, method, units);
    switch (test.state) {
        case 'begun':
            return test.readings.length === 0 ? t`Begun. Bring it up, then read.` : t`Not up to what is wanted yet.`;
        case 'holding':
            return t`It has to hold${until}; lost so far: ${lost}.`;
        case 'read-now':
            return t`Its time is over: read once more.`;
        case 'passed':
            return method.unit === '' ? t`Passed.` : t`Passed: ${lost} lost.`;
        case 'unsteady':
            return unsteadyInWords(test.warmed_c ?? 0, method, units);
        case 'failed':
            return method.unit === '' ? t`Not passed.` : t`Not passed: ${lost} lost. Find where, and say so below.`;
        default:
            return t`Ended before its time.`;
    }
}

function unsteadyInWords(warmed: number, method: TestMethod, units: Units): string {
    const moved = saidValue(Math.abs(warmed) * (method.per_degree ?? 0), method, units);
    return (
        t`Not judged:` +
        ' ' +
        t`it got ${warmthInWords(warmed, units)}, which alone moves the gauge by about ${moved}.` +
        ' ' +
        t`Wait until it stays even, out of the sun, and begin anew.`
    );
}

/** By how much something got warmer or colder: `3 °F warmer`. */
function warmthInWords(celsius: number, units: Units): string {
    const degrees = Math.abs(units === 'inch' ? celsius * 1.8 : celsius);
    return `${Number(degrees.toFixed(1))} ${units === 'inch' ? '°F' : '°C'} ${celsius > 0 ? t`warmer` : t`colder`}`;
}

/** What warmth does to the gauge of a gas that is shut in; null where none is. */
export function warmthToo(method: TestMethod, units: Units): string | null {
    if (method.per_degree === null) return null;
    const perDegree = units === 'inch' ? method.per_degree / 1.8 : method.per_degree;
    return (
        t`One ${units === 'inch' ? '°F' : '°C'} warmer or colder moves this gauge by about ${saidValue(perDegree, method, units)} by itself:` +
        ' ' +
        t`read the temperature with it.`
    );
}

const lossInWords = (loss: number, method: TestMethod, units: Units): string =>
    method.kind === 'water' ? smallInWords(loss, units) : saidValue(loss, method, units);
