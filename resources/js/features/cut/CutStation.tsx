import { Link } from 'react-router';
import type { JobRun, RunReport } from '../../api/types';
import type { JobEditor } from '../job/useJobEditor';
import type { SharedSelection } from '../job/useSelection';
import { RestsOn } from '../../shared/SourceTap';
import { CutRow } from './CutRow';

interface Props {
    run: RunReport;
    plan: JobRun;
    editor: JobEditor;
    base: string;
    selection: SharedSelection;
}

/** What to cut for this run, and the ticket to print. Sticks, ticking off and measuring back are still to come. */
export function CutStation({ run, plan, editor, base, selection }: Props) {
    return (
        <main className="station cut-station">
            <div className="cut-head">
                <h1>
                    {run.pieces.length === 0
                        ? 'Nothing to cut yet'
                        : `${run.pieces.length} ${run.pieces.length === 1 ? 'piece' : 'pieces'} to cut`}
                </h1>
                <Link className="main-act" to={`${base}/cut/ticket`}>
                    Cut ticket, to print
                </Link>
                <p className="say">
                    {plan.name}. Lengths are end to end, to the stop inside each socket. Choosing sticks, ticking off and measuring back are
                    still to come.
                </p>
            </div>
            {run.pieces.map((piece) => (
                <CutRow
                    key={piece.key}
                    piece={piece}
                    run={run}
                    units={editor.evaluation.units}
                    selected={selection.selected?.key === piece.key}
                    onSelect={() => selection.select({ kind: 'piece', key: piece.key })}
                />
            ))}
            {run.pieces.length > 0 && <RestsOn sources={run.sources} />}
        </main>
    );
}
