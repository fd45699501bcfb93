import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { statusQuery } from '../../api/people';
import { localClock } from '../../shared/localClock';
import { Problem } from '../../shared/Problem';
import { Shape } from '../../shared/Shape';

const MEGABYTE = 1_048_576;

/** How the installation is, for those who look after a crew: whether it takes writes, letters, backups. */
export function Installation() {
    const status = useQuery(statusQuery);
    const { data } = status;
    return (
        <section aria-label={t`This installation`}>
            <h2>{t`This installation`}</h2>
            {status.isError && <Problem text={status.error.message} />}
            {data && (
                <>
                    <ul>
                        <Line isGood={data.letters_failed === 0}>
                            {t`Letters: ${data.letters_waiting} wait, ${data.letters_failed} failed`}
                        </Line>
                        {data.checks.map(({ name, ok, says }) => (
                            <Line key={name} isGood={ok}>{`${checkInWords(name)}: ${says}`}</Line>
                        ))}
                        <Line isGood={!data.backup_is_late}>
                            {data.backup_is_late
                                ? t`No backup since yesterday: bin/backup takes one`
                                : t`Backups are taken`}
                        </Line>
                    </ul>
                    <ul>
                        {data.backups.map(({ kind, taken_at, bytes, verified_at }) => (
                            <li key={taken_at}>
                                <span className="cap">{localClock(taken_at)}</span>{' '}
                                {kind === 'whole' ? t`whole` : t`what was written since`}{' '}
                                {t`${(bytes / MEGABYTE).toFixed(1)} MB`}{' '}
                                {verified_at !== null && t`restored to try it at ${localClock(verified_at)}`}
                            </li>
                        ))}
                    </ul>
                    <p className="cap">{t`Fall Bend ${data.version}`}</p>
                </>
            )}
        </section>
    );
}

function Line({ isGood, children }: { isGood: boolean; children: string }) {
    return (
        <li>
            <Shape kind={isGood ? 'done' : 'stop'} size={14} /> {children}
        </li>
    );
}

function checkInWords(name: string): string {
    switch (name) {
        case 'database':
            return t`Database`;
        case 'disk':
            return t`Disk`;
        case 'clock':
            return t`Clock`;
        default:
            return t`Queue`;
    }
}
