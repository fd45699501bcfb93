import { t } from '@lingui/core/macro';
import type { CrewPrices, JobCutting, JobDocument, KeptPrices, MaterialRow } from '../../api/types';
import { HOUR, isOf, ofRow, priced, takesPrice } from './prices';

type Stick = KeptPrices['sticks'][number];
type Stock = NonNullable<JobCutting['stock']>[number];
type Pipe = Pick<Stick, 'system' | 'size'>;

/** How many prices are new where they go, and how many stand in place of another. */
export interface Tally {
    fresh: number;
    other: number;
}

type News = keyof Tally | null;

const SAME_MM = 0.5;
const SAME_PRICE = 0.005;

const isSameStick = (one: Omit<Stick, 'price'>, other: Omit<Stick, 'price'>): boolean =>
    one.system === other.system && one.size === other.size && Math.abs(one.length_mm - other.length_mm) < SAME_MM;

function newsOf(now: number, was: number | undefined): News {
    if (was === undefined) return 'fresh';
    return Math.abs(was - now) < SAME_PRICE ? null : 'other';
}

const tally = (news: News[]): Tally => ({
    fresh: news.filter((one) => one === 'fresh').length,
    other: news.filter((one) => one === 'other').length,
});

/** How many there are, in words: `2 new, 1 other`; nothing where there is none. */
export const tallyInWords = ({ fresh, other }: Tally): string =>
    [fresh > 0 ? t`${fresh} new` : '', other > 0 ? t`${other} other` : ''].filter((word) => word !== '').join(', ');

/** Whether it can be bought: what lies in the van was. */
const isSold = (row: Stock): boolean => row.available === undefined;
const sold = (document: JobDocument): Stock[] => (document.cutting?.stock ?? []).filter(isSold);

/**
 * The job with the crew's prices of what it takes: of things whose price is kept by itself, and of the sticks of its
 * pipes.
 */
export function withCrewPrices(
    document: JobDocument,
    crew: CrewPrices,
    rows: MaterialRow[],
    pipes: Pipe[],
): Tally & { document: JobDocument } {
    const things = [...rows.filter((row) => takesPrice(row, document)).map(ofRow), HOUR];
    const prices = crew.prices.filter((price) => things.some((thing) => isOf(price, thing)));
    const sticks = crew.sticks.filter((stick) =>
        pipes.some((pipe) => pipe.system === stick.system && pipe.size === stick.size),
    );
    const news = [
        ...prices.map((price) => newsOf(price.each, (document.prices ?? []).find((one) => isOf(one, price))?.each)),
        ...sticks.map((stick) => newsOf(stick.price, sold(document).find((row) => isSameStick(row, stick))?.price)),
    ];
    const withThings = prices.reduce(
        (job, { what, size, pipe, each }) => priced(job, { what, size, pipe }, each),
        document,
    );
    return { ...tally(news), document: sticks.length === 0 ? withThings : withSticks(withThings, sticks) };
}

function withSticks(document: JobDocument, sticks: Stick[]): JobDocument {
    const stock = (document.cutting?.stock ?? []).map((row) => {
        const stick = isSold(row) ? sticks.find((one) => isSameStick(one, row)) : undefined;
        return stick ? { ...row, price: stick.price } : row;
    });
    const missing = sticks.filter((stick) => !sold(document).some((row) => isSameStick(row, stick)));
    const added = missing.map(({ system, size, length_mm, price }) => ({ system, size, length_mm, price }));
    return { ...document, cutting: { ...document.cutting, stock: [...stock, ...added] } };
}

/** The prices of a job that the crew keeps otherwise, or not yet: of things, and of sticks that can be bought. */
export function forCrew(document: JobDocument, crew: CrewPrices): Tally & KeptPrices {
    const prices = (document.prices ?? []).map((price) => ({
        price: { what: price.what, size: price.size ?? '', pipe: price.pipe ?? '', each: price.each },
        news: newsOf(price.each, crew.prices.find((one) => isOf(price, one))?.each),
    }));
    const sticks = sold(document).flatMap(({ system, size, length_mm, price }) => {
        if (price === undefined) return [];
        const stick = { system, size, length_mm, price };
        return [{ stick, news: newsOf(price, crew.sticks.find((one) => isSameStick(one, stick))?.price) }];
    });
    return {
        ...tally([...prices, ...sticks].map((one) => one.news)),
        prices: prices.filter((one) => one.news !== null).map((one) => one.price),
        sticks: sticks.filter((one) => one.news !== null).map((one) => one.stick),
    };
}
