import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { TestedSystem, TestOpening, Units } from '../../api/types';
import { HeadPicture } from '../../drawing/test/HeadPicture';
import { runInWords } from '../../shared/lengths';
import { litresInWords, pressureInWords, pushInWords, weightInWords } from '../../shared/quantities';
import { useSize } from '../../shared/useSize';
import { fillInWords } from './words';

/** What is plugged and filled, and what the water does to plugs and hangers. */
export function Filling({ system, units }: { system: TestedSystem; units: Units }) {
    const [ref, { width }] = useSize<HTMLDivElement>();
    return (
        <section className="test-fill" aria-label={t`What is plugged and filled`} ref={ref}>
            <h2>{system.fill ? t`Fill it` : t`Its ends`}</h2>
            {system.fill && <p className="glue-sum">{fillInWords(system.fill, units)}</p>}
            {system.fill && width > 0 && <HeadPicture system={system} units={units} width={Math.min(width, 760)} />}
            <ol>
                {system.openings.map((one, n) => (
                    <Opening
                        key={`${one.run} ${one.kind} ${one.what}`}
                        opening={one}
                        n={n + 1}
                        units={units}
                        run={system.runs.length > 1 ? (system.runs.find(({ id }) => id === one.run)?.name ?? '') : ''}
                    />
                ))}
            </ol>
            {system.loads.length > 0 && (
                <details>
                    <summary>{t`What hangers carry while it is full`}</summary>
                    <ul>
                        {system.loads.map((load) => (
                            <li key={load.run}>
                                <Trans>
                                    <b>{load.name}</b>: {litresInWords(load.litres, units)} of water
                                </Trans>
                                {load.hanger_kg !== null &&
                                    load.hanger_at &&
                                    hangerInWords(load.hanger_at.mm, load.hanger_kg, units)}
                                .
                            </li>
                        ))}
                    </ul>
                </details>
            )}
        </section>
    );
}

const hangerInWords = (atMm: number, kg: number, units: Units): string =>
    t`; most on the hanger at ${runInWords(atMm, units)}: ${weightInWords(kg, units)} with the pipe`;

interface OpeningProps {
    opening: TestOpening;
    n: number;
    units: Units;
    /** its run, where there are several */
    run: string;
}

function Opening({ opening, n, units, run }: OpeningProps) {
    const isPushed = opening.head !== null && !opening.is_fill;
    return (
        <li>
            <b className="test-n mk">{n}</b>
            <span>
                <b>{opening.what}</b>, {opening.size}
                {units === 'inch' ? t` in` : t` mm`}
                {run !== '' && `, ${run}`}
                <span className="cap">{opening.do}</span>
            </span>
            <span className="cap test-push">
                {isPushed && opening.push_n !== null && opening.kpa !== null && (
                    <>
                        <Trans>
                            {pushInWords(opening.push_n, units)} on the plug
                            <br />
                            {pressureInWords(opening.kpa, units)}
                        </Trans>
                    </>
                )}
                {opening.is_fill && t`fill here`}
            </span>
        </li>
    );
}
