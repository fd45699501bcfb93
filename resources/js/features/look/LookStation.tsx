import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { JobStanding } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { asEvidence, asKept, IdentifyPanel, type Evidence } from '../identify';
import { measured, type JobEditor } from '../../editing';
import { PipeDialog } from './PipeDialog';
import { PipeRing } from './PipeRing';
import { knowAs, removeStanding, whereInWords } from './standingEdits';

/**
 * The Look station: every pipe that the job ties to, where its end is and what is in the way, and how it is known what
 * it is.
 */
export function LookStation({ editor, phone }: { editor: JobEditor; phone: boolean }) {
    const [params, setParams] = useSearchParams();
    const [dialog, setDialog] = useState<'new' | 'change' | null>(null);
    const { document, evaluation } = editor;
    const pipes = document.standing ?? [];
    // The one that needs an answer stays in hand once it has one.
    const [first] = useState(() => (pipes.find((pipe) => !pipe.system) ?? pipes[0])?.id);
    const chosen =
        pipes.find((pipe) => pipe.id === params.get('pipe')) ??
        (phone ? undefined : (pipes.find((pipe) => pipe.id === first) ?? pipes[0]));
    const report = evaluation.standing.find((one) => one.id === chosen?.id);

    return (
        <main className="station look">
            {(!phone || !chosen) && (
                <StandingList
                    editor={editor}
                    chosen={chosen?.id}
                    onChoose={(id) => setParams({ pipe: id })}
                    onNew={() => setDialog('new')}
                />
            )}
            {chosen ? (
                <div>
                    {phone && (
                        <button type="button" className="back-line" onClick={() => setParams({})}>
                            {t`‹ all standing pipes`}
                        </button>
                    )}
                    <div className="pipe-head">
                        <div>
                            <h2>
                                {chosen.name}: {report?.said}
                            </h2>
                            <p className="say">{whereInWords(chosen, evaluation.units)}</p>
                        </div>
                        <div>
                            <button type="button" className="plain small" onClick={() => setDialog('change')}>
                                {t`Where it is, how it ends`}
                            </button>
                            {chosen.system && (
                                <button
                                    type="button"
                                    className="plain small"
                                    onClick={() => editor.change((old) => knowAs(old, chosen.id, null))}
                                >
                                    {t`Undo`}
                                </button>
                            )}
                        </div>
                    </div>
                    <Identify key={`${chosen.id} ${editor.site.isKnown}`} pipe={chosen} editor={editor} />
                </div>
            ) : (
                !phone && (
                    <p className="say pad">
                        <Trans>
                            Add each pipe that you will tie to: what it is decides the joint, and the joint decides the
                            cut.
                        </Trans>
                    </p>
                )
            )}
            {dialog && (
                <PipeDialog
                    editor={editor}
                    pipe={dialog === 'change' ? chosen : undefined}
                    onClose={() => setDialog(null)}
                    onNew={(id) => setParams({ pipe: id })}
                    onRemove={(id) => {
                        editor.change((old) => removeStanding(old, id));
                        setParams({});
                    }}
                />
            )}
        </main>
    );
}

interface ListProps {
    editor: JobEditor;
    chosen: string | undefined;
    onChoose: (id: string) => void;
    onNew: () => void;
}

/** Every standing pipe, and whether it is known what it is. */
function StandingList({ editor, chosen, onChoose, onNew }: ListProps) {
    const { document, evaluation } = editor;
    const pipes = document.standing ?? [];
    const known = pipes.filter((pipe) => pipe.system).length;
    return (
        <section className="stood" aria-label={t`Standing pipes`}>
            <header>
                <h2>{t`Standing pipes`}</h2>
                <p className="cap">
                    {pipes.length === 0 ? t`every place that this job ties to` : t`${known} of ${pipes.length} known`}
                </p>
            </header>
            {pipes.map((pipe) => {
                const one = evaluation.standing.find((standing) => standing.id === pipe.id);
                return (
                    <button
                        type="button"
                        key={pipe.id}
                        className={pipe.id === chosen ? 'stood-row lit' : 'stood-row'}
                        aria-current={pipe.id === chosen}
                        onClick={() => onChoose(pipe.id)}
                    >
                        {one && <PipeRing pipe={one} />}
                        <span>
                            <b>{pipe.name}</b>
                            <span className="cap">{tiesInWords(editor, pipe.id)}</span>
                            <br />
                            <Shape kind={one?.known ? 'done' : 'unknown'} size={15} /> {one?.said}
                        </span>
                    </button>
                );
            })}
            <button type="button" className="plain" onClick={() => onNew()}>
                {t`Add a standing pipe`}
            </button>
        </section>
    );
}

/** The evidence of one pipe; said in the log as it grows, words once they are typed. */
function Identify({ pipe, editor }: { pipe: JobStanding; editor: JobEditor }) {
    const { units } = editor.evaluation;
    const kept = editor.site.measured[pipe.id];
    const [draft, setDraft] = useState<Evidence>(() => asEvidence(kept, units));
    const unsaid = useRef<Evidence | null>(null);
    const { happened } = editor;
    const last = useRef(JSON.stringify(asKept(draft)));
    const say = useCallback((): void => {
        const evidence = unsaid.current && asKept(unsaid.current);
        unsaid.current = null;
        // Read twice, it is one reading.
        if (!evidence || JSON.stringify(evidence) === last.current) return;
        last.current = JSON.stringify(evidence);
        happened([measured(pipe.id, evidence)]);
    }, [happened, pipe.id]);
    useEffect(() => {
        window.addEventListener('pagehide', say);
        return () => {
            window.removeEventListener('pagehide', say);
            say();
        };
    }, [say]);
    const change = (next: Evidence): void => {
        setDraft(next);
        if (next.mm === null) return;
        unsaid.current = next;
        // What is typed is said when its field is left.
        if (next.print === draft.print && next.kg_per_m === draft.kg_per_m) say();
    };
    return (
        <div onBlur={say}>
            <IdentifyPanel
                evidence={draft}
                onChange={change}
                units={units}
                actions={(candidate) =>
                    pipe.system === candidate.system && pipe.size === candidate.size ? (
                        <span className="cap">
                            <Shape kind="done" size={16} /> {t`kept as this`}
                        </span>
                    ) : (
                        <button
                            type="button"
                            className="main-act"
                            onClick={() => editor.change((old) => knowAs(old, pipe.id, candidate, asKept(draft)))}
                        >
                            {t`It is ${candidate.short}`}
                        </button>
                    )
                }
            />
        </div>
    );
}

/** Which runs tie to a pipe, and at which joint. */
function tiesInWords(editor: JobEditor, id: string): string {
    const ties = editor.document.runs.flatMap((run, i) => {
        const report = editor.evaluation.runs.find((one) => one.id === run.id);
        const at = (key: string): string => {
            const mark = report?.joints.find((joint) => joint.key === key)?.mark;
            return mark === undefined ? t`run ${i + 1}` : t`run ${i + 1}, joint ${mark}`;
        };
        return [
            ...(run.outlet.standing === id ? [at('outlet')] : []),
            ...(run.tie_in.standing === id ? [at('tie-in')] : []),
        ];
    });
    return ties.join('; ') || t`no run ties to it yet`;
}
