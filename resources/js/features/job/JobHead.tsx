import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { Trans } from '@lingui/react/macro';
import Dropdown from 'react-bootstrap/Dropdown';
import { Link, useNavigate } from 'react-router';
import type { JobRun } from '../../api/types';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { JobItems } from './JobItems';
import { TakeAlong } from './TakeAlong';
import type { Saving } from '../../editing';
import type { JobEditor } from '../../editing';
import { timeIn } from '../../shared/locale';

const SAVING: Record<Saving, string> = {
    saved: t`Saved`,
    saving: t`Saving`,
    pending: t`Saving`,
    offline: t`Offline, stored on this device`,
    refused: t`Not saved`,
    'signed-out': t`Not saved: sign in again`,
    conflict: t`Not saved: changed meanwhile`,
};

/** How it stands with saving: `Saved` is said only of what the server has read back. */
function savingInWords({ saving, stored, job }: JobEditor): string {
    if (saving === 'saved') return t`Saved ${timeIn(job.kept_at, { hour: '2-digit', minute: '2-digit' })}`;
    return stored ? SAVING[saving] : t`Not saved, and no room on this device: leave this page open`;
}

interface Props {
    editor: JobEditor;
    plan: JobRun | undefined;
    phone: boolean;
    onRun: () => void;
    onNewRun: () => void;
    onSettings: () => void;
}

export function JobHead({ editor, plan, phone, onRun, onNewRun, onSettings }: Props) {
    const navigate = useNavigate();
    const { document, job, evaluation, saving } = editor;
    const [isTaking, setTaking] = useState(false);
    const items = (
        <JobItems
            job={job}
            run={plan?.id}
            isSaved={saving === 'saved'}
            {...{ onSettings, onTakeAlong: () => setTaking(true) }}
        />
    );
    const number = document.runs.findIndex((run) => run.id === plan?.id) + 1;
    return (
        <>
            <header className="head">
                <Link className="brand" to="/" aria-label={t`Fall Bend, all jobs`}>
                    <BrandGlyph /> <span className="wide">{t`Fall Bend`}</span>
                </Link>
                {!phone && (
                    <Dropdown className="job-name">
                        <Dropdown.Toggle as="button" type="button" className="head-field">
                            <span className="cap">
                                <Trans>
                                    Job <i aria-hidden="true">▾</i>
                                </Trans>
                            </span>
                            <b>{document.name}</b>
                        </Dropdown.Toggle>
                        <Dropdown.Menu>{items}</Dropdown.Menu>
                    </Dropdown>
                )}
                <Dropdown>
                    <Dropdown.Toggle as="button" type="button" className="head-field">
                        <span className="cap">
                            {plan ? t`Run ${number} of ${document.runs.length}` : t`Runs`} <i aria-hidden="true">▾</i>
                        </span>
                        <b>{plan?.name ?? (document.runs.length === 0 ? t`none yet` : t`pick one`)}</b>
                    </Dropdown.Toggle>
                    <Dropdown.Menu>
                        {document.runs.map((run, i) => (
                            <Dropdown.Item
                                key={run.id}
                                active={run.id === plan?.id}
                                onClick={() => void navigate(`/jobs/${job.id}/runs/${run.id}`)}
                            >
                                {i + 1}. {run.name}
                            </Dropdown.Item>
                        ))}
                        {plan && (
                            <Dropdown.Item onClick={onRun}>{t`Change this run: pipe, ends, levels`}</Dropdown.Item>
                        )}
                        <Dropdown.Item onClick={onNewRun}>{t`Start another run`}</Dropdown.Item>
                        {phone && (
                            <>
                                <Dropdown.Header>{t`The job: ${document.name}`}</Dropdown.Header>
                                {items}
                            </>
                        )}
                    </Dropdown.Menu>
                </Dropdown>
                <div className="wide">
                    <span className="cap">{t`Rulebook`}</span>
                    <b>
                        {evaluation.rulebook.name}, {evaluation.units === 'inch' ? t`inches` : t`millimeters`}
                    </b>
                </div>
                <div className="kept" aria-live="polite" data-saving={saving}>
                    <span className="cap">{t`Revision ${job.revision}`}</span>
                    <b>{savingInWords(editor)}</b>
                </div>
                <div className="fill" />
                <Steps editor={editor} />
                <Beside />
            </header>
            {isTaking && <TakeAlong editor={editor} onClose={() => setTaking(false)} />}
        </>
    );
}

function UndoGlyph({ mirrored = false }: { mirrored?: boolean }) {
    return (
        <svg
            width="18"
            height="18"
            viewBox="0 0 20 20"
            aria-hidden="true"
            style={mirrored ? { transform: 'scaleX(-1)' } : {}}
        >
            <path
                d="M4 8H13A4.5 4.5 0 0 1 13 17H8M8 3.5L3.5 8L8 12.5"
                style={{ fill: 'none', stroke: 'currentColor', strokeWidth: 2 }}
            />
        </svg>
    );
}

/** One step back or forward. */
function Steps({ editor }: { editor: JobEditor }) {
    const { job, saving } = editor;
    return (
        <>
            <button
                type="button"
                className="beside"
                disabled={!job.can_undo && saving === 'saved'}
                onClick={() => void editor.step('undo')}
                aria-label={t`Undo`}
            >
                <UndoGlyph /> <span className="wide">{t`Undo`}</span>
            </button>
            <button
                type="button"
                className="beside"
                disabled={!job.can_redo || saving !== 'saved'}
                onClick={() => void editor.step('redo')}
                aria-label={t`Redo`}
            >
                <UndoGlyph mirrored /> <span className="wide">{t`Redo`}</span>
            </button>
        </>
    );
}
