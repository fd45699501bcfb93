import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import type { Evaluation, FixtureReport, PipeReport, Units } from '../../api/types';
import { Said } from '../../drawing/Said';
import { flowInWords, speedInWords } from '../../shared/quantities';
import { Shape } from '../../shared/Shape';
import { SourceTap } from '../../shared/SourceTap';
import { TrapPicture } from './TrapPicture';
import { WaysOfVenting } from './WaysOfVenting';
import { knownFirst, ROLE } from './tree';

type Way = NonNullable<FixtureReport['arm']>['ways'][number];

/**
 * Every trap with its arm and vent, and every pipe with what it carries: what is proposed, how it runs, what is left.
 */
export function LoadsView({ evaluation, onOpen }: { evaluation: Evaluation; onOpen: (run: string) => void }) {
    const { fixtures, pipes } = evaluation.network;
    const [chosen, setChosen] = useState<string | null>(null);
    const fixture =
        fixtures.find((one) => one.run === chosen) ??
        fixtures.find((one) => one.discharge !== null) ??
        fixtures[0] ??
        null;
    return (
        <div className="loads">
            <section aria-label={t`Traps and vents`}>
                <h2 className="group-title">
                    <Trans>
                        Traps and their vents <span className="cap">{fixtures.length}</span>
                    </Trans>
                </h2>
                {fixtures.length === 0 && <p className="none">{t`No fixture yet. Add a run that begins with one.`}</p>}
                <table className="plain-table">
                    <thead>
                        <tr>
                            <th>{t`Fixture`}</th>
                            <th>{t`Counts`}</th>
                            <th>{t`Arm`}</th>
                            <th>{t`May be`}</th>
                            <th>{t`Air comes`}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {fixtures.map((one) => (
                            <TrapRow
                                key={one.run}
                                fixture={one}
                                units={evaluation.units}
                                lit={one.run === fixture?.run}
                                onPick={() => setChosen(one.run)}
                            />
                        ))}
                    </tbody>
                </table>
                <h2 className="group-title">
                    <Trans>
                        Pipes and what runs in them <span className="cap">{pipes.length}</span>
                    </Trans>
                </h2>
                <table className="plain-table">
                    <thead>
                        <tr>
                            <th>{t`Run`}</th>
                            <th>{t`Size`}</th>
                            <th>{t`Is a`}</th>
                            <th>{t`Carries`}</th>
                            <th>{t`Takes`}</th>
                            <th>{t`At the design flow`}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {knownFirst(pipes).map((pipe) => (
                            <PipeRow
                                key={`${pipe.run} ${pipe.from_mm}`}
                                pipe={pipe}
                                evaluation={evaluation}
                                onOpen={onOpen}
                            />
                        ))}
                    </tbody>
                </table>
                <p className="cap foot">
                    {evaluation.network.counts_flow
                        ? t`Q = K·√ΣDU, never less than the largest fixture; depth and velocity after Manning.`
                        : t`The book counts fixture units.` +
                          ' ' +
                          t`The flow beside them is worked out from an assumed frequency; it explains, it does not judge.`}
                </p>
            </section>
            <section className="trap-col" aria-label={t`The trap arm`}>
                {fixture ? (
                    <>
                        <TrapPicture key={fixture.run} fixture={fixture} evaluation={evaluation} onOpen={onOpen} />
                        <WaysOfVenting arm={fixture.arm} />
                    </>
                ) : (
                    <p className="none">{t`Pick a trap.`}</p>
                )}
            </section>
        </div>
    );
}

function TrapRow({
    fixture,
    units,
    lit,
    onPick,
}: {
    fixture: FixtureReport;
    units: Units;
    lit: boolean;
    onPick: () => void;
}) {
    const { arm } = fixture;
    return (
        <tr className={lit ? 'lit' : ''}>
            <td>
                <button type="button" className="as-text" onClick={onPick}>
                    <b>{fixture.name}</b>
                </button>
                {fixture.counted_as && <span className="cap line">{fixture.counted_as}</span>}
            </td>
            <td>
                {fixture.source ? (
                    <SourceTap source={fixture.source}>{fixture.load_said}</SourceTap>
                ) : (
                    fixture.load_said
                )}
            </td>
            <td className="num">{arm ? <Said tape={arm.length} units={units} unit /> : '—'}</td>
            <td className="num">
                {arm?.most ? (
                    <Said tape={arm.most} units={units} unit />
                ) : arm?.unlimited ? (
                    t`any length`
                ) : (
                    t`not known`
                )}
                {arm?.over && <Shape kind="stop" size={15} />}
            </td>
            <td>
                <VentOf arm={arm} />
            </td>
        </tr>
    );
}

