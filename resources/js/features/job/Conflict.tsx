import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { copyJob } from '../../api/queries';
import type { Job } from '../../api/types';
import type { JobEditor } from './useJobEditor';
import { Problem } from '../../shared/Problem';

/** Somebody else's state and mine: both stay, whichever is chosen. */
export function Conflict({ editor, theirs }: { editor: JobEditor; theirs: Job }) {
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);

    const keepMine = async (): Promise<void> => {
        setBusy(true);
        const mine = editor.document;
        const result = await copyJob({ ...mine, name: `${mine.name.slice(0, 100)} (my copy)` });
        setBusy(false);
        if (!result.ok) {
            setProblem(result.message);
            return;
        }
        // The copy holds my change; this job goes on with theirs.
        editor.takeTheirs();
        window.location.assign(`/jobs/${result.data.id}`);
    };

    return (
        <Modal show backdrop="static" keyboard={false} aria-labelledby="conflict-title">
            <Modal.Body>
                <h2 id="conflict-title">Changed by {theirs.kept_by} meanwhile</h2>
                <p className="say">
                    {theirs.kept_by} kept revision {theirs.revision} of this job while you were working on another. Nothing of yours is
                    lost: it is still here.
                </p>
                <p className="say">
                    Keep mine as a copy makes a job of its own from what you see. Take theirs goes on with what {theirs.kept_by} kept, and
                    lets your last change go.
                </p>
                <Problem text={problem} />
                <div className="acts">
                    <button type="button" className="plain" onClick={editor.takeTheirs} disabled={busy}>
                        Take theirs
                    </button>
                    <button type="button" className="main-act" onClick={() => void keepMine()} disabled={busy}>
                        Keep mine as a copy
                    </button>
                </div>
            </Modal.Body>
        </Modal>
    );
}
