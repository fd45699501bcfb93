import { t } from '@lingui/core/macro';
import type { Account } from '../api/types';

/** What somebody is in a crew, from the most to the least that they may. */
export const ROLES = ['owner', 'lead', 'plumber', 'apprentice', 'reader'] as const;
export type Role = (typeof ROLES)[number];

export function roleInWords(role: string): string {
    switch (role) {
        case 'owner':
            return t`owner`;
        case 'lead':
            return t`lead`;
        case 'plumber':
            return t`plumber`;
        case 'apprentice':
            return t`apprentice`;
        default:
            return t`reader`;
    }
}

/** What a role may, for whoever gives it. */
export function mayInWords(role: Role): string {
    switch (role) {
        case 'owner':
            return t`owner: all that a lead may, and who is in the crew`;
        case 'lead':
            return t`lead: invites, shares records, sets the crew's numbers`;
        case 'plumber':
            return t`plumber: archives and deletes jobs, too`;
        case 'apprentice':
            return t`apprentice: begins and changes jobs, notes what is done`;
        case 'reader':
            return t`reader: reads, and changes nothing`;
    }
}

const rank = (role: string): number => ROLES.length - ROLES.indexOf(role as Role);

/** Whether a role may what takes at least another. */
export const isAtLeast = (role: string, least: Role): boolean => rank(role) >= rank(least);

/** What somebody is in the crew that they work for; null: in none. */
export const roleNow = (account: Account | undefined): string | null =>
    account?.crews.find((crew) => crew.id === account.crew)?.role ?? null;

/** Whether somebody may what takes a role, where they work now. Whoever is in no crew is told when they try. */
export function mayNow(account: Account | undefined, least: Role): boolean {
    const role = roleNow(account);
    return role === null || isAtLeast(role, least);
}
