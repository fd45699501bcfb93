import { t } from '@lingui/core/macro';
import type { JobMove } from '../../api/types';
import { MOVE_NAMES } from './moves';

interface Props {
    moves: JobMove[];
    opened: string | null;
    onOpen: (move: JobMove) => void;
}

/** What was measured on site for this run and kept, to be opened again beside the pipe. */
export function KeptMoves({ moves, opened, onOpen }: Props) {
    if (moves.length === 0) return null;
    return (
        <div className="mu-kept" role="group" aria-label={t`Measured on site`}>
            {moves.map((move) => (
                <button
                    key={move.id}
                    type="button"
                    className={move.id === opened ? 'mu-kept-one on' : 'mu-kept-one'}
                    aria-pressed={move.id === opened}
                    onClick={() => onOpen(move)}
                >
                    <b>{move.name}</b>
                    <span className="cap">{MOVE_NAMES[move.kind]}</span>
                </button>
            ))}
        </div>
    );
}
