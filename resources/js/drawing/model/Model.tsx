import { t } from '@lingui/core/macro';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { Evaluation } from '../../api/types';
import { useSize } from '../../shared/useSize';
import { solidsOf } from './solids';
import { stageOn, type Stage } from './stage';

interface Props {
    evaluation: Evaluation;
    /** ids of the runs that are shown */
    runs: readonly string[];
    /** what is said of it to those who do not see it */
    name: string;
    /** a run that is chosen, or run and key of what is chosen in it */
    selected: string | null;
    onPick: (run: string, key: string) => void;
}

/** Runs as they stand in the house, with what they go through: turned with a finger, a mouse or the keys. */
export default function Model({ evaluation, runs, name, selected, onPick }: Props) {
    const canvas = useRef<HTMLCanvasElement>(null);
    const stage = useRef<Stage | null>(null);
    const [isMissing, setMissing] = useState(false);
    const [box, { width, height }] = useSize<HTMLDivElement>();
    const shown = runs.join(' ');
    const solids = useMemo(() => solidsOf(evaluation, shown.split(' ')), [evaluation, shown]);
    const pick = useRef(onPick);
    useEffect(() => {
        pick.current = onPick;
    });

    useEffect(() => {
        if (!canvas.current) return;
        try {
            stage.current = stageOn(canvas.current, (run, key) => pick.current(run, key));
        } catch {
            setMissing(true);
        }
        return () => {
            stage.current?.end();
            stage.current = null;
        };
    }, []);
    useEffect(() => {
        if (width > 0) stage.current?.resize(width, Math.max(height, 280));
    }, [width, height]);
    useEffect(() => stage.current?.show(solids, selected), [solids, selected]);

    const move = (round: number, up: number, nearer = 1): void => stage.current?.move(round, up, nearer);
    const onKey = (event: KeyboardEvent): void => {
        const by = KEYS[event.key];
        if (!by) return;
        event.preventDefault();
        move(...by);
    };
    if (isMissing)
        return <p className="none">{t`This browser draws no models: WebGL is off. The isometric shows the same.`}</p>;
    return (
        <div className="model" ref={box}>
            <canvas
                ref={canvas}
                tabIndex={0}
                role="img"
                aria-label={[
                    t`Model of ${name}: ${solids.tubes.filter((one) => one.kind !== 'fitting').length} pieces.`,
                    t`Turn it with the arrow keys, plus and minus come nearer and go away.`,
                ].join(' ')}
                onKeyDown={onKey}
            />
            <div className="turn">
                <button type="button" aria-label={t`Turn the model left`} onClick={() => move(30, 0)}>
                    ←
                </button>
                <button type="button" aria-label={t`Turn the model right`} onClick={() => move(-30, 0)}>
                    →
                </button>
                <button type="button" aria-label={t`Look from higher`} onClick={() => move(0, 20)}>
                    ↑
                </button>
                <button type="button" aria-label={t`Look from lower`} onClick={() => move(0, -20)}>
                    ↓
                </button>
                <button type="button" aria-label={t`Nearer`} onClick={() => move(0, 0, 1.25)}>
                    +
                </button>
                <button type="button" aria-label={t`Farther`} onClick={() => move(0, 0, 0.8)}>
                    −
                </button>
            </div>
        </div>
    );
}

const KEYS: Record<string, [number, number, number?]> = {
    ArrowLeft: [15, 0],
    ArrowRight: [-15, 0],
    ArrowUp: [0, 10],
    ArrowDown: [0, -10],
    '+': [0, 0, 1.15],
    '-': [0, 0, 0.87],
};
