import { useState } from 'react';
import type { RunReport } from '../../api/types';
import { useSize } from '../../shared/useSize';
import type { Selection } from '../section/FallLine';
import { Isometric } from './Isometric';
import { TurnButtons } from './TurnButtons';

interface Props {
    run: RunReport;
    selected: Selection | null;
    onSelect: (selection: Selection) => void;
    least?: number;
}

/** The isometric of a run as large as its place, turned in four steps. */
export function TurnableIso({ run, selected, onSelect, least = 240 }: Props) {
    const [turns, setTurns] = useState(0);
    const [ref, { width, height }] = useSize<HTMLDivElement>();
    return (
        <div className="iso-panel" ref={ref}>
            {width > 0 && (
                <Isometric
                    run={run}
                    turns={turns}
                    width={width}
                    height={Math.max(height, least)}
                    selected={selected}
                    onSelect={onSelect}
                />
            )}
            <div className="turn">
                <TurnButtons turns={turns} onTurn={setTurns} />
            </div>
        </div>
    );
}
