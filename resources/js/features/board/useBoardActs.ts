import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { reasonOf, type Result } from '../../api/client';
import { archiveJob, deleteJob, putJobBack, type BoardAsked } from '../../api/queries';
import type { JobRow } from '../../api/types';

/** What was just done with a job, and how it is undone. */
export interface Done {
    text: string;
    undo: (() => Promise<void>) | null;
}

/** Takes jobs off the board and puts them back; says what was done, and why something was not. */
export function useBoardActs(shelf: BoardAsked['shelf']) {
    const client = useQueryClient();
    const [done, setDone] = useState<Done | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const act = async (job: JobRow, asked: Promise<Result<null>>, text: string, undo: Done['undo']): Promise<void> => {
        setProblem(null);
        setDone(null);
        const result = await asked;
        if (result.ok) setDone({ text, undo });
        else setProblem(`${job.name}: ${reasonOf(result)}`);
        await client.invalidateQueries({ queryKey: ['jobs'] });
    };
    const putBack = (job: JobRow): Promise<void> =>
        act(job, putJobBack(job.id), t`“${job.name}” stands on the board again.`, null);
    const archive = (job: JobRow): Promise<void> =>
        act(job, archiveJob(job.id), t`“${job.name}” is archived: it stands under Archived.`, () => putBack(job));
    const archiveAgain = (job: JobRow): Promise<void> =>
        act(
            job,
            putJobBack(job.id).then((back) => (back.ok ? archiveJob(job.id) : back)),
            t`“${job.name}” is archived.`,
            null,
        );
    const remove = (job: JobRow): Promise<void> =>
        act(
            job,
            deleteJob(job.id),
            t`“${job.name}” is deleted. For 30 days it stands under Deleted, and can be put back.`,
            () => (shelf === 'archived' ? archiveAgain(job) : putBack(job)),
        );
    return { shelf, done, problem, putBack, archive, remove };
}

export type BoardActs = ReturnType<typeof useBoardActs>;
