import type { JobDocument } from '../api/types';

/** Where a run meets another: what is wrong there is said of the run. */
const MEETS = /^runs\.(\d+)\.(?:outlet|tie_in)\.(?:branch\.leg|branch\.run|run)$/;

/** What was refused, in words: `Flat stack enters House drain on a leg that is not there`. */
export function refusalInWords(
    { message, errors }: { message: string; errors: Record<string, string[]> },
    document: JobDocument,
): string {
    const [field = '', reasons = []] = Object.entries(errors)[0] ?? [];
    const run = document.runs[Number(MEETS.exec(field)?.[1] ?? -1)];
    return run && reasons[0] ? `${run.name} ${reasons[0]}.` : message;
}
