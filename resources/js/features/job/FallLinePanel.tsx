import { useEffect, type KeyboardEvent } from 'react';
import type { RunReport } from '../../api/types';
import { FallLine, useSection } from '../../drawing/section/FallLine';
import { middle, type Ends } from '../../drawing/section/labels';
import { useSize } from '../../shared/useSize';
import type { JobEditor } from './useJobEditor';
import type { SharedSelection } from './useSelection';

interface Props {
    run: RunReport;
    ends: Ends;
    editor: JobEditor;
    selection: SharedSelection;
    phone: boolean;
}

const HEIGHT = { full: 318, phone: 170 };

/** The fall line along the top of every station: walked with the arrow keys, read aloud, on the phone a window on what is selected. */
export function FallLinePanel({ run, ends, editor, selection, phone }: Props) {
    const [ref, { width }] = useSize<HTMLDivElement>();
    const grade = phone ? 'phone' : 'full';
    const height = HEIGHT[grade];
    const drawn = Math.max(phone ? 760 : 0, width);
    const section = useSection(run, drawn, height, grade);
    const { selected } = selection;

    useEffect(() => {
        const panel = ref.current;
        if (!panel || !selected) return;
        const link = section.links.find((one) =>
            selected.kind === 'piece' ? one.piece?.key === selected.key : one.joints.some((joint) => joint?.key === selected.key),
        );
        if (link)
            panel.scrollTo({
                left: middle(link)[0] - panel.clientWidth / 2,
                top: middle(link)[1] - panel.clientHeight / 2,
                behavior: 'smooth',
            });
    }, [selected, section, ref]);

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
            style={{ height }}
            tabIndex={0}
            role="group"
            aria-roledescription="fall line"
            aria-label={`Fall line. Left and right walk along it. ${selection.said}`}
            onKeyDown={onKey}
        >
            {width > 0 && (
                <FallLine
                    run={run}
                    units={editor.evaluation.units}
                    ends={ends}
                    fill={editor.evaluation.drawn_fill}
                    width={drawn}
                    height={height}
                    grade={grade}
                    selected={selected}
                    onSelect={selection.select}
                    onFinding={selection.selectFinding}
                />
            )}
            <p className={selection.said === '' ? 'unseen' : 'said'} aria-live="polite">
                {selection.said}
            </p>
        </div>
    );
}
