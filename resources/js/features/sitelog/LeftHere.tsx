import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { browserStorage, waitingOf, type Pending } from '../../editing';
import { saveFile } from '../../shared/saveFile';
import { Shape } from '../../shared/Shape';
import { entryInWords } from './entryInWords';

interface Props {
    job: string;
    /** how the job is called, where that is known */
    name?: string | null;
    /** who is signed in: what somebody else said here is theirs */
    by: string;
}

/**
 * What somebody said of a job on this device that the server does not have, where the job may be out of their reach:
 * it is saved as a file to hand over, and let go only after that.
 */
export function LeftHere({ job, name = null, by }: Props) {
    const [isSaved, setSaved] = useState(false);
    const [, setGone] = useState(0);
    const waiting = waitingOf(browserStorage(), job);
    const mine = waiting.read().pending.filter((one) => (one.by ?? by) === by);
    if (mine.length === 0) return null;
    const letGo = (): void => {
        waiting.drop(mine.map((one) => one.key));
        setGone((count) => count + 1);
    };
    return (
        <div className="left-here" role="status">
            <p>
                <Shape kind="unknown" size={17} />{' '}
                <Trans>
                    {mine.length === 1 ? t`An entry` : t`${mine.length} entries`} of {name ?? t`this job`} that you made
                    here {mine.length === 1 ? t`was` : t`were`} not sent yet.
                </Trans>
            </p>
            <button
                type="button"
                className="plain small"
                onClick={() => {
                    saveFile(fileOf(job, by, mine), t`What was not sent.json`);
                    setSaved(true);
                }}
            >
                {t`Save them as a file, to hand over`}
            </button>{' '}
            {isSaved && (
                <button type="button" className="plain small" onClick={letGo}>
                    {t`Let them go here`}
                </button>
            )}
        </div>
    );
}

/** An open file: each entry as it would be sent, with what it is in words. */
const fileOf = (job: string, by: string, entries: Pending[]): Blob =>
    new Blob(
        [
            JSON.stringify(
                {
                    format: 'fall-bend-site-entries',
                    job,
                    by,
                    entries: entries.map(({ at, by: _, ...said }) => ({
                        made_at: new Date(at).toISOString(),
                        ...said,
                        in_words: entryInWords({ at, ...said }),
                    })),
                },
                null,
                4,
            ),
        ],
        { type: 'application/json' },
    );
