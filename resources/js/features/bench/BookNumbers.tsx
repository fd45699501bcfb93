import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { reasonOf, type Result } from '../../api/client';
import { amendmentsQuery, keepAmendments, keepOwn, takeBackOwn } from '../../api/queries';
import type { Amendments, CataloguePage, Units } from '../../api/types';
import { formText } from '../../shared/formText';
import { SourceTap } from '../../shared/SourceTap';
import { useChoices } from '../../shared/useChoices';
import { keptValue, shownIn, shownValue } from './bookUnits';

interface Props {
    rulebooks: CataloguePage['rulebooks'];
    onSet: () => void;
}

/** The numbers of a book, to be set otherwise: in every job of the crew, or where amendments of a name hold. */
export function BookNumbers({ rulebooks, onSet }: Props) {
    const [book, setBook] = useState(useChoices().rulebooks[0]?.key ?? '');
    const [into, setInto] = useState('');
    const [search, setSearch] = useState('');
    const [problem, setProblem] = useState<{ id: string; text: string } | null>(null);
    const amendments = useQuery(amendmentsQuery);
    const amended = amendments.data?.find((one) => one.amendments.name === into)?.amendments;
    const rulebook = rulebooks.find((one) => one.id === (amended?.rulebook ?? book));
    const units = rulebook?.units ?? 'inch';
    const done = (id: string, result: Result<unknown>): void => {
        setProblem(result.ok ? null : { id, text: reasonOf(result) });
        if (result.ok) onSet();
    };
    const set = async (event: FormEvent<HTMLFormElement>, { id, unit, value: before }: Threshold): Promise<void> => {
        event.preventDefault();
        const text = formText(new FormData(event.currentTarget), 'value').trim().replace(',', '.');
        const value = keptValue(text, shownIn(unit, units), before);
        if (text === '' || !Number.isFinite(value)) setProblem({ id, text: t`must be a number` });
        else if (amended) done(id, await keepAmendments(withRow(amended, id, value)));
        else done(id, await keepOwn('threshold', { rulebook: book, threshold: id, value, source: t`our inspector` }));
    };
    const takeOut = async ({ id, own_id }: Threshold): Promise<void> => {
        if (amended) done(id, await keepAmendments(withRow(amended, id, null)));
        else if (own_id !== null) done(id, await takeBackOwn(own_id));
    };
    return (
        <section aria-label={t`Rulebooks`}>
            <h2>{t`Rulebooks`}</h2>
            <label className="choice">
                <span className="cap">{t`What is set here holds`}</span>
                <select value={amended ? into : ''} onChange={(event) => setInto(event.target.value)}>
                    <option value="">{t`in every job of ours`}</option>
                    {amendments.data?.map(({ id, amendments: { name } }) => (
                        <option key={id} value={name}>
                            {t`where ${name} holds`}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`Book`}</span>
                <select
                    value={amended?.rulebook ?? book}
                    disabled={amended !== undefined}
                    onChange={(event) => setBook(event.target.value)}
                >
                    {rulebooks.map((one) => (
                        <option key={one.id} value={one.id}>
                            {one.name}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`Find a number`}</span>
                <input type="search" value={search} onChange={(event) => setSearch(event.target.value)} />
            </label>
            {groupsOf(amendedRows(rulebook?.thresholds ?? [], amended), search).map(([group, thresholds]) => (
                <details key={`${group} ${search.trim() === ''}`} open={search.trim() !== ''}>
                    <summary>
                        {group} <span className="cap">{thresholds.length}</span>
                        {thresholds.some((one) => isSet(one, amended)) && <span className="tagp">✓</span>}
                    </summary>
                    {thresholds.map((threshold) => (
                        <ThresholdForm
                            key={`${into} ${book} ${threshold.id} ${threshold.value}`}
                            threshold={threshold}
                            isSet={isSet(threshold, amended)}
                            problem={problem?.id === threshold.id ? problem.text : null}
                            units={units}
                            onSet={(event) => void set(event, threshold)}
                            onTakeBack={() => void takeOut(threshold)}
                        />
                    ))}
                </details>
            ))}
        </section>
    );
}

type Threshold = CataloguePage['rulebooks'][number]['thresholds'][number];

/** Whether a number of a book is set otherwise: by the amendments that are looked at, or else by the crew. */
const isSet = (one: Threshold, amended: Amendments | undefined): boolean =>
    amended ? amended.rows.some((row) => row.threshold === one.id) : one.own_id !== null;

/** The numbers of a book with those of the amendments in their place. */
const amendedRows = (thresholds: Threshold[], amended: Amendments | undefined): Threshold[] =>
    thresholds.map((one) => ({
        ...one,
        value: amended?.rows.find((row) => row.threshold === one.id)?.value ?? one.value,
    }));

/** The amendments with another value of a number; null: without it. */
const withRow = (amended: Amendments, threshold: string, value: number | null): Amendments => ({
    ...amended,
    rows: [
        ...amended.rows.filter((row) => row.threshold !== threshold),
        ...(value === null ? [] : [{ threshold, value }]),
    ],
});

/** Numbers of a book that have something in their title or their note, by what they are about. */
function groupsOf(thresholds: Threshold[], search: string): [string, Threshold[]][] {
    const sought = search.trim().toLowerCase();
    const groups = new Map<string, Threshold[]>();
    for (const one of thresholds) {
        if (!`${one.title} ${one.note}`.toLowerCase().includes(sought)) continue;
        const about = one.id.split(/[.-]/)[0] ?? '';
        const name = ABOUT[about] ?? `${about.charAt(0).toUpperCase()}${about.slice(1)}`;
        groups.set(name, [...(groups.get(name) ?? []), one]);
    }
    return [...groups];
}

/** What numbers are about, by the first word of their id. */
const ABOUT: Record<string, string> = {
    fall: t`Fall`,
    turn: t`Which bend may turn how`,
    load: t`What fixtures bring`,
    trap: t`Traps and their arms`,
    arm: t`Traps and their arms`,
    wet: t`Wet vents`,
    vent: t`Vents`,
    joint: t`Joints`,
    support: t`Supports`,
    test: t`Tests`,
    joist: t`Joists`,
    stud: t`Studs`,
    valve: t`Air admittance valves`,
    common: t`Common vents`,
    flow: t`Flow`,
    cleanout: t`Cleanouts`,
    venting: t`Ways of venting`,
    stack: t`Stacks`,
    waste: t`Waste stacks that vent themselves`,
    single: t`Single stacks`,
    vertical: t`Upright wet vents`,
    circuit: t`Circuit vents`,
    combination: t`Combination drains and vents`,
    closet: t`Water closets`,
    guard: t`Seals kept, waste kept back`,
    reduction: t`No smaller downstream`,
    stub: t`Stub stacks`,
};

interface ThresholdProps {
    threshold: Threshold;
    units: Units;
    problem: string | null;
    onSet: (event: FormEvent<HTMLFormElement>) => void;
    isSet: boolean;
    onTakeBack: () => void;
}

/** A threshold of a book, which the crew may set for itself. */
function ThresholdForm({ threshold, units, problem, isSet, onSet, onTakeBack }: ThresholdProps) {
    const shown = shownIn(threshold.unit, units);
    return (
        <form className="threshold" onSubmit={onSet}>
            <div>
                <b>{threshold.title}</b>
                <p className="cap">
                    {threshold.note} <SourceTap source={threshold.source}>{threshold.source.source}</SourceTap>
                </p>
                {problem !== null && <p className="problem">{problem}</p>}
            </div>
            <label>
                <span className="cap">{threshold.unit === 'yes_no' ? t`yes or no` : shown.unit}</span>
                {threshold.unit === 'yes_no' ? (
                    <select name="value" defaultValue={threshold.value === null ? '' : String(threshold.value)}>
                        {threshold.value === null && <option value="">{t`not known`}</option>}
                        <option value="1">{t`Yes`}</option>
                        <option value="0">{t`No`}</option>
                    </select>
                ) : (
                    <input
                        name="value"
                        defaultValue={threshold.value === null ? '' : shownValue(threshold.value, shown)}
                        inputMode="decimal"
                        autoComplete="off"
                    />
                )}
            </label>
            {isSet ? (
                <button type="button" className="plain small" onClick={onTakeBack}>
                    {t`Back to the book`}
                </button>
            ) : (
                <button type="submit" className="plain small">
                    {t`Set ours`}
                </button>
            )}
        </form>
    );
}
