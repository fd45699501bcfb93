import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { jobCsv, type JobList } from '../../api/queries';
import type { OfJob } from '../../api/types';
import { saveFile } from '../../shared/saveFile';
import { Problem } from '../../shared/Problem';

const LISTS: Record<JobList, string> = {
    cut: t`Cut list`,
    materials: t`What to buy`,
    joints: t`Joints`,
    hangers: t`Hangers`,
    levels: t`Level readings`,
    sticks: t`Sticks`,
};

/** Lists of the job as tables, each a file. */
export function TablesOut({ of, lists }: { of: OfJob; lists: JobList[] }) {
    const [problem, setProblem] = useState('');
    const save = async (list: JobList): Promise<void> => {
        setProblem('');
        const answer = await jobCsv(of, list);
        if (answer.ok) saveFile(answer.data, `${of.document.name} ${LISTS[list]}.csv`);
        else setProblem(answer.message);
    };
    return (
        <>
            <div className="acts tables-out">
                <span className="cap">{t`As a table (CSV):`}</span>
                {lists.map((list) => (
                    <button key={list} type="button" className="plain" onClick={() => void save(list)}>
                        {LISTS[list]}
                    </button>
                ))}
            </div>
            <Problem text={problem} />
        </>
    );
}
