import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { catalogueQuery, systemsQuery } from '../../api/queries';
import type { CatalogueEntry } from '../../api/types';
import { SaidText } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';
import { PatternArt } from '../../drawing/pattern/PatternArt';
import { EntryCard } from './EntryCard';
import { LieGlyph } from './LieGlyph';
import { useChoices } from '../../shared/useChoices';

const KINDS = [
    ['fittings', 'Fittings'],
    ['pipes', 'Pipes'],
    ['couplings', 'Couplings'],
    ['gaskets', 'Gaskets'],
    ['adapters', 'Adapters'],
    ['traps', 'Traps'],
    ['clips', 'Clips'],
    ['cements', 'Cements'],
    ['lubricants', 'Lubricants'],
] as const;

const LIES = [
    ['level-upright', 'level to upright'],
    ['upright-level', 'upright to level'],
    ['level-level', 'level to level'],
] as const;

/**
 * The catalogue: found by what a thing is called on site, drawn from its dimensions, every number with its source and
 * what the crew measured instead.
 */
export function CatalogueTab() {
    const [kind, setKind] = useState('fittings');
    const [search, setSearch] = useState('');
    const [system, setSystem] = useState('pvc-dwv-40');
    const [size, setSize] = useState('2');
    const [rulebook, setRulebook] = useState(useChoices().rulebooks[0]?.key ?? '');
    const [chosen, setChosen] = useState<string | null>(null);
    const page = useQuery(systemsQuery).data;
    const asked = {
        kind,
        search,
        rulebook,
        ...(kind === 'fittings' || kind === 'pipes' ? { system, ...(kind === 'fittings' ? { size } : {}) } : {}),
    };
    const rows = useQuery(catalogueQuery(asked));
    const entries = rows.data?.entries ?? [];
    const summary = page?.systems.find((one) => one.key === system);
    const selected = entries.find((entry) => keyOf(entry) === chosen) ?? entries[0];
    return (
        <div className="catalogue">
            <div className="cat-find">
                <input
                    value={search}
                    placeholder="what it is called on site"
                    aria-label="What it is called on site"
                    autoComplete="off"
                    onChange={(event) => setSearch(event.target.value)}
                />
                <select aria-label="Kind" value={kind} onChange={(event) => setKind(event.target.value)}>
                    {KINDS.map(([key, name]) => (
                        <option key={key} value={key}>
                            {name}
                        </option>
                    ))}
                </select>
                {(kind === 'fittings' || kind === 'pipes') && (
                    <select aria-label="Pipe system" value={system} onChange={(event) => setSystem(event.target.value)}>
                        <option value="">every system</option>
                        {page?.systems.map((one) => (
                            <option key={one.key} value={one.key}>
                                {one.name}
                            </option>
                        ))}
                    </select>
                )}
                {kind === 'fittings' && (
                    <select
                        aria-label="Size"
                        value={summary?.sizes.includes(size) || size === '' ? size : ''}
                        onChange={(event) => setSize(event.target.value)}
                    >
                        <option value="">every size</option>
                        {summary?.sizes.map((one) => (
                            <option key={one} value={one}>
                                {one}
                            </option>
                        ))}
                    </select>
                )}
                <select aria-label="Rulebook" value={rulebook} onChange={(event) => setRulebook(event.target.value)}>
                    {page?.rulebooks.map((one) => (
                        <option key={one.id} value={one.id}>
                            {one.name}
                        </option>
                    ))}
                </select>
            </div>
            <div className="cat-cols">
                <div className="cat-list" role="list">
                    {rows.isError && (
                        <p className="problem pad" role="alert">
                            {rows.error.message}
                        </p>
                    )}
                    {entries.length === 0 && rows.isSuccess && (
                        <p className="say pad">Nothing by that name here. Try another system or every size.</p>
                    )}
                    {entries.slice(0, 120).map((entry) => (
                        <button
                            type="button"
                            role="listitem"
                            key={keyOf(entry)}
                            className={selected && keyOf(entry) === keyOf(selected) ? 'cat-row lit' : 'cat-row'}
                            aria-current={selected && keyOf(entry) === keyOf(selected)}
                            onClick={() => setChosen(keyOf(entry))}
                        >
                            <PatternArt entry={entry} size={86} />
                            <span>
                                <b>{entry.name}</b> <span>{entry.size}</span>
                                <span className="cap line">{entry.maker_name}</span>
                                {entry.also.length > 0 && (
                                    <span className="cap line">also {entry.also.slice(0, 4).join(', ')}</span>
                                )}
                            </span>
                            <span className="lies">
                                {entry.lies.length > 0 &&
                                    LIES.map(([place, name]) => {
                                        const lie = entry.lies.find((one) => one.place === place);
                                        return (
                                            lie && (
                                                <LieGlyph key={place} place={place} name={name} verdict={lie.verdict} />
                                            )
                                        );
                                    })}
                            </span>
                            <span className="cat-number">
                                {entry.numbers
                                    .filter((number) =>
                                        [
                                            'take_off_mm',
                                            'od_mm',
                                            'stop_mm',
                                            'insertion_mm',
                                            'body_mm',
                                            'length_mm',
                                            'branch_mm',
                                            'level_mm',
                                            'seal_least_mm',
                                        ].includes(number.field),
                                    )
                                    .slice(0, 1)
                                    .map((number) => (
                                        <span
                                            key={number.field}
                                            className={
                                                number.instead_of !== null
                                                    ? 'ours'
                                                    : number.value === null || entry.doubtful
                                                      ? 'doubt'
                                                      : ''
                                            }
                                        >
                                            {number.instead_of !== null && (
                                                <s>
                                                    <SaidText text={number.instead_of} />
                                                </s>
                                            )}{' '}
                                            <SaidText text={number.said} />
                                            <span className="cap line">{number.label}</span>
                                        </span>
                                    ))}
                                {entry.doubtful && <Shape kind="unknown" size={15} />}
                            </span>
                        </button>
                    ))}
                    {entries.length > 120 && <p className="cap pad">{entries.length - 120} more: narrow the search.</p>}
                </div>
                {selected && (
                    <EntryCard
                        key={keyOf(selected)}
                        entry={selected}
                        units={rulebook === 'adh-2015' || rulebook === 'npc-2020' ? 'mm' : 'inch'}
                    />
                )}
            </div>
        </div>
    );
}

const keyOf = (entry: CatalogueEntry): string => `${entry.table} ${entry.row}`;
