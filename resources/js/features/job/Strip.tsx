import { t } from '@lingui/core/macro';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { JobDocument, RunReport, StandingReport } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { standing, standingBeside, STATIONS } from '../../shared/stations';

export function Strip({
    base,
    on,
    run,
    standing: stood,
    cut,
    beside,
}: {
    base: string;
    on: string;
    run: RunReport | undefined;
    standing: StandingReport[];
    /** keys of the pieces that are cut; null: not read yet */
    cut: string[] | null;
    /** a job without runs: what else it holds */
    beside: JobDocument | undefined;
}) {
    const nav = useRef<HTMLElement>(null);
    // On a phone the strip is wider than the screen: the station at hand is brought into it.
    useEffect(() => {
        const current = nav.current?.querySelector<HTMLElement>('a.on');
        if (nav.current && current) nav.current.scrollLeft = current.offsetLeft - nav.current.offsetLeft - 40;
    }, [on]);
    return (
        <nav className="strip" aria-label={t`Stations`} ref={nav}>
            {STATIONS.map((station, i) => {
                const { shape, text } =
                    (beside && standingBeside(station, beside)) ?? standing(station, run, stood, cut);
                const current = station.key === on;
                return (
                    <Link
                        key={station.key}
                        to={`${base}/${station.key}`}
                        className={current ? 'on' : ''}
                        aria-current={current ? 'step' : undefined}
                        title={`Alt+${i + 1}`}
                    >
                        <b>{station.name}</b>
                        <span>
                            <Shape kind={shape} size={14} />
                            {text}
                        </span>
                    </Link>
                );
            })}
        </nav>
    );
}
