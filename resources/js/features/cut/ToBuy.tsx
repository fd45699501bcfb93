import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { materialsQuery } from '../../api/queries';
import type { CuttingReport, MaterialRow } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { useTicks } from '../../shared/useTicks';
import type { JobEditor } from '../../editing';
import { TableIn, TablesOut } from '../lists';
import { CrewPrices } from '../lists';
import { PriceField } from '../lists';
import { Hours } from './Hours';
import { beforeName, eachInWords, ofRow, priced, priceName, takesPrice } from '../lists';

const SHELVES: Record<MaterialRow['shelf'], string> = {
    'left-out': t`Left out: not known yet`,
    pipe: t`Pipe`,
    fitting: t`Fittings`,
    end: t`At the ends`,
    coupling: t`Couplings and adapters`,
    consumable: t`Consumables`,
    hanger: t`Hangers`,
    tool: t`Tools that the joints want`,
    along: t`For the place and for you`,
};

/**
 * All that the job takes, by shelf, with what is easily mistaken for something else; and every list of the job as a
 * table.
 */
export function ToBuy({ editor, pipes }: { editor: JobEditor; pipes: CuttingReport['groups'] }) {
    const materials = useQuery(materialsQuery(editor.ofJob, editor.site.version)).data;
    const [isPricing, setPricing] = useState(false);
    const [isLoading, setLoading] = useState(false);
    const { ticked, toggle, clear } = useTicks(`van ${editor.job.id}`);
    const rows = (materials?.rows ?? []).filter((row) => isLoading || row.shelf !== 'along');
    const toLoad = rows.filter((row) => row.shelf !== 'left-out');
    const setPrice = (row: MaterialRow, each: number | null): void =>
        editor.change((document) => priced(document, ofRow(row), each));
    const field = (row: MaterialRow) =>
        isPricing && takesPrice(row, editor.document) ? (
            <PriceField
                each={row.each}
                label={t`Price of one, ${priceName(ofRow(row))}`}
                onPrice={(each) => setPrice(row, each)}
            />
        ) : null;
    return (
        <section className="to-buy" aria-label={t`What to buy`}>
            <h2>{t`What to buy, for the whole job`}</h2>
            {isLoading && (
                <p className="say" role="status">
                    {t`${toLoad.filter((row) => ticked.has(keyOf(row))).length} of ${toLoad.length} in the van.`}
                </p>
            )}
            {materials && <Shelves rows={rows} field={field} ticks={isLoading ? { ticked, toggle } : null} />}
            {materials?.total != null && (
                <p className="say">
                    <Trans>
                        Where a price is kept: <b>{materials.total.toFixed(2)}</b> in all.
                    </Trans>
                </p>
            )}
            <div className="acts">
                <button type="button" className="plain" aria-pressed={isPricing} onClick={() => setPricing(!isPricing)}>
                    {isPricing ? t`Done with prices` : t`Enter prices`}
                </button>
                <button type="button" className="plain" aria-pressed={isLoading} onClick={() => setLoading(!isLoading)}>
                    {isLoading ? t`Done with the van` : t`Tick off what is in the van`}
                </button>
                {isLoading && (
                    <button type="button" className="plain" disabled={ticked.size === 0} onClick={clear}>
                        {t`Clear the ticks`}
                    </button>
                )}
            </div>
            {materials && <Hours editor={editor} rows={materials.hours} parts={materials.total} />}
            {isPricing && materials && <CrewPrices editor={editor} rows={materials.rows} pipes={pipes} />}
            <TablesOut of={editor.ofJob} lists={['cut', 'materials', 'joints', 'sticks']} />
            <TableIn editor={editor} />
        </section>
    );
}

/** Shelves of things that are counted: of a tool there is one. */
const COUNTED = new Set<MaterialRow['shelf']>(['pipe', 'fitting', 'end', 'coupling', 'consumable', 'hanger']);

const keyOf = (row: MaterialRow): string => `${row.shelf} ${row.what} ${row.size} ${row.letters}`;

interface ShelvesProps {
    rows: MaterialRow[];
    field: (row: MaterialRow) => ReactNode;
    /** null where nothing is ticked off */
    ticks: Pick<ReturnType<typeof useTicks>, 'ticked' | 'toggle'> | null;
}

function Shelves({ rows, field, ticks }: ShelvesProps) {
    return (
        <div className="shelves">
            {(Object.keys(SHELVES) as MaterialRow['shelf'][]).map((shelf) => {
                const of = rows.filter((row) => row.shelf === shelf);
                return of.length === 0 ? null : (
                    <table key={shelf} className={shelf === 'left-out' ? 'left-out' : undefined}>
                        <caption>
                            {shelf === 'left-out' && <Shape kind="warn" size={16} />} {SHELVES[shelf]}
                        </caption>
                        <tbody>
                            {of.map((row) => (
                                <tr key={`${row.what} ${row.size} ${row.letters}`}>
                                    <td className="mk">
                                        {ticks && shelf !== 'left-out' && (
                                            <input
                                                type="checkbox"
                                                aria-label={t`In the van: ${priceName(ofRow(row))}`}
                                                checked={ticks.ticked.has(keyOf(row))}
                                                onChange={() => ticks.toggle(keyOf(row))}
                                            />
                                        )}
                                        {COUNTED.has(shelf) && row.count}
                                    </td>
                                    <td>
                                        <b>{beforeName(ofRow(row))}</b> {row.what}
                                        {row.maker && row.maker !== row.what && (
                                            <span className="cap"> {row.maker}</span>
                                        )}
                                        {row.note && (
                                            <span className="cap">
                                                {' '}
                                                {shelf === 'pipe' && <Shape kind="warn" size={13} />} {row.note}
                                            </span>
                                        )}
                                    </td>
                                    <td className="mk">
                                        {field(row)}
                                        {row.price !== null && row.price.toFixed(2)}
                                        {row.each !== null && row.count > 1 && (
                                            <span className="cap"> {t`${eachInWords(row.each)} each`}</span>
                                        )}
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                );
            })}
        </div>
    );
}
