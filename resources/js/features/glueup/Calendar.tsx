import { t } from '@lingui/core/macro';
import { dayCalendar, type DayAsked } from '../../api/queries';
import type { OfJob } from '../../api/types';
import { Problem } from '../../shared/Problem';
import { saveFile } from '../../shared/saveFile';
import { useAttempt } from '../../shared/useFormAct';

interface Props {
    of: OfJob;
    /** id, by which the file is named too */
    run: string;
    asked: DayAsked;
}

/** The day for a calendar: each joint, when nobody flushes, when it can be tested. */
export function Calendar({ of, run, asked }: Props) {
    const { problem, busy, attempt } = useAttempt();
    const save = (): void =>
        void attempt(async () => {
            const answer = await dayCalendar(of, run, asked);
            if (!answer.ok) throw new Error(answer.message);
            saveFile(answer.data, `${run}.ics`);
        });
    return (
        <div>
            <button type="button" className="plain" disabled={busy} onClick={save}>
                {t`The day for a calendar`}
            </button>
            <Problem text={problem} />
        </div>
    );
}
