import { t } from '@lingui/core/macro';
import type { JointMethod } from '../../api/types';
import { minutesInWords } from './times';

/** What cement takes as it gets warmer: how long it may be turned, is held, is left alone, and carries no water. */
export function ByTemperature({ method }: { method: JointMethod }) {
    if (method.by_temperature.length === 0) return null;
    const minutes = (value: number | null): string => (value === null ? t`no table says` : minutesInWords(value));
    const seconds = (value: number | null): string => (value === null ? t`no table says` : `${Math.round(value)} s`);
    return (
        <details className="by-temperature">
            <summary>{t`How long it takes, by temperature`}</summary>
            <table>
                <thead>
                    <tr>
                        <th scope="col">{t`Air or pipe, the colder`}</th>
                        <th scope="col">{t`Joined within`}</th>
                        <th scope="col">{t`Held`}</th>
                        <th scope="col">{t`Not moved`}</th>
                        <th scope="col">{t`No water`}</th>
                    </tr>
                </thead>
                <tbody>
                    {method.by_temperature.map((row) => (
                        <tr key={row.said} className={row.now ? 'lit' : undefined}>
                            <th scope="row">
                                {row.said} {row.now && <span className="cap">{t`entered`}</span>}
                            </th>
                            <td>{seconds(row.working_s)}</td>
                            <td>{seconds(row.hold_s)}</td>
                            <td>{minutes(row.set_min)}</td>
                            <td>{minutes(row.cure_min)}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <p className="cap">
                {t`Colder or hotter than that nothing is cemented. The label of the can goes before.`}{' '}
                {t`The weather is entered at Glue-up.`}
            </p>
        </details>
    );
}
