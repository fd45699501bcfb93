import { queryOptions } from '@tanstack/react-query';
import { call } from './client';
import { orThrow } from './queries';
import type {
    Account,
    AuditEntry,
    BegunSecondFactor,
    CrewPeople,
    Entrance,
    InstallationStatus,
    Invitation,
    OpenInvitation,
    SignedInDevice,
} from './types';

export interface NewPerson {
    name: string;
    email: string;
    password: string;
}

/** What is open to those who are not signed in. */
export const entranceQuery = queryOptions({
    queryKey: ['entrance'],
    queryFn: () => orThrow(call<Entrance>('GET', '/api/entrance')),
    retry: false,
    staleTime: 0,
});
export const makeFirstAccount = (person: NewPerson & { crew: string }) =>
    call<Account>('POST', '/api/entrance/first', person);
export const askToSignUp = (email: string) => call<null>('POST', '/api/entrance/sign-up', { email });
export const signUp = (letter: string, given: { name: string; password: string; crew: string }) =>
    call<Account>('POST', `/api/entrance/sign-up/${encodeURIComponent(letter)}`, given);
export const askForPassword = (email: string) => call<null>('POST', '/api/entrance/forgotten', { email });
/** `code`: of a second factor, where one is asked for */
export const resetPassword = (given: { email: string; token: string; password: string; code?: string }) =>
    call<Account>('POST', '/api/entrance/reset', given);

export const invitationQuery = (token: string) =>
    queryOptions({
        queryKey: ['invitation', token],
        queryFn: () => orThrow(call<OpenInvitation>('GET', `/api/invitations/${encodeURIComponent(token)}`)),
        retry: false,
        staleTime: Infinity,
    });
/** Joins with the account that is signed in, or with a new one. */
export const acceptInvitation = (token: string, person: NewPerson | null) =>
    call<Account>('POST', `/api/invitations/${encodeURIComponent(token)}`, person ?? {});

export const renameMe = (name: string) => call<Account>('PUT', '/api/account', { name });
export const changePassword = (current: string, password: string) =>
    call<null>('PUT', '/api/account/password', { current, password });
export const askForAddress = (current: string, email: string) =>
    call<null>('POST', '/api/account/address', { current, email });
/** Takes the address to which a letter went. */
export const takeAddress = (letter: string) =>
    call<Account>('PUT', `/api/account/address/${encodeURIComponent(letter)}`);
export const devicesQuery = queryOptions({
    queryKey: ['devices'],
    queryFn: async () => (await orThrow(call<{ devices: SignedInDevice[] }>('GET', '/api/account/devices'))).devices,
});
export const signOutElsewhere = () => call<null>('DELETE', '/api/account/devices');

export const startCrew = (name: string) => call<Account>('POST', '/api/crews', { name });
export const crewQuery = (crew: number) =>
    queryOptions({
        queryKey: ['crew', crew],
        queryFn: () => orThrow(call<CrewPeople>('GET', `/api/crews/${crew}`)),
    });
export const renameCrew = (crew: number, name: string) => call<Account>('PUT', `/api/crews/${crew}`, { name });
export const chooseCrew = (crew: number) => call<Account>('POST', `/api/crews/${crew}/choose`);
export const invite = (crew: number, whom: string, role: string) =>
    call<{ invitation: Invitation; link: string }>('POST', `/api/crews/${crew}/invitations`, { for: whom, role });
export const giveRole = (crew: number, person: number, role: string) =>
    call<null>('PUT', `/api/crews/${crew}/people/${person}`, { role });
export const takeOut = (crew: number, person: number) => call<null>('DELETE', `/api/crews/${crew}/people/${person}`);
export const leaveCrew = (crew: number) => call<Account>('DELETE', `/api/crews/${crew}/membership`);

const entries = async (path: string): Promise<AuditEntry[]> =>
    (await orThrow(call<{ entries: AuditEntry[] }>('GET', path))).entries;
/** What was done in a crew, or with one's own account. */
export const auditQuery = (crew: number | null) =>
    queryOptions({
        queryKey: ['audit', crew],
        queryFn: () => entries(crew === null ? '/api/account/audit' : `/api/crews/${crew}/audit`),
        staleTime: 0,
    });
export const statusQuery = queryOptions({
    queryKey: ['status'],
    queryFn: () => orThrow(call<InstallationStatus>('GET', '/api/status')),
    staleTime: 0,
});

export const beginSecondFactor = (current: string) =>
    call<BegunSecondFactor>('POST', '/api/account/second-factor', { current });
export const confirmSecondFactor = (code: string) =>
    call<{ codes: string[] }>('PUT', '/api/account/second-factor', { code });
export const endSecondFactor = (current: string) => call<null>('DELETE', '/api/account/second-factor', { current });
export const withdrawInvitation = (crew: number, invitation: number) =>
    call<null>('DELETE', `/api/crews/${crew}/invitations/${invitation}`);
