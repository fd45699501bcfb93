import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { startsQuery } from '../../api/queries';
import type { Start } from '../../api/types';
import { HowToList } from './HowToLinks';
import { StartHead } from './StartHead';
import { StartPicture } from './StartPicture';

const COUNTRIES: { region: Start['region']; name: string }[] = [
    { region: 'us', name: t`In inches` },
    { region: 'uk', name: t`In millimeters, UK` },
];

/** What is the job? Every task that a job can begin with, with its drawing. */
export function StartsPage() {
    const starts = useQuery(startsQuery);
    return (
        <div className="starts">
            <StartHead title={t`What is the job?`} />
            <main>
                <h1>{t`What is the job?`}</h1>
                {starts.isPending && <p className="waiting">{t`Fetching them.`}</p>}
                {starts.isError && (
                    <p className="waiting" role="alert">
                        {starts.error.message}{' '}
                        <button type="button" className="plain" onClick={() => void starts.refetch()}>
                            {t`Try again`}
                        </button>
                    </p>
                )}
                {starts.data &&
                    COUNTRIES.map(({ region, name }) => (
                        <section key={region} aria-label={name}>
                            <h2>{name}</h2>
                            <ul className="start-list">
                                {starts.data.starts
                                    .filter((start) => start.region === region)
                                    .map((start) => (
                                        <li key={start.id}>
                                            <Link to={`/start/${start.id}`}>
                                                <StartPicture strokes={start.strokes} />
                                                <b>{start.name}</b>
                                                <span>{start.say}</span>
                                            </Link>
                                        </li>
                                    ))}
                            </ul>
                        </section>
                    ))}
                <HowToList />
                <p className="start-else">
                    <Trans>
                        Something else? <Link to="/">{t`Name the job on the board`}</Link>, and call it out.
                    </Trans>
                </p>
            </main>
        </div>
    );
}
