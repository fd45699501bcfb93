import { t } from '@lingui/core/macro';
import type { LogEntry } from '../../api/types';
import type { SiteLog, SiteLogState } from '../../editing';
import { entryOf } from './running';

interface Props {
    run: string;
    joint: string;
    isCement: boolean;
    entries: LogEntry[];
    state: SiteLogState;
    log: SiteLog;
}

/** What is seen of a joint once it is made: one tap where all is right, one for what is not. */
export function Seen({ run, joint, isCement, entries, state, log }: Props) {
    const made = entryOf(entries, run, joint);
    const seen = entryOf(entries, run, joint, 'seen');
    const isWaiting = state.pending.some(
        (one) => one.kind === 'seen' && one.run === run && String(one.joint) === joint,
    );
    const say = (marks: { depth?: boolean; angle?: boolean; bead?: boolean }): void =>
        log.add([{ kind: 'seen', run, joint: Number(joint), ...marks }]);
    if (seen && made && seen.number > made.number) return <span className="cap seen-said">{inWords(seen)}</span>;
    return (
        <span className="glue-seen">
            <button
                type="button"
                disabled={isWaiting}
                onClick={() => say({ depth: true, angle: true, ...(isCement ? { bead: true } : {}) })}
            >
                {isWaiting
                    ? t`Kept, not sent yet`
                    : isCement
                      ? t`At the mark, line on line, bead all round`
                      : t`At the mark, line on line`}
            </button>
            <button type="button" className="plain small" disabled={isWaiting} onClick={() => say({ depth: false })}>
                {t`not at its mark`}
            </button>
            <button type="button" className="plain small" disabled={isWaiting} onClick={() => say({ angle: false })}>
                {t`off its line`}
            </button>
            {isCement && (
                <button type="button" className="plain small" disabled={isWaiting} onClick={() => say({ bead: false })}>
                    {t`bead missing`}
                </button>
            )}
        </span>
    );
}

const inWords = ({ said, by }: LogEntry): string =>
    t`Seen by ${by}: ${[
        said.depth === true && t`depth mark`,
        said.angle === true && t`angle mark`,
        said.bead === true && t`bead all round`,
    ]
        .filter(Boolean)
        .join(', ')}`;
