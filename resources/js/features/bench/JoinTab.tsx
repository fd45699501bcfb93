import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { jointCardQuery, systemsQuery } from '../../api/queries';
import type { CataloguePage, JobDocument, JobSingle, JointCard, JointMethod, SystemSummary } from '../../api/types';
import { JointSection } from '../../drawing/joint/JointSection';
import { RestsOn } from '../../shared/SourceTap';
import { useSize } from '../../shared/useSize';
import { MethodList, StepCard } from '../joints';
import { END_WORDS, sizeLike } from '../identify';
import { useChoices } from '../../shared/useChoices';

/** What joins any two ends: mine on the left, what stands there on the right, where, and under which book. */
export function JoinTab() {
    const bench = useBench();
    const { systems, mine, document } = bench;
    const card = useQuery(
        jointCardQuery({ document: document ?? benchDocument(bench, []) }, document ? { single: 'bench' } : null),
    ).data;
    const [looked, setLooked] = useState<string | null>(null);
    const [steps, setSteps] = useState(false);
    const method = card?.methods.find((one) => one.method === looked) ?? card?.methods[0];
    return (
        <div className="join-tab">
            <section className="join-ends" aria-label={t`The two ends`}>
                <Theirs bench={bench} />
                <div className="join-end">
                    <h2>{t`Mine`}</h2>
                    <Mine
                        systems={systems}
                        region={bench.theirs?.region ?? 'us'}
                        chosen={mine?.key}
                        onPick={(a) => bench.set({ a })}
                    />
                    {mine && (
                        <>
                            <Pick
                                label={t`Size`}
                                value={bench.mySize}
                                options={mine.sizes.map((one) => [one, one])}
                                onPick={(value) => bench.set({ mine: value })}
                            />
                            <Pick
                                label={t`It ends in`}
                                value={bench.myEnd}
                                options={mine.ends.map((one) => [one, END_WORDS[one] ?? one])}
                                onPick={(value) => bench.set({ mend: value })}
                            />
                        </>
                    )}
                </div>
                <WhereJoined bench={bench} />
            </section>
            {!mine && <p className="say pad">{t`Say what your own pipe is.`}</p>}
            {card && mine && !steps && <MethodList card={card} looked={method?.method ?? null} onLook={setLooked} />}
            {card?.a && card.b && method && mine && (
                <Drawn>
                    {(width) =>
                        steps ? (
                            <StepCard card={card} method={method} units={bench.units} onBack={() => setSteps(false)} />
                        ) : (
                            <MadeUp
                                card={card}
                                method={method}
                                units={bench.units}
                                width={width}
                                onSteps={() => setSteps(true)}
                            />
                        )
                    }
                </Drawn>
            )}
        </div>
    );
}

interface Bench {
    page: CataloguePage | undefined;
    systems: SystemSummary[];
    theirs: SystemSummary | undefined;
    mine: SystemSummary | undefined;
    size: string;
    end: string;
    mySize: string;
    myEnd: string;
    book: string;
    units: 'inch' | 'mm';
    ground: string;
    access: string;
    /** a job of this one joint; nothing until both ends are said */
    document: JobDocument | null;
    set: (change: Record<string, string>) => void;
}

/** What is chosen of both ends, as the address has it. */
function useBench(): Bench {
    const [params, setParams] = useSearchParams();
    const page = useQuery(systemsQuery).data;
    const systems = (page?.systems ?? []).filter((one) => one.drain);
    const get = (key: string, otherwise: string): string => params.get(key) ?? otherwise;
    const theirs = systems.find((one) => one.key === get('b', 'ci-hub-service'));
    const mine = systems.find((one) => one.key === params.get('a'));
    const size = theirs?.sizes.includes(get('size', '2')) ? get('size', '2') : (theirs?.sizes[0] ?? '2');
    const usual = useChoices().rulebooks.find((one) => one.units === (theirs?.region === 'uk' ? 'mm' : 'inch'));
    const chosen = {
        size,
        end: theirs?.ends.includes(get('end', 'plain')) ? get('end', 'plain') : 'plain',
        mySize: mine?.sizes.includes(get('mine', '')) ? get('mine', '') : sizeLike(mine, size),
        myEnd: mine?.ends.includes(get('mend', 'plain')) ? get('mend', 'plain') : 'plain',
        book: get('book', usual?.key ?? ''),
        units: get('units', theirs?.region === 'uk' ? 'mm' : 'inch') as 'inch' | 'mm',
        ground: get('ground', 'above'),
        access: get('access', 'open'),
    };
    const { end, mySize, myEnd, book, units, ground, access } = chosen;
    const document = useMemo<JobDocument | null>(() => {
        if (!mine || !theirs) return null;
        const joint = {
            id: 'bench',
            name: t`${mine.short} ${mySize} to ${theirs.short} ${size}`,
            a: { system: mine.key, size: mySize, end: myEnd },
            b: { system: theirs.key, size, end, fixed: true },
            place: { ground, access },
        } as unknown as JobSingle;
        return benchDocument({ units, book }, [joint]);
    }, [mine, theirs, mySize, size, myEnd, end, ground, access, units, book]);
    const set = (change: Record<string, string>): void =>
        setParams({ ...Object.fromEntries(params), ...change }, { replace: true });
    return { page, systems, theirs, mine, ...chosen, document, set };
}

