import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { choicesQuery } from '../api/queries';
import type { Choices } from '../api/types';

/** What there is to choose from in forms. Whatever uses it is shown once it is there. */
export function useChoices(): Choices {
    const { data } = useQuery(choicesQuery);
    if (!data) throw new Error(t`What there is to choose from was not fetched yet.`);
    return data;
}

/** A list of choices as keys with their names. */
export const pairs = (list: Choices['fixtures']): [string, string][] => list.map(({ key, name }) => [key, name]);