/** Ways that no pipe brings air by. */
const WITHOUT_PIPE: Way['method'][] = ['stub-stack', 'unvented'];

/** How a trap is vented: by which method and pipe, or that it is by none. */
function VentOf({ arm }: { arm: FixtureReport['arm'] }) {
    if (arm === null || arm.vent === 'none')
        return (
            <>
                <Shape kind="stop" size={15} /> {t`nowhere`}
            </>
        );
    if (arm.vent === 'not-known')
        return (
            <>
                <Shape kind="unknown" size={15} /> {t`not known: what it leads into is not described`}
            </>
        );
    if (arm.vent === 'gully') return t`at the gully`;
    const way = arm.ways.find((one) => one.state === 'vents');
    if (way)
        return (
            <>
                <SourceTap source={way.source}>{way.name}</SourceTap>
                {!WITHOUT_PIPE.includes(way.method) && <span className="cap line">{arm.vent_by}</span>}
            </>
        );
    const isOpen = arm.ways.some((one) => one.state === 'not-judged');
    return (
        <>
            <Shape kind={isOpen ? 'unknown' : 'stop'} size={15} />{' '}
            {isOpen ? t`not judged here` : t`in no way that the book has`}
            <span className="cap line">{arm.vent_by}</span>
        </>
    );
}

function PipeRow({
    pipe,
    evaluation,
    onOpen,
}: {
    pipe: PipeReport;
    evaluation: Evaluation;
    onOpen: (run: string) => void;
}) {
    const name = evaluation.network.places.find((place) => place.run === pipe.run)?.name ?? pipe.run;
    const { flow, short } = pipe;
    const { units } = evaluation;
    return (
        <tr>
            <td>
                <button type="button" className="as-text" onClick={() => onOpen(pipe.run)}>
                    {name}
                </button>
            </td>
            <td className="num">{pipe.size}</td>
            <td>
                {ROLE[pipe.role]}
                {pipe.called_vent && pipe.role === 'drain' && pipe.made_wet_by && (
                    <span className="cap"> {t`made wet by ${pipe.made_wet_by}`}</span>
                )}
                {pipe.role === 'wet-vent' && <span className="cap"> {t`for ${pipe.vents.join(', ')}`}</span>}
            </td>
            <td>{pipe.fixtures > 0 ? pipe.load_said : ''}</td>
            <td>
                {pipe.most_said && pipe.source ? (
                    <SourceTap source={pipe.source}>{pipe.most_said}</SourceTap>
                ) : (
                    (pipe.most_said ?? '')
                )}
                {short && (
                    <>
                        {' '}
                        <Shape kind="stop" size={15} /> {pipe.proposed ? t`make it ${pipe.proposed}` : t`no size does`}
                    </>
                )}
                {!short && pipe.proposed && pipe.proposed !== pipe.size && (
                    <span className="cap"> {t`${pipe.proposed} would do`}</span>
                )}
            </td>
            <td>
                {flow &&
                    (flow.fill === null || flow.velocity_m_per_s === null
                        ? t`${flowInWords(flow.l_per_s, units)}: full, a single discharge fills it`
                        : [
                              flowInWords(flow.l_per_s, units),
                              t`${Math.round(flow.fill * 100)} % deep`,
                              `${speedInWords(flow.velocity_m_per_s, units)}${flow.self_cleansing ? '' : t`: too slow to carry solids`}`,
                              t`${Math.round((1 - flow.l_per_s / flow.full_l_per_s) * 100)} % left`,
                          ].join(', '))}
            </td>
        </tr>
    );
}
