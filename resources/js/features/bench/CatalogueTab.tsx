import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { catalogueQuery, systemsQuery } from '../../api/queries';
import type { CatalogueEntry } from '../../api/types';
import { SaidText } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';
import { PatternArt } from '../../drawing/pattern/PatternArt';
import { calledOf } from './called';
import { EntryCard } from './EntryCard';
import { LieGlyph } from './LieGlyph';
import { useAddressed } from '../../shared/useAddressed';
import { useChoices } from '../../shared/useChoices';

const KINDS = [
    ['fittings', t`Fittings`],
    ['pipes', t`Pipes`],
    ['couplings', t`Couplings`],
    ['gaskets', t`Gaskets`],
    ['adapters', t`Adapters`],
    ['traps', t`Traps`],
    ['clips', t`Clips`],
    ['cements', t`Cements`],
    ['lubricants', t`Lubricants`],
] as const;

const LIES = [
    ['level-upright', t`level to upright`],
    ['upright-level', t`upright to level`],
    ['level-level', t`level to level`],
] as const;

/** The numbers that are shown in the list: the first of them that a row has. */
const FIRST = [
    'take_off_mm',
    'od_mm',
    'stop_mm',
    'insertion_mm',
    'body_mm',
    'length_mm',
    'branch_mm',
    'level_mm',
    'seal_least_mm',
];

/** So many rows are shown; of more, the search is to be narrowed. */
const MOST = 120;

type Asked = Record<'kind' | 'search' | 'system' | 'size' | 'rulebook', string>;

/**
 * The catalogue: found by what a thing is called on site, drawn from its dimensions, every number with its source and
 * what the crew measured instead.
 */
export function CatalogueTab() {
    const books = useChoices().rulebooks;
    const [asked, ask] = useAddressed<Asked>({
        kind: 'fittings',
        search: '',
        system: 'pvc-dwv-40',
        size: '2',
        rulebook: books[0]?.key ?? '',
    });
    const [chosen, setChosen] = useState<string | null>(null);
    const { kind, search, system, size, rulebook } = asked;
    const rows = useQuery(
        catalogueQuery({
            kind,
            search,
            rulebook,
            ...(kind === 'fittings' || kind === 'pipes' ? { system } : {}),
            ...(kind === 'fittings' ? { size } : {}),
        }),
    );
    const entries = rows.data?.entries ?? [];
    const selected = entries.find((entry) => keyOf(entry) === chosen) ?? entries[0];
    return (
        <div className="catalogue">
            <Find asked={asked} onAsked={ask} />
            <div className="cat-cols">
                <section className="cat-list" aria-label={t`What was found`}>
                    {rows.isError && (
                        <p className="problem pad" role="alert">
                            {rows.error.message}
                        </p>
                    )}
                    {entries.length === 0 && rows.isSuccess && (
                        <p className="say pad">{t`Nothing by that name here. Try another system or every size.`}</p>
                    )}
                    {entries.slice(0, MOST).map((entry) => (
                        <EntryRow
                            key={keyOf(entry)}
                            entry={entry}
                            isLit={selected !== undefined && keyOf(entry) === keyOf(selected)}
                            onChoose={() => setChosen(keyOf(entry))}
                        />
                    ))}
                    {entries.length > MOST && (
                        <p className="cap pad">{t`${entries.length - MOST} more: narrow the search.`}</p>
                    )}
                </section>
                {selected && (
                    <EntryCard
                        key={keyOf(selected)}
                        entry={selected}
                        units={books.find((one) => one.key === rulebook)?.units ?? 'inch'}
                    />
                )}
            </div>
        </div>
    );
}

/** What is looked for. */
function Find({ asked, onAsked }: { asked: Asked; onAsked: (change: Partial<Asked>) => void }) {
    const { kind, search, system, size, rulebook } = asked;
    const page = useQuery(systemsQuery).data;
    const summary = page?.systems.find((one) => one.key === system);
    return (
        <div className="cat-find">
            <input
                value={search}
                placeholder={t`what it is called on site`}
                aria-label={t`What it is called on site`}
                autoComplete="off"
                onChange={(event) => onAsked({ search: event.target.value })}
            />
            <select aria-label={t`Kind`} value={kind} onChange={(event) => onAsked({ kind: event.target.value })}>
                {KINDS.map(([key, name]) => (
                    <option key={key} value={key}>
                        {name}
                    </option>
                ))}
            </select>
            {(kind === 'fittings' || kind === 'pipes') && (
                <select
                    aria-label={t`Pipe system`}
                    value={system}
                    onChange={(event) => onAsked({ system: event.target.value })}
                >
                    <option value="">{t`every system`}</option>
                    {page?.systems.map((one) => (
                        <option key={one.key} value={one.key}>
                            {one.name}
                        </option>
                    ))}
                </select>
            )}
            {kind === 'fittings' && (
                <select
                    aria-label={t`Size`}
                    value={summary?.sizes.includes(size) || size === '' ? size : ''}
                    onChange={(event) => onAsked({ size: event.target.value })}
                >
                    <option value="">{t`every size`}</option>
                    {summary?.sizes.map((one) => (
                        <option key={one} value={one}>
                            {one}
                        </option>
                    ))}
                </select>
            )}
            <select
                aria-label={t`Rulebook`}
                value={rulebook}
                onChange={(event) => onAsked({ rulebook: event.target.value })}
            >
                {page?.rulebooks.map((one) => (
                    <option key={one.id} value={one.id}>
                        {one.name}
                    </option>
                ))}
            </select>
        </div>
    );
}

/** A row of the list: drawn, with its names, how it may lie, and its first number. */
function EntryRow({ entry, isLit, onChoose }: { entry: CatalogueEntry; isLit: boolean; onChoose: () => void }) {
    const number = entry.numbers.find((one) => FIRST.includes(one.field));
    return (
        <button type="button" className={isLit ? 'cat-row lit' : 'cat-row'} aria-current={isLit} onClick={onChoose}>
            <PatternArt entry={entry} size={86} />
            <span>
                <b>{calledOf(entry)}</b>
                <span className="cap line">{entry.maker_name}</span>
                {entry.also.length > 0 && (
                    <span className="cap line">{t`also ${entry.also.slice(0, 4).join(', ')}`}</span>
                )}
            </span>
            <span className="lies">
                {LIES.map(([place, name]) => {
                    const lie = entry.lies.find((one) => one.place === place);
                    return lie && <LieGlyph key={place} place={place} name={name} verdict={lie.verdict} />;
                })}
            </span>
            <span className="cat-number">
                {number && (
                    <span
                        className={
                            number.instead_of !== null ? 'ours' : number.value === null || entry.doubtful ? 'doubt' : ''
                        }
                    >
                        {number.instead_of !== null && (
                            <s>
                                <SaidText text={number.instead_of} />
                            </s>
                        )}{' '}
                        <SaidText text={number.said} />
                        {number.doubt && <span className="cap line">{number.doubt}</span>}
                        <span className="cap line">{number.label}</span>
                    </span>
                )}
                {entry.doubtful && !number?.doubt && <Shape kind="unknown" size={15} />}
            </span>
        </button>
    );
}

const keyOf = (entry: CatalogueEntry): string => `${entry.table} ${entry.row}`;
