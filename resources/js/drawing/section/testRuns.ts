import { execFileSync } from 'node:child_process';
import type { Evaluated, RunReport } from '../../api/types';

/** Runs called out by chance and evaluated by the core itself: what the drawings must hold up at. */
export function evaluatedRuns(seed: number, count: number): RunReport[] {
    const output = execFileSync('php', ['tests/Generate/runs.php', String(seed), String(count)], {
        maxBuffer: 1 << 28,
        encoding: 'utf8',
    });
    return (JSON.parse(output) as Evaluated['evaluation'][]).flatMap((evaluation) => evaluation.runs);
}

/** A job of the demo, evaluated by the core itself. */
export function evaluatedJob(name: string): Evaluated {
    const output = execFileSync('php', ['tests/Generate/job.php', `database/demo/${name}.json`], {
        maxBuffer: 1 << 28,
        encoding: 'utf8',
    });
    return JSON.parse(output) as Evaluated;
}
