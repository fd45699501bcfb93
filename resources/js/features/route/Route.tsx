import { t } from '@lingui/core/macro';
import { useState, type RefObject } from 'react';
import { TurnableIso } from '../../drawing/iso/TurnableIso';
import { IsoOrModel } from '../../drawing/model/IsoOrModel';
import type { JobRun, RunReport } from '../../api/types';
import type { JobEditor } from '../../editing';
import type { SharedSelection } from '../../editing';
import { CallOut } from './CallOut';
import { Findings } from './Findings';
import { Joined } from './Joined';
import { Legs } from './Legs';
import { PhoneActs } from './PhoneActs';

interface Props {
    run: RunReport;
    plan: JobRun;
    editor: JobEditor;
    selection: SharedSelection;
    callOut: RefObject<HTMLTextAreaElement | null>;
    phone: boolean;
    onRun: () => void;
    onStation: (key: string) => void;
}

/** The piece that is chosen, as the model knows it. */
const chosenIn = (run: RunReport, selected: SharedSelection['selected']): string | null =>
    selected?.kind === 'piece' ? `${run.id} ${selected.key}` : null;

/** The Route station: the run called out, its legs, its isometric, and what stands against it. */
export function Route({ run, plan, editor, selection, callOut, phone, onRun, onStation }: Props) {
    const [iso, setIso] = useState(!phone);
    return (
        <main className="station route">
            <CallOut run={run} editor={editor} field={callOut} selectedLeg={selection.leg} />
            <Joined run={run.id} editor={editor} />
            <div className="cols">
                <Legs run={run} plan={plan} editor={editor} selection={selection} />
                <section className="iso-col" aria-label={t`Isometric`}>
                    {iso ? (
                        <IsoOrModel
                            evaluation={editor.evaluation}
                            runs={[run.id]}
                            name={plan.name}
                            selected={chosenIn(run, selection.selected)}
                            onPick={(_, key) =>
                                run.pieces.some((piece) => piece.key === key) &&
                                selection.select({ kind: 'piece', key })
                            }
                        >
                            <TurnableIso run={run} selected={selection.selected} onSelect={selection.select} />
                        </IsoOrModel>
                    ) : (
                        <button type="button" className="plain on-demand" onClick={() => setIso(true)}>
                            {t`Show the isometric`}
                        </button>
                    )}
                </section>
                <Findings
                    run={run}
                    plan={plan}
                    editor={editor}
                    selection={selection}
                    onRun={onRun}
                    onStation={onStation}
                />
            </div>
            {phone && <PhoneActs run={run} editor={editor} selection={selection} />}
        </main>
    );
}
