import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { JobMove } from '../../api/types';
import type { JobEditor } from '../../editing';
import { freeMoveId, withMove, withoutMove } from './moves';

export type Measured = Pick<JobMove, 'kind' | 'values'> & {
    obstacles?: Extract<JobMove, { kind: 'ends' }>['obstacles'];
};

interface Props {
    editor: JobEditor;
    /** that it belongs to; undefined: to the job */
    run: string | undefined;
    measured: Measured;
    /** the kept move that is open, or null */
    opened: JobMove | null;
    onKept: (id: string | null) => void;
}

/** Keeps in the job what was measured, under a name; or takes a kept one out of it again. */
export function KeepMeasures({ editor, run, measured, opened, onKept }: Props) {
    const [name, setName] = useState(opened?.name ?? '');
    const keep = (): void => {
        const id = opened?.id ?? freeMoveId(editor.document);
        const of = opened ? opened.run : run;
        const move = { id, ...(of ? { run: of } : {}), name: name.trim(), ...measured } as JobMove;
        editor.change((document) => withMove(document, move));
        onKept(id);
    };
    return (
        <form
            className="mu-keep"
            onSubmit={(event) => {
                event.preventDefault();
                keep();
            }}
        >
            <label className="choice">
                <span className="cap">{t`Name of what was measured`}</span>
                <input value={name} maxLength={80} required onChange={(event) => setName(event.target.value)} />
            </label>
            <button type="submit" className="plain">
                {opened ? t`Keep the changes` : t`Keep it in the job`}
            </button>
            {opened && (
                <button
                    type="button"
                    className="plain"
                    onClick={() => {
                        editor.change((document) => withoutMove(document, opened.id));
                        onKept(null);
                    }}
                >
                    {t`Take it out`}
                </button>
            )}
        </form>
    );
}
