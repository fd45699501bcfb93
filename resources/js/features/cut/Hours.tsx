import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { HoursRow } from '../../api/types';
import { minutesInWords } from '../../drawing/day/times';
import type { JobEditor } from '../../editing';
import { Shape } from '../../shared/Shape';
import { HOUR, isOf, priced, PriceField } from '../lists';

/**
 * How many hours the job is, roughly, and what it comes to where the crew says what an hour costs. The minutes are the
 * crew's to change; each is kept in the job.
 */
export function Hours({ editor, rows, parts }: { editor: JobEditor; rows: HoursRow[]; parts: number | null }) {
    const minutes = rows.reduce((sum, row) => sum + row.minutes, 0);
    const rate = (editor.document.prices ?? []).find((one) => isOf(one, HOUR))?.each ?? null;
    const work = rate === null ? null : (rate * minutes) / 60;
    if (rows.length === 0) return null;
    return (
        <details className="hours">
            <summary>{t`Hours, roughly: ${minutesInWords(minutes)} for one`}</summary>
            <table>
                <tbody>
                    {rows.map((row) => (
                        <tr key={row.id}>
                            <td className="mk">{row.count}</td>
                            <td>
                                {row.what} {row.note && <span className="cap">{row.note}</span>}
                            </td>
                            <td className="mk">
                                <PriceField
                                    each={row.minutes_each}
                                    words={String}
                                    label={t`Minutes for one: ${row.what}`}
                                    onPrice={(each) => editor.change((old) => withMinutes(old, row.id, each))}
                                />{' '}
                                <span className="cap">
                                    {row.source.status === 'measured' ? t`min each, yours` : t`min each, assumed`}
                                </span>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <p className="say">
                <label>
                    {t`An hour of work costs`}{' '}
                    <PriceField
                        each={rate}
                        label={t`What an hour of work costs`}
                        onPrice={(each) => editor.change((old) => priced(old, HOUR, each))}
                    />
                </label>
            </p>
            {work !== null && (
                <p className="say">
                    <Trans>
                        The work comes to <b>{work.toFixed(2)}</b>
                    </Trans>
                    {parts !== null && (
                        <Trans>
                            , and with the parts that have a price to <b>{(work + parts).toFixed(2)}</b>
                        </Trans>
                    )}
                    .
                </p>
            )}
            <p className="cap">
                <Shape kind="note" size={15} />{' '}
                {t`The way there, waiting for cement and the test, walls that are opened and closed are not in it.`}
            </p>
        </details>
    );
}

/** The job with how long one of a kind of work takes; null: as the table has it. */
function withMinutes(document: JobEditor['document'], row: string, minutes: number | null): JobEditor['document'] {
    const all = document.overrides?.catalogue ?? [];
    const others = all.filter((one) => one.table !== 'hours' || one.row !== row);
    const mine = { table: 'hours', row, field: 'value', value: minutes ?? 0, source: t`our own time` };
    return {
        ...document,
        overrides: { ...document.overrides, catalogue: minutes === null ? others : [...others, mine] },
    };
}
