import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { evaluate, systemsQuery } from '../../api/queries';
import type { JobEditor } from '../../editing';
import { takeIn } from './takeIn';

const SHOWN = 8;

/**
 * Takes in a table of the job: which one it is, its columns say. What is wrong in it is said by its row, and then
 * nothing is taken in.
 */
export function TableIn({ editor }: { editor: JobEditor }) {
    const systems = useQuery(systemsQuery).data?.systems ?? [];
    const [problems, setProblems] = useState<string[]>([]);
    const [said, setSaid] = useState('');
    const take = async (file: File | undefined): Promise<void> => {
        if (!file) return;
        setSaid('');
        const [text, evaluation] = [await file.text(), editor.evaluation];
        const { site } = editor;
        const taken = takeIn(text, { document: editor.document, site, evaluation, systems });
        // What the rules of a job file refuse is found out before anything is changed.
        const answer = taken.problems.length > 0 ? null : await evaluate(editor.job.id, taken.document);
        if (answer?.ok) {
            // Into the job as it is now: what was done meanwhile stays.
            editor.change((document) => takeIn(text, { document, site, evaluation, systems }).document);
            if (taken.happened.length > 0) editor.happened(taken.happened);
            setSaid(t`${taken.count} taken in: ${taken.list}.`);
        }
        setProblems(answer && !answer.ok ? [answer.message] : taken.problems);
    };
    return (
        <div className="table-in">
            <label className="choice">
                <span className="cap">
                    {t`Take in a table (CSV): cut list, sticks, prices, joints, hangers or level readings`}
                </span>
                <input
                    type="file"
                    accept=".csv,text/csv"
                    onChange={(event) => {
                        void take(event.target.files?.[0]);
                        event.target.value = '';
                    }}
                />
            </label>
            {said !== '' && <p role="status">{said}</p>}
            {problems.length > 0 && (
                <div className="problem" role="alert">
                    {t`Nothing was taken in.`}
                    <ul>
                        {problems.slice(0, SHOWN).map((problem) => (
                            <li key={problem}>{problem}</li>
                        ))}
                        {problems.length > SHOWN && <li>{t`and ${problems.length - SHOWN} more`}</li>}
                    </ul>
                </div>
            )}
        </div>
    );
}
