import { Link } from 'react-router';
import type { RunReport, StandingReport } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { standing, STATIONS } from '../../shared/stations';

export function Strip({
    base,
    on,
    run,
    standing: stood,
    cut,
}: {
    base: string;
    on: string;
    run: RunReport | undefined;
    standing: StandingReport[];
    /** keys of the pieces that are cut; null: not read yet */
    cut: string[] | null;
}) {
    return (
        <nav className="strip" aria-label="Stations">
            {STATIONS.map((station, i) => {
                const { shape, text } = standing(station, run, stood, cut);
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
