import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { howToQuery, howTosQuery } from '../../api/queries';
import type { HowTo, HowToAnswer, Units } from '../../api/types';
import { Explained } from '../../shared/Explained';
import { Shape } from '../../shared/Shape';
import { useSettled } from '../../shared/useSettled';
import { Asked } from './Asked';
import { askedFields, numberOf, sentValues, valueOf, type Values } from './asked';
import { StartHead } from './StartHead';
import { useTicks } from '../../shared/useTicks';

/** How something is done: what is measured for it, the lengths that follow, what is taken along, the steps. */
export function HowToPage() {
    const { id = '' } = useParams();
    const [search, setSearch] = useSearchParams();
    const units: Units = search.get('units') === 'mm' ? 'mm' : 'inch';
    const howTos = useQuery(howTosQuery(units));
    if (howTos.isPending) return <p className="waiting">{t`Fetching it.`}</p>;
    const howTo = howTos.data?.how_to.find((one) => one.id === id);
    if (!howTo)
        return (
            <p className="waiting" role="alert">
                {howTos.error?.message ?? t`There is no such page.`} <Link to="/start">{t`All of them`}</Link>
            </p>
        );
    return (
        <HowToForm
            key={`${howTo.id} ${units}`}
            howTo={howTo}
            units={units}
            onUnits={(next) => setSearch(next === 'mm' ? { units: 'mm' } : {}, { replace: true })}
        />
    );
}

interface Props {
    howTo: HowTo;
    units: Units;
    onUnits: (units: Units) => void;
}

function HowToForm({ howTo, units, onUnits }: Props) {
    const [values, setValues] = useState<Values>({});
    const sent = sentValues(howTo, values);
    const settled = useSettled(JSON.stringify(sent), 250);
    const answer = useQuery(howToQuery(howTo.id, JSON.parse(settled) as Values, units));
    return (
        <div className="starts">
            <StartHead title={howTo.name} kind="How it is done" />
            <main className="start-page how-to">
                <form onSubmit={(event) => event.preventDefault()} noValidate>
                    <h1>{howTo.name}</h1>
                    <p className="say">
                        <Explained text={howTo.say} />
                    </p>
                    <label className="start-field">
                        <b>{t`Lengths are said in`}</b>
                        <select value={units} onChange={(event) => onUnits(event.target.value as Units)}>
                            <option value="inch">{t`feet and inches`}</option>
                            <option value="mm">{t`millimeters`}</option>
                        </select>
                    </label>
                    {askedFields(howTo, values).map((field) => (
                        <Asked
                            key={field.id}
                            field={field}
                            number={numberOf(howTo, field.id)}
                            value={valueOf(field, values)}
                            problem={answer.data?.problems[field.id]}
                            onFocus={() => undefined}
                            onChange={(value) => setValues((old) => ({ ...old, [field.id]: value }))}
                        />
                    ))}
                </form>
                <aside aria-label={t`What comes of it`}>
                    {answer.isError && (
                        <p className="problem" role="alert">
                            {answer.error.message}
                        </p>
                    )}
                    {answer.data && <Comes howTo={howTo} answer={answer.data} />}
                </aside>
            </main>
        </div>
    );
}

function Comes({ howTo, answer }: { howTo: HowTo; answer: HowToAnswer }) {
    const { ticked, toggle, clear } = useTicks(howTo.id);
    return (
        <>
            <div aria-live="polite">
                {answer.lengths.length > 0 && (
                    <dl className="how-lengths">
                        {answer.lengths.map(({ label, length, say }) => (
                            <div key={label}>
                                <dt>{label}</dt>
                                <dd>
                                    <b>{length}</b> {say && <span className="cap">{say}</span>}
                                </dd>
                            </div>
                        ))}
                    </dl>
                )}
                {answer.later.length > 0 && <p className="cap">{t`To measure later: ${answer.later.join('; ')}.`}</p>}
            </div>
            <h2>{t`Take along`}</h2>
            <ul className="how-ticks">
                {answer.parts.map((part) => (
                    <li key={part}>
                        <label>
                            <input type="checkbox" checked={ticked.has(part)} onChange={() => toggle(part)} /> {part}
                        </label>
                    </li>
                ))}
            </ul>
            <h2>{t`Step by step`}</h2>
            <ol className="how-steps">
                {answer.steps.map(({ do: what, say, caution }, i) => (
                    <li key={`${what} ${say}`} className={ticked.has(`${what} ${say}`) ? 'done' : ''}>
                        <label>
                            <input
                                type="checkbox"
                                checked={ticked.has(`${what} ${say}`)}
                                onChange={() => toggle(`${what} ${say}`)}
                            />{' '}
                            <b>
                                {i + 1}. {what}
                            </b>
                        </label>
                        <p>
                            <Explained text={say} />
                        </p>
                        {caution && (
                            <p className="caution">
                                <Shape kind="warn" size={20} /> {caution}
                            </p>
                        )}
                    </li>
                ))}
            </ol>
            <p className="cap">
                <Trans>
                    The local code and the licensed plumber decide. What the makers of the parts say goes before.
                </Trans>
            </p>
            <p className="start-acts screen-only">
                <button type="button" className="plain" onClick={() => window.print()}>
                    {t`Print it`}
                </button>
                <button type="button" className="plain" disabled={ticked.size === 0} onClick={clear}>
                    {t`Clear the ticks`}
                </button>
            </p>
        </>
    );
}
