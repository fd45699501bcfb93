import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { jobCsv, materialsQuery, type JobList } from '../../api/queries';
import type { JobDocument, MaterialRow } from '../../api/types';
import { Shape } from '../../drawing/Shape';
import { saveFile } from '../../shared/saveFile';

const SHELVES: Record<MaterialRow['shelf'], string> = {
    pipe: 'Pipe',
    fitting: 'Fittings',
    coupling: 'Couplings and adapters',
    consumable: 'Used up',
    hanger: 'Hangers',
    tool: 'Tools that the joints want',
};

const LISTS: Record<JobList, string> = {
    cut: 'Cut list',
    materials: 'What to buy',
    joints: 'Joints',
    hangers: 'Hangers',
    sticks: 'Sticks',
};

/** All that the job takes, by shelf, with what is easily mistaken for something else; and every list of the job as a table. */
export function ToBuy({ document }: { document: JobDocument }) {
    const materials = useQuery(materialsQuery(document)).data;
    const [problem, setProblem] = useState('');
    const save = async (list: JobList): Promise<void> => {
        setProblem('');
        const answer = await jobCsv(document, list);
        if (answer.ok) saveFile(answer.data, `${document.name} ${LISTS[list]}.csv`);
        else setProblem(answer.message);
    };
    return (
        <section className="to-buy" aria-label="What to buy">
            <h2>What to buy, for the whole job</h2>
            {materials && <Shelves rows={materials.rows} />}
            {materials?.total != null && (
                <p className="say">
                    Where a price is kept: <b>{materials.total.toFixed(2)}</b> in all.
                </p>
            )}
            <div className="acts">
                <span className="cap">As a table (CSV):</span>
                {(Object.keys(LISTS) as JobList[]).map((list) => (
                    <button key={list} type="button" className="plain" onClick={() => void save(list)}>
                        {LISTS[list]}
                    </button>
                ))}
            </div>
            {problem && (
                <p className="problem" role="alert">
                    {problem}
                </p>
            )}
        </section>
    );
}

function Shelves({ rows }: { rows: MaterialRow[] }) {
    return (
        <>
            {(Object.keys(SHELVES) as MaterialRow['shelf'][]).map((shelf) => {
                const of = rows.filter((row) => row.shelf === shelf);
                return of.length === 0 ? null : (
                    <table key={shelf}>
                        <caption>{SHELVES[shelf]}</caption>
                        <tbody>
                            {of.map((row) => (
                                <tr key={`${row.what} ${row.size} ${row.letters}`}>
                                    <td className="mk">{shelf === 'tool' ? '' : row.count}</td>
                                    <td>
                                        <b>
                                            {row.letters} {row.size}
                                        </b>{' '}
                                        {row.what}
                                        {row.maker && row.maker !== row.what && <span className="cap"> {row.maker}</span>}
                                        {row.note && (
                                            <span className="cap">
                                                {' '}
                                                {shelf === 'pipe' && <Shape kind="warn" size={13} />} {row.note}
                                            </span>
                                        )}
                                    </td>
                                    <td className="mk">{row.price === null ? '' : row.price.toFixed(2)}</td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                );
            })}
        </>
    );
}
