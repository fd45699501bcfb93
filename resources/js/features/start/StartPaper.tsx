import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Link } from 'react-router';
import type { Start, StartField } from '../../api/types';
import { ChosenStart } from './ChosenStart';
import { numberOf } from './asked';
import { StartHead } from './StartHead';
import { StartPicture } from './StartPicture';

/** So many answers stand as boxes to tick; of more, one is written. */
const TICKED = 6;

/** A task on one page to take along: what to measure, where to hold the tape, and room to write it. */
export function StartPaper() {
    return <ChosenStart>{(start) => <Paper start={start} />}</ChosenStart>;
}

function Paper({ start }: { start: Start }) {
    return (
        <div className="starts">
            <div className="screen-only start-screen">
                <StartHead title={t`${start.name}, on paper`} />
            </div>
            <main className="start-paper">
                <p className="start-acts screen-only">
                    <button type="button" className="main-act" onClick={() => window.print()}>
                        {t`Print it`}
                    </button>
                    <Link className="plain" to={`/start/${start.id}`}>
                        {t`Enter what was measured`}
                    </Link>
                </p>
                <h1>{start.name}</h1>
                <p className="say">{start.say}</p>
                <StartPicture strokes={start.strokes} number={(field) => numberOf(start, field)} />
                <table>
                    <thead>
                        <tr>
                            <th scope="col">{t`No.`}</th>
                            <th scope="col">{t`What, and how`}</th>
                            <th scope="col">{start.region === 'us' ? t`Feet, inches` : t`Millimeters`}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {start.fields.map((field) => (
                            <tr key={field.id}>
                                <th scope="row">{numberOf(start, field.id)}</th>
                                <td>
                                    <b>{field.label}</b>
                                    {field.hold && <span className="cap">{field.hold}</span>}
                                </td>
                                <td>
                                    <Room field={field} />
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
                <p className="cap">
                    <Trans>
                        Enter it later in the same order. What could not be measured is left empty, and is said to be
                        missing.
                    </Trans>
                </p>
                <p className="start-lines">
                    {t`Where: ______________________ When: ______________ Who: ______________`}
                </p>
            </main>
        </div>
    );
}

function Room({ field }: { field: StartField }) {
    if (field.choices.length === 0 || field.choices.length > TICKED) return <span className="start-blank" />;
    return (
        <ul className="start-ticks">
            {field.choices.map((choice) => (
                <li key={choice.key}>
                    <span className="start-tick" /> {choice.name}
                </li>
            ))}
        </ul>
    );
}
