import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useEffect, type KeyboardEvent } from 'react';
import { hangQuery } from '../../api/queries';
import type { RunReport } from '../../api/types';
import { FallLine } from '../../drawing/section/FallLine';
import type { Ends } from '../../drawing/section/labels';
import { WayLine } from '../../drawing/way/WayLine';
import { useSettled } from '../../shared/useSettled';
import { useSize } from '../../shared/useSize';
import type { JobEditor } from '../../editing';
import type { SharedSelection } from '../../editing';

interface Props {
    run: RunReport;
    ends: Ends;
    editor: JobEditor;
    selection: SharedSelection;
    phone: boolean;
    /** stations that need the height themselves get it folded, as far as that shows all of it */
    folded?: boolean;
    /** shows the whole way to the end in place of the run */
    way: boolean;
    onRun: (run: string) => void;
}

const HEIGHT = { full: 318, folded: 176, phone: 170 };

/** As high as a folded one gets where that shows all of it, px. */
const FOLDED_MOST = 250;

/**
 * The fall line along the top of every station: walked with the arrow keys, read aloud, on the phone a window on what
 * is selected.
 */
export function FallLinePanel({ run, ends, editor, selection, phone, folded = false, way, onRun }: Props) {
    const [ref, { width }] = useSize<HTMLDivElement>();
    const grade = phone ? 'phone' : folded ? 'folded' : 'full';
    const height = HEIGHT[grade];
    const drawn = Math.max(phone ? 760 : 0, width);
    const { selected } = selection;
    // Hangers follow once nobody types any more: they are worked out apart from the run.
    const settled = useSettled(editor.document, 1_500);
    const hangers = useQuery({
        ...hangQuery({ job: editor.job.id, document: settled }, run.id, editor.site.version),
        enabled: run.legs.length > 0 && settled.runs.some((one) => one.id === run.id),
    }).data?.hangers;

    // What is selected is brought to the middle of the window on the drawing.
    useEffect(() => {
        const panel = ref.current;
        const tag = selected && panel?.querySelector('[data-selected]')?.getBoundingClientRect();
        if (!panel || !tag) return;
        const frame = panel.getBoundingClientRect();
        panel.scrollBy({
            left: tag.left + tag.width / 2 - frame.left - frame.width / 2,
            top: tag.top + tag.height / 2 - frame.top - frame.height / 2,
            behavior: 'smooth',
        });
    }, [selected, ref]);

    const onKey = (event: KeyboardEvent): void => {
        const keys: Record<string, () => void> = {
            ArrowRight: () => selection.walk(1),
            ArrowLeft: () => selection.walk(-1),
            ArrowUp: () => selection.selected?.kind === 'joint' && selection.changeRail(),
            ArrowDown: () =>
                selection.selected?.kind === 'piece'
                    ? selection.changeRail()
                    : document.querySelector<HTMLElement>('.finds button')?.focus(),
            Enter: () => document.querySelector<HTMLElement>('.leg.open .leg-row')?.focus(),
        };
        if (event.target !== event.currentTarget) return;
        const act = keys[event.key];
        if (act && !event.altKey) {
            event.preventDefault();
            act();
        }
    };

    return (
        <div
            className={`fall-panel ${grade}`}
            ref={ref}
            style={grade === 'folded' ? { minHeight: height, maxHeight: FOLDED_MOST } : { height }}
            tabIndex={0}
            role="group"
            aria-roledescription="fall line"
            aria-label={t`Fall line. Left and right walk along it. ${selection.said}`}
            onKeyDown={onKey}
        >
            {width > 0 && way && (
                <WayLine
                    evaluation={editor.evaluation}
                    run={run.id}
                    outlet={ends.outlet}
                    width={drawn}
                    height={height}
                    onRun={onRun}
                />
            )}
            {width > 0 && !way && (
                <FallLine
                    run={run}
                    units={editor.evaluation.units}
                    ends={ends}
                    fill={editor.evaluation.drawn_fill}
                    width={drawn}
                    height={height}
                    grade={grade}
                    hangers={hangers}
                    selected={selected}
                    onSelect={selection.select}
                    onFinding={selection.selectFinding}
                    onRun={onRun}
                />
            )}
            <p className={selection.said === '' ? 'unseen' : 'said'} aria-live="polite">
                {selection.said}
            </p>
        </div>
    );
}
