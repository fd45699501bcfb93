import { t } from '@lingui/core/macro';
import { Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { JobRun } from '../../api/types';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { loaded } from '../../shared/loaded';
import { AlsoHere } from './AlsoHere';
import { ReadsOnly } from './ReadsOnly';
import { MenusToCome, type Menu } from './MenusToCome';
import { TakeAlong } from './TakeAlong';
import type { Saving } from '../../editing';
import type { JobEditor } from '../../editing';
import { timeIn } from '../../shared/locale';

// Menus are a quarter of what a job is made of: it can be read before they are there.
const HeadMenus = loaded(() => import('./HeadMenus').then((part) => part.HeadMenus));

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
    const { document, job, evaluation, saving } = editor;
    const [isTaking, setTaking] = useState(false);
    const [opened, setOpened] = useState<Menu | null>(null);
    const of = { document, plan, phone };
    return (
        <>
            <header className="head">
                <Link className="brand" to="/" aria-label={t`Fall Bend, all jobs`}>
                    <BrandGlyph /> <span className="wide">{t`Fall Bend`}</span>
                </Link>
                <Suspense fallback={<MenusToCome {...of} onOpen={setOpened} />}>
                    <HeadMenus
                        {...of}
                        {...{ onRun, onNewRun, onSettings, opened }}
                        job={job}
                        isSaved={saving === 'saved'}
                        onTakeAlong={() => setTaking(true)}
                    />
                </Suspense>
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
            <AlsoHere job={job.id} />
            <ReadsOnly />
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
