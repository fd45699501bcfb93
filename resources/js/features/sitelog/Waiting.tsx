import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { SiteLog, SiteLogState } from '../../editing';
import { Shape } from '../../shared/Shape';

/** What the server does not have yet, and what it did not take. */
export function Waiting({ state, log }: { state: SiteLogState; log: SiteLog }) {
    const others = state.pending.filter((one) => !log.isMine(one));
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
            {state.pending.length > others.length && (
                <p role="status">
                    <Shape kind="unknown" size={17} /> {state.pending.length - others.length}{' '}
                    {state.pending.length - others.length === 1 ? t`entry is` : t`entries are`}{' '}
                    {state.isStored
                        ? t`kept on this device and not sent yet.`
                        : t`not sent yet, and there is no room on this device: leave this page open.`}
                </p>
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
