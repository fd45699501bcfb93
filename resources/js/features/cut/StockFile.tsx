import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { systemsQuery } from '../../api/queries';
import type { JobEditor } from '../job/useJobEditor';
import { readStock } from './stockCsv';

/** Takes in a list of sticks and offcuts as a table, in place of those entered for the same job. */
export function StockFile({ editor }: { editor: JobEditor }) {
    const systems = useQuery(systemsQuery).data?.systems ?? [];
    const [problems, setProblems] = useState<string[]>([]);
    const [taken, setTaken] = useState<number | null>(null);
    const take = async (file: File | undefined): Promise<void> => {
        if (!file) return;
        const { stock, problems: found } = readStock(await file.text(), systems);
        setProblems(found);
        setTaken(found.length === 0 ? stock.length : null);
        if (found.length === 0) editor.change((document) => ({ ...document, cutting: { ...document.cutting, stock } }));
    };
    return (
        <div className="stock-file">
            <label className="choice">
                <span className="cap">Take in a list of sticks and offcuts (CSV)</span>
                <input
                    type="file"
                    accept=".csv,text/csv"
                    onChange={(event) => {
                        void take(event.target.files?.[0]);
                        event.target.value = '';
                    }}
                />
            </label>
            {taken !== null && <p role="status">{taken} taken in.</p>}
            {problems.length > 0 && (
                <div className="problem" role="alert">
                    Nothing was taken in.
                    <ul>
                        {problems.slice(0, 8).map((problem) => (
                            <li key={problem}>{problem}</li>
                        ))}
                        {problems.length > 8 && <li>and {problems.length - 8} more</li>}
                    </ul>
                </div>
            )}
        </div>
    );
}