function benchDocument({ units, book }: Pick<Bench, 'units' | 'book'>, joints: JobSingle[]): JobDocument {
    return {
        format: 'fall-bend-job',
        version: 4,
        name: 'bench',
        place: '',
        units,
        rulebook: book as JobDocument['rulebook'],
        runs: [],
        single_joints: joints,
    };
}

function Theirs({ bench: { systems, theirs, size, end, set } }: { bench: Bench }) {
    return (
        <div className="join-end">
            <h2>{t`What stands there`}</h2>
            <Pick
                label={t`Pipe`}
                value={theirs?.key ?? ''}
                options={systems.map((one) => [one.key, `${one.short} (${one.letters})`])}
                onPick={(b) => set({ b })}
            />
            <Pick
                label={t`Size`}
                value={size}
                options={(theirs?.sizes ?? []).map((one) => [one, one])}
                onPick={(value) => set({ size: value })}
            />
            <Pick
                label={t`It ends in`}
                value={end}
                options={(theirs?.ends ?? []).map((one) => [one, END_WORDS[one] ?? one])}
                onPick={(value) => set({ end: value })}
            />
        </div>
    );
}

function WhereJoined({ bench: { page, book, ground, access, set } }: { bench: Bench }) {
    return (
        <details className="join-end where" open={window.matchMedia('(min-width: 700px)').matches}>
            <summary>
                {t`Where: ${ground === 'above' ? t`above ground` : t`buried`},`}{' '}
                {page?.rulebooks.find((one) => one.id === book)?.name}
            </summary>
            <Pick
                label={t`Rulebook`}
                value={book}
                options={(page?.rulebooks ?? []).map((one) => [one.id, one.name])}
                onPick={(value) => set({ book: value })}
            />
            <Pick
                label={t`Ground`}
                value={ground}
                options={[
                    ['above', t`above ground`],
                    ['buried', 'buried'],
                ]}
                onPick={(value) => set({ ground: value })}
            />
            <Pick
                label={t`Afterward`}
                value={access}
                options={[
                    ['open', t`in the open`],
                    ['panel', t`behind an opening`],
                    ['concealed', t`closed in for good`],
                ]}
                onPick={(value) => set({ access: value })}
            />
        </details>
    );
}

interface MadeUpProps {
    card: JointCard;
    method: JointMethod;
    units: 'inch' | 'mm';
    width: number;
    onSteps: () => void;
}

/** The joint in section, and the way to its steps. */
function MadeUp({ card, method, units, width, onSteps }: MadeUpProps) {
    return (
        card.a &&
        card.b && (
            <>
                <JointSection
                    a={card.a}
                    b={card.b}
                    method={method}
                    units={units}
                    width={Math.max(300, width)}
                    height={290}
                />
                <div className="acts pad">
                    <button type="button" className="main-act" onClick={onSteps}>
                        {t`Steps: ${method.name}`}
                    </button>
                </div>
                <RestsOn sources={card.sources} />
            </>
        )
    );
}

function Drawn({ children }: { children: (width: number) => React.ReactNode }) {
    const [box, { width }] = useSize<HTMLElement>();
    return (
        <section className="joint-chosen" aria-label={t`The joint made up`} ref={box}>
            {width > 0 && children(width)}
        </section>
    );
}

/** The pipes that people join with: those of the region as buttons, one tap each. */
function Mine({
    systems,
    region,
    chosen,
    onPick,
}: {
    systems: SystemSummary[];
    region: string;
    chosen: string | undefined;
    onPick: (key: string) => void;
}) {
    const usual =
        region === 'uk'
            ? ['pvcu-solvent', 'abs-solvent', 'pp-push-fit', 'pvcu-soil', 'pvcu-underground', 'ci-en877', 'clay-en295']
            : ['pvc-dwv-40', 'abs-dwv-40', 'ci-no-hub', 'pvc-sewer-sdr35', 'copper-dwv', 'tubular-brass'];
    return (
        <div className="chips mine">
            {usual.map((key) => {
                const system = systems.find((one) => one.key === key);
                return (
                    system && (
                        <button
                            type="button"
                            key={key}
                            className={key === chosen ? 'chip on' : 'chip'}
                            aria-pressed={key === chosen}
                            onClick={() => onPick(key)}
                        >
                            {['pvcu-soil', 'pvcu-underground', 'pp-push-fit', 'pvcu-solvent'].includes(key)
                                ? system.short
                                : system.letters}
                        </button>
                    )
                );
            })}
            <select
                aria-label={t`Another pipe`}
                value={chosen && !usual.includes(chosen) ? chosen : ''}
                onChange={(event) => event.target.value && onPick(event.target.value)}
            >
                <option value="">{t`another`}</option>
                {systems.map((one) => (
                    <option key={one.key} value={one.key}>
                        {one.short}
                    </option>
                ))}
            </select>
        </div>
    );
}

function Pick({
    label,
    value,
    options,
    onPick,
}: {
    label: string;
    value: string;
    options: readonly (readonly [string, string])[];
    onPick: (value: string) => void;
}) {
    return (
        <label className="choice">
            <span className="cap">{label}</span>
            <select value={value} onChange={(event) => onPick(event.target.value)}>
                {options.map(([key, name]) => (
                    <option key={key} value={key}>
                        {name}
                    </option>
                ))}
            </select>
        </label>
    );
}
