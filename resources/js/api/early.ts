/**
 * Questions that are asked before the interface is there: their answers come while its scripts are still on their way.
 */
import { ALWAYS } from './parts';

/** Whose answers this device keeps; where it is nobody, nobody is known to be signed in. */
export const OWNER = 'fall-bend.answers-of';

const asked = new Map<string, Promise<Response>>();

function ask(path: string): Promise<Response> {
    const answer = fetch(path, { credentials: 'same-origin', headers: { Accept: 'application/json' } });
    asked.set(path, answer);
    // Whoever takes it hears that it failed.
    answer.catch(() => undefined);
    return answer;
}

/** The address of a job with the parts of its evaluation that a screen shows first. */
export const pathOfJob = (id: string, parts: readonly string[]): string =>
    `/api/jobs/${id}?${new URLSearchParams({ want: [...new Set([...ALWAYS, ...parts])].join(',') }).toString()}`;

/** Asks who is signed in, and the rest at once where somebody was, else as soon as somebody is. */
export function askEarly(paths: readonly string[]): void {
    const session = ask('/api/session');
    const askRest = (): void => paths.forEach((path) => void ask(path));
    if (localStorage.getItem(OWNER) !== null) askRest();
    else
        session.then(
            (answer) => {
                if (answer.ok) askRest();
            },
            () => undefined,
        );
}

/** Gives the answer that is on its way to a question, once; undefined where none is. */
export function takeEarly(path: string): Promise<Response> | undefined {
    const answer = asked.get(path);
    asked.delete(path);
    return answer;
}
