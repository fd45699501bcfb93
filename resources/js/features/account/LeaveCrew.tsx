import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { reasonOf } from '../../api/client';
import { leaveCrew } from '../../api/people';
import type { Account } from '../../api/types';
import { otherCrew } from '../../shared/otherCrew';
import { Problem } from '../../shared/Problem';
import { useAttempt } from '../../shared/useFormAct';

/** Leaves a crew: its jobs are gone from the board, and what was said in them stays there. */
export function LeaveCrew({ crew }: { crew: Account['crews'][number] }) {
    const client = useQueryClient();
    const { busy, problem, attempt } = useAttempt();
    const leave = async (): Promise<void> => {
        const result = await leaveCrew(crew.id);
        if (!result.ok) throw new Error(reasonOf(result));
        await otherCrew(client, result.data);
    };
    return (
        <details>
            <summary>{t`Leave this crew`}</summary>
            <p className="cap">
                {t`You come back by an invitation only. Hand over first: the only owner makes somebody else one.`}
            </p>
            <button type="button" className="plain" disabled={busy} onClick={() => void attempt(leave)}>
                {t`Leave ${crew.name}`}
            </button>
            <Problem text={problem} />
        </details>
    );
}
