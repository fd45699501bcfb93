import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { amendmentsQuery } from '../api/queries';
import type { Amendments, JobDocument } from '../api/types';
import { useChoices } from './useChoices';

/** A book that a job can be judged by, as it stands or with what is otherwise in a place. */
export interface Book {
    key: string;
    name: string;
    rulebook: JobDocument['rulebook'];
    amendments?: Amendments;
}

const AMENDED = 'amended ';

/** All books, then those with what the crew knows to be otherwise; and the one of a job, whoever amended it. */
export function useBooks(of?: JobDocument): Book[] {
    const { rulebooks } = useChoices();
    const { data } = useQuery(amendmentsQuery);
    const usable = (data ?? []).filter((one) => one.unusable === null).map((one) => one.amendments);
    const own = of?.amendments;
    // What a job has taken along is as it was then, whatever the crew keeps now.
    const amended = own ? [own, ...usable.filter((one) => one.name !== own.name)] : usable;
    const named = (key: string): string => rulebooks.find((book) => book.key === key)?.name ?? key;
    return [
        ...rulebooks.map(({ key, name }): Book => ({ key, name, rulebook: key as Book['rulebook'] })),
        ...amended.map((amendments): Book => ({
            key: `${AMENDED}${amendments.name}`,
            name: t`${named(amendments.rulebook)} with ${amendments.name}`,
            rulebook: amendments.rulebook as Book['rulebook'],
            amendments,
        })),
    ];
}

/** The key of the book that a job is judged by. */
export const bookOf = (document: JobDocument): string =>
    document.amendments ? `${AMENDED}${document.amendments.name}` : document.rulebook;

/** The job judged by another of them. */
export function judgedBy(document: JobDocument, { rulebook, amendments }: Book): JobDocument {
    const { amendments: before, ...rest } = document;
    void before;
    return { ...rest, rulebook, ...(amendments && { amendments: { ...amendments, rulebook } }) };
}
