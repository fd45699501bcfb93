import { queryOptions } from '@tanstack/react-query';
import { call, type Result } from './client';
import type { Account, Evaluated, Job, JobDocument, Tape } from './types';

/** A failed call, thrown where a query wants an error. */
export class CallFailed extends Error {
    constructor(
        readonly status: number,
        message: string,
    ) {
        super(message);
    }
}

async function orThrow<T>(result: Promise<Result<T>>): Promise<T> {
    const settled = await result;
    if (!settled.ok) throw new CallFailed(settled.status, settled.message);
    return settled.data;
}

export const accountQuery = queryOptions({
    queryKey: ['account'],
    queryFn: () => orThrow(call<Account>('GET', '/api/session')),
    retry: false,
    staleTime: Infinity,
});

export const jobsQuery = queryOptions({
    queryKey: ['jobs'],
    queryFn: async () => (await orThrow(call<{ jobs: Job[] }>('GET', '/api/jobs'))).jobs,
});

export const jobQuery = (id: string) =>
    queryOptions({
        queryKey: ['job', id],
        queryFn: () => orThrow(call<Job>('GET', `/api/jobs/${id}`)),
        retry: false,
        staleTime: 0,
        gcTime: 0,
        refetchOnWindowFocus: false,
    });

export const signIn = (email: string, password: string) => call<Account>('POST', '/api/session', { email, password });
export const signOut = () => call<null>('DELETE', '/api/session');
export const startJob = (given: { name: string; place: string; units: 'inch' | 'mm'; rulebook: string }) =>
    call<Job>('POST', '/api/jobs', given);
export const copyJob = (document: JobDocument) => call<Job>('POST', '/api/jobs', { document });
export const importJob = (text: string) => call<Job>('POST', '/api/jobs/import', { text });
export const keepJob = (id: string, from: number, gesture: string, document: JobDocument) =>
    call<Job>('PUT', `/api/jobs/${id}`, { from, gesture, document });
export const stepJob = (id: string, step: 'undo' | 'redo', from: number) => call<Job>('POST', `/api/jobs/${id}/${step}`, { from });
export const evaluate = (document: JobDocument, callOut?: { run: string; text: string }, signal?: AbortSignal) =>
    call<Evaluated>('POST', '/api/evaluate', callOut ? { document, call_out: callOut } : { document }, signal);
export const readLength = (text: string, units: 'inch' | 'mm') => call<Tape>('POST', '/api/length', { text, units });
