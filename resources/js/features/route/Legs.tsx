import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { JobRun, LegReport, RunReport } from '../../api/types';
import { Said, SaidFall } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';
import type { JobEditor } from '../../editing';
import type { SharedSelection } from '../../editing';
import { LegCard } from './LegCard';
import { addLegAfter } from './legEdits';
import { WayGlyph } from './WayGlyph';

interface Props {
    run: RunReport;
    plan: JobRun;
    editor: JobEditor;
    selection: SharedSelection;
}

/** The legs in order, one of them open as a card. */
export function Legs({ run, plan, editor, selection }: Props) {
    const [opened, setOpened] = useState<string | null>(null);
    const selectedLeg = run.legs[(selection.leg ?? 0) - 1]?.id ?? null;
    const open = run.legs.some((leg) => leg.id === opened) ? opened : selectedLeg;

    const toggle = (leg: LegReport): void => {
        setOpened(open === leg.id ? null : leg.id);
        const piece = run.pieces.find((one) => one.leg_id === leg.id && !one.between);
        selection.select(open !== leg.id && piece ? { kind: 'piece', key: piece.key } : null);
    };
    const add = (after: string | null): void => {
        editor.changeRun(plan.id, (now) => {
            const added = addLegAfter(now, after, editor.evaluation.units);
            setOpened(added.id);
            return added.run;
        });
    };

    return (
        <section className="legs" aria-label={t`Legs`}>
            {run.legs.map((leg) => (
                <div key={leg.id} className={open === leg.id ? 'leg open' : 'leg'}>
                    <button
                        type="button"
                        className="leg-row"
                        aria-expanded={open === leg.id}
                        onClick={() => toggle(leg)}
                    >
                        <span className="n">{leg.number}</span>
                        <WayGlyph way={leg.way} />
                        <span className="wh">
                            {leg.read ? leg.what || wayWords(leg) : <span className="bad">{leg.phrase}</span>}
                        </span>
                        {!leg.read && <Shape kind="stop" size={16} />}
                        <span className="fa">
                            {leg.fall && <SaidFall fall={leg.fall} units={editor.evaluation.units} />}
                        </span>
                        <span className="ln">
                            {leg.length && leg.read && <Said tape={leg.length} units={editor.evaluation.units} feet />}
                        </span>
                        <span className="tags">
                            {leg.pieces.map((letter) => (
                                <span key={letter} className="tagp">
                                    {letter}
                                </span>
                            ))}
                        </span>
                    </button>
                    {open === leg.id && (
                        <LegCard leg={leg} run={run} plan={plan} editor={editor} onAdd={() => add(leg.id)} />
                    )}
                </div>
            ))}
            <button type="button" className="add-leg" onClick={() => add(null)}>
                {t`+ Add a leg`}
            </button>
        </section>
    );
}

function wayWords(leg: LegReport): string {
    const turn = leg.turn_deg !== null && leg.turn_deg > 2 ? ` ${Math.round(leg.turn_deg)}°` : '';
    const words: Record<string, string> = {
        on: t`straight on`,
        left: t`to the left`,
        right: t`to the right`,
        down: 'down',
        up: 'up',
    };
    return `${words[leg.way] ?? leg.way}${leg.way === 'left' || leg.way === 'right' ? turn : ''}`;
}
