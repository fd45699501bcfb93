import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Link } from 'react-router';
import { useRef, useState } from 'react';
import { TurnButtons } from '../../drawing/iso/TurnButtons';
import { IsoOrModel } from '../../drawing/model/IsoOrModel';
import { HouseIso } from '../../drawing/house/HouseIso';
import { useSize } from '../../shared/useSize';
import type { JobEditor } from '../../editing';
import { AddRun } from './AddRun';
import { Building } from './Building';
import { DrillingPlan } from './DrillingPlan';
import { HouseFindings } from './HouseFindings';
import { NotJudged } from './NotJudged';
import { OtherBook } from './OtherBook';
import { LoadsView } from './LoadsView';
import { RepeatDialog } from './RepeatDialog';
import { RunTree } from './RunTree';
import { removed } from './removing';
import type { RouteView } from '../../shared/views';

interface Props {
    editor: JobEditor;
    view: RouteView;
    selected: string | undefined;
    onOpen: (run: string) => void;
    onSelect: (run: string) => void;
    onNew: () => void;
}

/** The Route station's views of the whole house. Without any run it is where the first one is said. */
export function House({ editor, view, selected, onOpen, onSelect, onNew }: Props) {
    const field = useRef<HTMLInputElement>(null);
    const [repeating, setRepeating] = useState<string | null>(null);
    const { evaluation } = editor;
    if (view === 'loads')
        return <main className="station route">{<LoadsView evaluation={evaluation} onOpen={onOpen} />}</main>;
    if (view === 'drilling')
        return (
            <main className="station route">
                <DrillingPlan evaluation={evaluation} name={editor.document.name} onOpen={onOpen} />
            </main>
        );
    return (
        <main className="station route">
            <AddRun editor={editor} field={field} onAdded={onSelect} />
            {evaluation.network.places.length === 0 ? (
                <div className="to-come">
                    <h1>{t`No run yet`}</h1>
                    <p className="say">
                        <Trans>
                            A run leads from an outlet, leg by leg, to where it ties in. Say a whole one above, or say
                            where it starts and ends and call out its legs one by one.
                        </Trans>
                    </p>
                    <button type="button" className="main-act" onClick={onNew}>
                        {t`Start a run`}
                    </button>
                    <p className="say">
                        <Trans>
                            Or tell <Link to="/start">{t`what the job is`}</Link>: a task asks for what it needs, and
                            makes a job of its own.
                        </Trans>
                    </p>
                </div>
            ) : (
                <div className="cols house-cols">
                    <RunTree
                        evaluation={evaluation}
                        selected={selected}
                        onOpen={(run) => (run === selected ? onOpen(run) : onSelect(run))}
                        onRepeat={setRepeating}
                        onRemove={(run) => {
                            editor.change((document) => removed(document, run));
                            // Nobody stays at the address of what is gone.
                            if (run === selected)
                                onSelect(evaluation.network.places.find((one) => one.run !== run)?.run ?? 'none');
                        }}
                    />
                    <IsoOfHouse editor={editor} selected={selected} onSelect={onSelect} />
                    <div className="house-said">
                        {editor.document.runs.length > 0 && <OtherBook editor={editor} onOpen={onOpen} />}
                        <Building editor={editor} />
                        <HouseFindings evaluation={evaluation} onOpen={onOpen} />
                        <NotJudged book={evaluation.rulebook} />
                    </div>
                </div>
            )}
            {repeating !== null && <RepeatDialog editor={editor} run={repeating} onClose={() => setRepeating(null)} />}
        </main>
    );
}

function IsoOfHouse({
    editor,
    selected,
    onSelect,
}: {
    editor: JobEditor;
    selected: string | undefined;
    onSelect: (run: string) => void;
}) {
    const [turns, setTurns] = useState(0);
    const [all, setAll] = useState(false);
    const [ref, { width, height }] = useSize<HTMLDivElement>();
    const { places } = editor.evaluation.network;
    const frames = [...new Set(places.map((place) => place.frame))];
    const frame =
        all || frames.length < 2 ? null : (places.find((place) => place.run === selected)?.frame ?? frames[0] ?? null);
    return (
        <section className="iso-col" aria-label={t`Isometric of the house`}>
            {frames.length > 1 && (
                <div className="frames" role="group" aria-label={t`What is shown`}>
                    <button
                        type="button"
                        className={all ? 'chip' : 'chip on'}
                        aria-pressed={!all}
                        onClick={() => setAll(false)}
                    >
                        {t`This run’s pipes`}
                    </button>
                    <button
                        type="button"
                        className={all ? 'chip on' : 'chip'}
                        aria-pressed={all}
                        onClick={() => setAll(true)}
                    >
                        {t`Whole house`}
                    </button>
                </div>
            )}
            <IsoOrModel
                evaluation={editor.evaluation}
                runs={places.filter((place) => frame === null || place.frame === frame).map((place) => place.run)}
                name={editor.document.name}
                selected={selected ?? null}
                onPick={onSelect}
            >
                <div className="iso-panel house-panel" ref={ref}>
                    {width > 0 && (
                        <HouseIso
                            evaluation={editor.evaluation}
                            frame={frame}
                            turns={turns}
                            width={width}
                            height={Math.max(height, 360)}
                            selected={selected}
                            onRun={onSelect}
                        />
                    )}
                    <div className="turn">
                        <TurnButtons turns={turns} onTurn={setTurns} />
                        <button type="button" aria-label={t`Print the isometric`} onClick={() => window.print()}>
                            <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
                                <path
                                    d="M6 7V2.5H14V7M6 15H3V7H17V15H14M6 12H14V17.5H6Z"
                                    style={{ fill: 'none', stroke: 'currentColor', strokeWidth: 1.6 }}
                                />
                            </svg>
                        </button>
                    </div>
                </div>
            </IsoOrModel>
        </section>
    );
}
