import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { Link } from 'react-router';
import { goBackTo } from '../../api/queries';
import type { Unreadable } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { Problem } from '../../shared/Problem';
import { timeIn } from '../../shared/locale';

/** A job that cannot be opened: why, the revision that it can go on from, and its file as it is stored. */
export function UnreadableJob({ unreadable, onBack }: { unreadable: Unreadable; onBack: () => void }) {
    const { job, readable } = unreadable;
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const goBack = async (): Promise<void> => {
        if (!readable) return;
        setBusy(true);
        const result = await goBackTo(job.id, job.revision, readable.revision);
        setBusy(false);
        if (result.ok) onBack();
        else setProblem(result.message);
    };
    return (
        <main className="unreadable-job" role="alert">
            <h1>
                <Shape kind="stop" size={22} /> {t`${job.name} cannot be opened`}
            </h1>
            <p className="say">
                <Trans>
                    Revision {job.revision} of this job is stored, but it cannot be read. The reason, for whoever looks
                    into it: {unreadable.message}.
                </Trans>
            </p>
            {readable ? (
                <p className="say">
                    <Trans>
                        Revision {readable.revision}, saved by {readable.kept_by} on{' '}
                        {timeIn(readable.kept_at, { dateStyle: 'medium', timeStyle: 'short' })}, can be read. Going back
                        to it adds a new revision; nothing is deleted.
                    </Trans>
                </p>
            ) : (
                <p className="say">
                    <Trans>
                        None of its last revisions can be read. Download the file, and send it with the reason above.
                    </Trans>
                </p>
            )}
            <Problem text={problem} />
            <div className="acts">
                {readable && (
                    <button type="button" className="main-act" disabled={busy} onClick={() => void goBack()}>
                        {t`Go back to revision ${readable.revision}`}
                    </button>
                )}
                <a className="plain" href={`/api/jobs/${job.id}/raw`} download>
                    {t`Download the file as it is stored`}
                </a>
                <Link className="plain" to="/">
                    {t`Back to the jobs`}
                </Link>
            </div>
        </main>
    );
}
