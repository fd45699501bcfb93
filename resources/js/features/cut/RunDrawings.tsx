import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { runDrawing, type RunView } from '../../api/queries';
import type { JobRun, OfJob } from '../../api/types';
import { saveFile } from '../../shared/saveFile';
import { Problem } from '../../shared/Problem';

const VIEWS: Record<RunView, string> = { plan: t`from above`, section: t`along its length`, isometric: 'isometric' };
const FORMATS = { dxf: 'DXF', svg: 'SVG', gltf: t`model, glTF`, pdf: t`all three on paper, PDF` } as const;

/**
 * The run in open formats, at full size: for a drawing of the house, or to be turned in a viewer; and to a scale on
 * paper.
 */
export function RunDrawings({ of, plan }: { of: OfJob; plan: JobRun }) {
    const [view, setView] = useState<RunView>('plan');
    const [problem, setProblem] = useState('');
    const save = async (format: keyof typeof FORMATS): Promise<void> => {
        setProblem('');
        const answer = await runDrawing(of, plan.id, format, view);
        if (answer.ok)
            saveFile(
                answer.data,
                `${plan.name}${format === 'gltf' || format === 'pdf' ? '' : ` ${VIEWS[view]}`}.${format}`,
            );
        else setProblem(answer.message);
    };
    return (
        <section className="to-buy" aria-label={t`This run as a drawing`}>
            <h2>{t`This run as a drawing`}</h2>
            <div className="acts">
                <label className="choice">
                    <span className="cap">{t`Seen`}</span>
                    <select value={view} onChange={(event) => setView(event.target.value as RunView)}>
                        {(Object.keys(VIEWS) as RunView[]).map((one) => (
                            <option key={one} value={one}>
                                {VIEWS[one]}
                            </option>
                        ))}
                    </select>
                </label>
                {(Object.keys(FORMATS) as (keyof typeof FORMATS)[]).map((format) => (
                    <button key={format} type="button" className="plain" onClick={() => void save(format)}>
                        {FORMATS[format]}
                    </button>
                ))}
            </div>
            <Problem text={problem} />
        </section>
    );
}
