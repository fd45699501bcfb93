import { t } from '@lingui/core/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { clearDevice, onThisDevice } from '../../api/takenAlong';
import { accountQuery } from '../../api/queries';
import { browserStorage, jobsWithWaiting } from '../../editing';
import { LeftHere } from '../sitelog';
import { Trans } from '@lingui/react/macro';

/** What is kept on this device to be read without a connection, how large it is, and a way to clear it. */
export function OnThisDevice() {
    const client = useQueryClient();
    const kept = useQuery({ queryKey: ['device'], queryFn: onThisDevice, staleTime: 0 });
    const clear = async (job?: string): Promise<void> => {
        await clearDevice(job);
        await client.invalidateQueries({ queryKey: ['device'] });
    };
    const by = useQuery(accountQuery).data?.email;
    const jobs = kept.data?.jobs ?? [];
    return (
        <section aria-label={t`On this device`}>
            <h2>{t`On this device`}</h2>
            <p className="say">
                {t`Kept here to be read without a connection. What waits to be sent is kept apart, and stays.`}
            </p>
            {jobs.map(({ job, name, bytes }) => (
                <p key={job} className="kept-job">
                    {name ?? t`a job that is gone`} <span className="cap">{sizeOf(bytes)}</span>{' '}
                    <button
                        type="button"
                        className="plain small"
                        aria-label={t`Take it off: ${name ?? job}`}
                        onClick={() => void clear(job)}
                    >
                        {t`Take it off`}
                    </button>
                </p>
            ))}
            {by !== undefined &&
                jobsWithWaiting(browserStorage()).map((job) => (
                    <LeftHere key={job} job={job} name={jobs.find((one) => one.job === job)?.name ?? null} by={by} />
                ))}
            <p className="cap">
                {kept.data === null ? (
                    t`This browser keeps nothing.`
                ) : (
                    <Trans>In all {sizeOf(kept.data?.bytes ?? 0)}.</Trans>
                )}
            </p>
            <button type="button" className="plain" onClick={() => void clear()}>
                {t`Take everything off this device`}
            </button>
        </section>
    );
}

/** A size in kilobytes or megabytes. */
export const sizeOf = (bytes: number): string =>
    bytes < 1_000_000 ? `${Math.ceil(bytes / 1_000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
