import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { SiteLog, SiteLogState } from '../../editing';
import { timeIn } from '../../shared/locale';
import { Shape } from '../../shared/Shape';
import { entryInWords } from './entryInWords';

/** What the server does not have yet, and what it did not take. */
export function Waiting({ state, log }: { state: SiteLogState; log: SiteLog }) {
    const others = state.pending.filter((one) => !log.isMine(one));
    const mine = state.pending.filter(log.isMine);
    return (
        <>
            {others.length > 0 && (
                <p role="status">
                    <Shape kind="unknown" size={17} />{' '}
                    <Trans>
                        Kept on this device until they sign in again:{' '}
                        {others.length === 1 ? t`an entry` : t`${others.length} entries`} of{' '}
                        {[...new Set(others.map((one) => one.by))].join(', ')}.
                    </Trans>
                </p>
            )}
            {mine.length > 0 && (
                <details className="waiting-list">
                    <summary>
                        <span role="status">
                            <Shape kind="unknown" size={17} /> {mine.length}{' '}
                            {mine.length === 1 ? t`entry is` : t`entries are`}{' '}
                            {state.isStored
                                ? t`kept on this device and not sent yet.`
                                : t`not sent yet, and there is no room on this device: leave this page open.`}
                        </span>
                    </summary>
                    <ol>
                        {mine.map((one) => (
                            <li key={one.key}>
                                <span className="cap">
                                    {timeIn(new Date(one.at).toISOString(), { hour: '2-digit', minute: '2-digit' })}
                                </span>{' '}
                                {entryInWords(one)}
                            </li>
                        ))}
                    </ol>
                </details>
            )}
            {state.refused.map((one) => (
                <p key={one.key} role="alert">
                    <Shape kind="stop" size={17} />{' '}
                    <Trans>
                        {one.joint === undefined ? t`An entry` : t`Joint ${one.joint}`} was not taken: {one.why}
                    </Trans>{' '}
                    <button type="button" className="plain small" onClick={() => log.forget(one.key)}>
                        {t`I have seen it`}
                    </button>
                </p>
            ))}
        </>
    );
}
