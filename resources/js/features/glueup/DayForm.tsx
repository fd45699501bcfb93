import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Problem } from '../../shared/Problem';
import type { Said } from './asked';

interface Props {
    said: Said;
    onSaid: (said: Said) => void;
    problem: string | null;
    /** something of it is done already */
    isBegun: boolean;
}

/** How many work, when they begin, and when the house can do without its line. */
export function DayForm({ said, onSaid, problem, isBegun }: Props) {
    return (
        <form className="glue-form" onSubmit={(event) => event.preventDefault()}>
            <fieldset>
                <legend className="cap">{t`People`}</legend>
                {([1, 2] as const).map((people) => (
                    <label key={people}>
                        <input
                            type="radio"
                            name="people"
                            checked={said.people === people}
                            onChange={() => onSaid({ ...said, people })}
                        />{' '}
                        {people === 1 ? t`one` : t`two`}
                    </label>
                ))}
            </fieldset>
            <label className="choice">
                <span className="cap">{isBegun ? t`Begun: it goes on from now` : t`Begins`}</span>
                <input
                    type="datetime-local"
                    disabled={isBegun}
                    value={said.start}
                    onChange={(event) => onSaid({ ...said, start: event.target.value })}
                />
            </label>
            <label className="choice">
                <span className="cap">{t`The house can do without its line from`}</span>
                <input
                    type="time"
                    value={said.from}
                    onChange={(event) => onSaid({ ...said, from: event.target.value })}
                />
            </label>
            <label className="choice">
                <span className="cap">{t`until`}</span>
                <input
                    type="time"
                    value={said.until}
                    onChange={(event) => onSaid({ ...said, until: event.target.value })}
                />
            </label>
            <Problem text={problem} />
            <p className="cap">
                <Trans>
                    This is a plan, worked out anew whenever it is opened. What is done is kept in the log of the job.
                </Trans>
            </p>
        </form>
    );
}
