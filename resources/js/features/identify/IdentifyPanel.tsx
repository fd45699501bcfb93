import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useRef, type ReactNode } from 'react';
import { identifyQuery } from '../../api/queries';
import type { IdentifyOutput, Units } from '../../api/types';
import { asInput, COLOURS, JOINTS, type Evidence } from './evidence';
import { Shape } from '../../shared/Shape';
import { Lanes } from './Lanes';
import { shareInWords } from './evidence';
import { NextCheck } from './NextCheck';
import { Reading } from './Reading';
import { Weight } from './Weight';

interface Props {
    evidence: Evidence;
    onChange: (evidence: Evidence) => void;
    units: Units;
    /** what may be done with a candidate */
    actions: (candidate: IdentifyOutput['candidates'][number]) => ReactNode;
}

/**
 * From what can be read, seen and measured of a pipe to what it is: the evidence, every candidate on one scale, why,
 * and the next check.
 */
export function IdentifyPanel({ evidence, onChange, units, actions }: Props) {
    const answer = useQuery(identifyQuery(asInput(evidence, units)));
    const { data } = answer;
    const first = data?.candidates[0];
    // A length is read by the server: what is tapped meanwhile is not lost when it comes.
    const now = useRef(evidence);
    now.current = evidence;
    const put = (next: Evidence): void => {
        now.current = next;
        onChange(next);
    };
    const set = (change: Partial<Evidence>): void => put({ ...now.current, ...change });
    const toggle = <K extends keyof Evidence>(key: K, value: Evidence[K]): void => {
        const next = { ...now.current };
        if (next[key] === value) delete next[key];
        else next[key] = value;
        put(next);
    };
    const weigh = (kgPerM: number | undefined): void => {
        const { kg_per_m: _, ...rest } = now.current;
        put(kgPerM === undefined ? rest : { ...rest, kg_per_m: kgPerM });
    };
    return (
        <div className="identify">
            <section className="evidence" aria-label={t`What is known`}>
                <Reading evidence={evidence} units={units} onChange={set} />
                <Seen evidence={evidence} onToggle={toggle} onRegion={(region) => set({ region })} />
                <label className="print-read">
                    <span className="cap">{t`Print on it`}</span>
                    <input
                        value={evidence.print ?? ''}
                        maxLength={200}
                        placeholder={t`as far as it can be read`}
                        autoComplete="off"
                        onChange={(event) => set({ print: event.target.value })}
                    />
                </label>
                <Weight kgPerM={evidence.kg_per_m} units={units} onChange={weigh} />
            </section>
            <section className="meaning" aria-label={t`What it is`} aria-live="polite">
                {evidence.mm === null && (
                    <p className="say pad">
                        {t`Say how wide it is, even by eye: then every pipe of the catalog is compared.`}
                    </p>
                )}
                {answer.isError && (
                    <p className="problem pad" role="alert">
                        {answer.error.message}
                    </p>
                )}
                {data && evidence.mm !== null && (
                    <>
                        <Lanes data={data} evidence={evidence} units={units} />
                        {data.none.stop !== null && (
                            <p className="say hold" role="alert">
                                <Shape kind="stop" size={20} /> <span>{data.none.stop}</span>
                            </p>
                        )}
                        <MayBe none={data.none} />
                        {data.none.is_likeliest && <p className="say pad">{data.none.say}</p>}
                        {first ? (
                            <Because data={data} actions={actions} />
                        ) : (
                            !data.none.is_likeliest && <p className="say pad">{data.none.say}</p>
                        )}
                        {first && !data.none.is_likeliest && <p className="cap pad">{data.none.say}</p>}
                    </>
                )}
            </section>
            <section className="next-check" aria-label={t`The next check`}>
                {data && evidence.mm !== null && <NextCheck data={data} evidence={evidence} onChange={set} />}
            </section>
        </div>
    );
}

interface SeenProps {
    evidence: Evidence;
    onToggle: <K extends keyof Evidence>(key: K, value: Evidence[K]) => void;
    onRegion: (region: 'us' | 'uk') => void;
}

/** What is seen of it, each at a tap. */
function Seen({ evidence, onToggle, onRegion }: SeenProps) {
    return (
        <>
            <Chips label={t`Color`}>
                {COLOURS.map(([colour, name]) => (
                    <Chip key={colour} on={evidence.colour === colour} onClick={() => onToggle('colour', colour)}>
                        {name}
                    </Chip>
                ))}
            </Chips>
            <Chips label={t`Its joints or ends`}>
                {JOINTS.map(([key, name]) => (
                    <Chip key={key} on={evidence.joint_seen === key} onClick={() => onToggle('joint_seen', key)}>
                        {name}
                    </Chip>
                ))}
            </Chips>
            <Chips label={t`A magnet`}>
                <Chip on={evidence.magnet === true} onClick={() => onToggle('magnet', true)}>
                    {t`holds`}
                </Chip>
                <Chip on={evidence.magnet === false} onClick={() => onToggle('magnet', false)}>
                    {t`does not`}
                </Chip>
                <Chip on={evidence.region === 'us'} onClick={() => onRegion('us')}>
                    {t`North America`}
                </Chip>
                <Chip on={evidence.region === 'uk'} onClick={() => onRegion('uk')}>
                    {t`UK`}
                </Chip>
            </Chips>
        </>
    );
}

/** Why it is the likeliest, and what else it may be. */
function Because({ data, actions }: { data: IdentifyOutput; actions: Props['actions'] }) {
    const [first] = data.candidates;
    if (!first) return null;
    return (
        <div className="because">
            <div>
                <h3>{data.none.is_likeliest ? t`What speaks for ${first.short}` : t`Because`}</h3>
                <ol>
                    {first.because.map((line) => (
                        <li key={line} className="say">
                            {line}
                        </li>
                    ))}
                </ol>
                {first.tell_apart !== '' && data.candidates.length > 1 && <p className="say">{first.tell_apart}</p>}
                {!first.drain && <p className="say">{t`It is water tube: it does not belong in a drain.`}</p>}
            </div>
            <div className="acts">{actions(first)}</div>
            {data.candidates.slice(1, 4).map((candidate) => (
                <details key={`${candidate.system} ${candidate.size}`}>
                    <summary>{t`Or ${candidate.short}, ${shareInWords(candidate.likelihood)} of 100`}</summary>
                    <p className="say">{candidate.tell_apart}</p>
                    <div className="acts">{actions(candidate)}</div>
                </details>
            ))}
        </div>
    );
}

function Chips({ label, children }: { label: string; children: ReactNode }) {
    return (
        <fieldset className="chips">
            <legend className="cap">{label}</legend>
            {children}
        </fieldset>
    );
}

function Chip({ on, onClick, children }: { on: boolean; onClick: () => void; children: ReactNode }) {
    return (
        <button type="button" className={on ? 'chip on' : 'chip'} aria-pressed={on} onClick={onClick}>
            {children}
        </button>
    );
}

/** Below this share pipes that no table has are not spoken of by name. */
const NAMED_FROM = 0.05;

/** What looks like the pipes of the catalogue and is none of them, with how it is told. */
function MayBe({ none }: Pick<IdentifyOutput, 'none'>) {
    if (none.may_be.length === 0 || (none.likelihood < NAMED_FROM && none.stop === null)) return null;
    return (
        <ul className="may-be" aria-label={t`Other pipes that look like it`}>
            {none.may_be.map((one) => (
                <li key={one.id}>
                    <b>{one.name}</b>: {one.looks}
                </li>
            ))}
        </ul>
    );
}
