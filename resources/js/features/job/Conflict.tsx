import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { copyJob } from '../../api/queries';
import { piecesOf, type Conflict as Met, type JobEditor } from '../../editing';
import { Problem } from '../../shared/Problem';
import { SideBySide } from './SideBySide';

/**
 * Another state of the job and mine: both stay, whichever is chosen. One's own change in another window is not said to
 * be another's.
 */
export function Conflict({ editor, conflict }: { editor: JobEditor; conflict: Met }) {
    const { theirs, by } = conflict;
    const mine = useQuery({
        queryKey: ['mine', editor.job.id, theirs.revision],
        queryFn: () => editor.mine(),
        gcTime: 0,
        staleTime: Infinity,
    }).data;
    const pieces = mine ? piecesOf(conflict.base, mine, theirs.document) : [];
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const who = by.length > 0 ? by.join(' and ') : t`you, in another window or on another device,`;

    const copyMine = async (): Promise<void> => {
        setBusy(true);
        const now = mine ?? (await editor.mine());
        const result = now && (await copyJob({ ...now, name: t`${now.name.slice(0, 100)} (my copy)` }));
        setBusy(false);
        if (!result?.ok) {
            setProblem(result?.message ?? t`No answer from the server.`);
            return;
        }
        // The copy holds my change; this job goes on with the other state.
        editor.takeTheirs();
        window.location.assign(`/jobs/${result.data.id}`);
    };

    return (
        <Modal show backdrop="static" keyboard={false} aria-labelledby="conflict-title">
            <Modal.Body>
                <h2 id="conflict-title">{t`Changed by ${who} meanwhile`}</h2>
                <p className="say">
                    <Trans>
                        Revision {theirs.revision} of this job was saved by {who} while another was worked on here.
                        Nothing of yours is lost: it is still here.
                    </Trans>
                </p>
                {mine && pieces.length > 0 && (
                    <SideBySide
                        job={editor.job.id}
                        mine={mine}
                        theirs={theirs.document}
                        pieces={pieces}
                        who={by.length > 0 ? by.join(', ') : t`the newer one`}
                        onChosen={editor.putTogether}
                    />
                )}
                <p className="say">
                    <Trans>
                        Save mine as a copy makes a job of its own from what you see. Take{' '}
                        {by.length > 0 ? t`theirs` : t`the newer one`} goes on with revision {theirs.revision}, and lets
                        your last change here go.
                    </Trans>
                </p>
                <Problem text={problem} />
                <div className="acts">
                    <button type="button" className="plain" onClick={editor.takeTheirs} disabled={busy}>
                        {t`Take ${by.length > 0 ? t`theirs` : t`the newer one`}`}
                    </button>
                    <button type="button" className="plain" onClick={() => void copyMine()} disabled={busy}>
                        {t`Save mine as a copy`}
                    </button>
                </div>
            </Modal.Body>
        </Modal>
    );
}
