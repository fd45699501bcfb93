import { t } from '@lingui/core/macro';
import { Suspense, useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { Finding, JobRun, RunReport } from '../../api/types';
import { jointMark } from '../../shared/marks';
import { Explained } from '../../shared/Explained';
import { Shape } from '../../shared/Shape';
import { WORDS } from '../../drawing/section/labels';
import type { JobEditor } from '../../editing';
import type { SharedSelection } from '../../editing';
import { RestsOn, trustInWords } from '../../shared/SourceTap';
import { MeasureDialog, ofFinding, type ToMeasure } from '../measure';
import { mendingsOf, type Mending } from './mending';
import { Overrides } from './Overrides';

interface Props {
    run: RunReport;
    plan: JobRun;
    editor: JobEditor;
    selection: SharedSelection;
    onRun: () => void;
    onStation: (key: string) => void;
}

/** What stands against the run: what, where, why with its source, and what to do about it. */
export function Findings({ run, plan, editor, selection, onRun, onStation }: Props) {
    const [measuring, setMeasuring] = useState<ToMeasure | null>(null);
    const list = useRef<HTMLElement>(null);

    useEffect(() => {
        if (selection.finding !== null)
            list.current?.querySelectorAll<HTMLElement>('.f .head-line')[selection.finding]?.focus();
    }, [selection.finding]);

    const show = (finding: Finding, index: number): void => {
        const { leg, joint, piece } = finding.where;
        const target = run.pieces.find((one) => one.letter === piece) ?? run.pieces.find((one) => one.leg === leg);
        const at = run.joints.find((one) => one.number === joint);
        if (at) selection.select({ kind: 'joint', key: at.key });
        else if (target) selection.select({ kind: 'piece', key: target.key });
        selection.selectFinding(index);
    };

    const walk = (event: KeyboardEvent): void => {
        const heads = [...(list.current?.querySelectorAll<HTMLElement>('.f .head-line') ?? [])];
        const at = heads.findIndex((head) => head === document.activeElement);
        const to =
            at < 0
                ? undefined
                : event.key === 'ArrowDown'
                  ? heads[at + 1]
                  : event.key === 'ArrowUp'
                    ? (heads[at - 1] ?? document.querySelector<HTMLElement>('.fall-panel'))
                    : undefined;
        if (to) {
            event.preventDefault();
            to.focus();
        }
    };

    return (
        <section className="finds" aria-label={t`Findings`} ref={list} onKeyDown={walk}>
            {run.findings.length === 0 && run.legs.length > 0 && (
                <p className="none">
                    <Shape kind="done" size={18} />{' '}
                    {t`Nothing stands against this run. The local code and the licensed plumber decide.`}
                </p>
            )}
            {run.findings.map((finding, index) => (
                <FindingCard
                    key={`${finding.rule} ${finding.where.leg} ${String(finding.params.row ?? '')} ${index}`}
                    finding={finding}
                    run={run}
                    isLit={selection.finding === index}
                    mendings={mendingsOf(finding, run, plan)}
                    onShow={() => show(finding, index)}
                    onMend={(mending) => editor.changeRun(mending.run ?? plan.id, mending.edit)}
                    onMeasure={() => setMeasuring(ofFinding(finding, run, editor.evaluation.units))}
                    onRun={onRun}
                    onStation={onStation}
                />
            ))}
            <Overrides editor={editor} run={run} />
            {run.sources.length > 0 && <RestsOn sources={run.sources} />}
            <Suspense fallback={null}>
                {measuring !== null && (
                    <MeasureDialog fitting={measuring} editor={editor} onClose={() => setMeasuring(null)} />
                )}
            </Suspense>
        </section>
    );
}

interface FindingCardProps extends Pick<Props, 'run' | 'onRun' | 'onStation'> {
    finding: Finding;
    isLit: boolean;
    mendings: Mending[];
    onShow: () => void;
    onMend: (mending: Mending) => void;
    onMeasure: () => void;
}

/** What, where, why with its source, and what to do about it. */
function FindingCard({ finding, run, isLit, mendings, onShow, onMend, onMeasure, onRun, onStation }: FindingCardProps) {
    return (
        <div className={`f ${finding.severity} ${isLit ? 'lit' : ''}`}>
            <Shape kind={finding.severity} size={21} />
            <div>
                <button type="button" className="head-line" onClick={() => onShow()}>
                    <b>{WORDS[finding.severity]}</b> {placeOf(finding, run)}
                    {finding.title}
                </button>
                <p>
                    <Explained text={finding.why} />
                </p>
                {finding.source && (
                    <details>
                        <summary>
                            {finding.source.source}
                            {finding.source.confidence !== 'high' && t`, ${finding.source.confidence} confidence`}
                        </summary>
                        <p className="cap">{trustInWords(finding.source)}</p>
                    </details>
                )}
                <p>
                    <b>
                        <Explained text={finding.remedy} />
                    </b>
                </p>
                {mendings.map((mending) => (
                    <button key={mending.label} type="button" className="plain small" onClick={() => onMend(mending)}>
                        {mending.label}
                    </button>
                ))}
                {(finding.rule === 'catalogue.doubtful' || finding.rule === 'fitting.reckoned') && (
                    <button type="button" className="plain small" onClick={onMeasure}>
                        {t`Enter what you measured`}
                    </button>
                )}
                {finding.rule.startsWith('joint.') && finding.rule !== 'joint.strain' && (
                    <button
                        type="button"
                        className="plain small"
                        onClick={() => onStation(finding.rule === 'joint.unknownPipe' ? 'look' : 'joints')}
                    >
                        {finding.rule === 'joint.unknownPipe' ? t`Identify it` : t`Choose at Joints`}
                    </button>
                )}
                {finding.rule === 'run.notLevelled' && (
                    <button type="button" className="plain small" onClick={onRun}>
                        {t`Enter the difference`}
                    </button>
                )}
            </div>
        </div>
    );
}

function placeOf(finding: Finding, run: RunReport): string {
    const { leg, piece, joint } = finding.where;
    const parts = [
        leg !== null && t`leg ${leg}`,
        piece !== null && t`piece ${piece}`,
        joint !== null && t`at joint ${jointMark(run.figure, joint)}`,
    ].filter(Boolean);
    return parts.length > 0 ? `${parts.join(', ')}: ` : '';
}
