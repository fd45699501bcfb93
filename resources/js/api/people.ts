import { queryOptions } from '@tanstack/react-query';
import { call } from './client';
import { orThrow } from './queries';
import type { Account, CrewPeople, Entrance, Invitation, OpenInvitation, SignedInDevice } from './types';

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
export const askForPassword = (email: string) => call<null>('POST', '/api/entrance/forgotten', { email });
export const resetPassword = (given: { email: string; token: string; password: string }) =>
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
export const invite = (crew: number, whom: string) =>
    call<{ invitation: Invitation; link: string }>('POST', `/api/crews/${crew}/invitations`, { for: whom });
export const withdrawInvitation = (crew: number, invitation: number) =>
    call<null>('DELETE', `/api/crews/${crew}/invitations/${invitation}`);
