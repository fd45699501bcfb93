import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { howTosQuery } from '../../api/queries';
import type { HowTo, Start } from '../../api/types';

/** Everything that is explained step by step. */
export function HowToList() {
    const howTos = useQuery(howTosQuery('inch')).data?.how_to ?? [];
    if (howTos.length === 0) return null;
    return (
        <section aria-label={t`How it is done`}>
            <h2>{t`How it is done`}</h2>
            <ul className="start-list">
                {howTos.map((one) => (
                    <li key={one.id}>
                        <Link to={`/how-to/${one.id}`}>
                            <b>{one.name}</b>
                            <span>{one.say}</span>
                        </Link>
                    </li>
                ))}
            </ul>
        </section>
    );
}

/** What belongs to a start beside its runs: the waste, the box, the trench. */
export function HowTosOf({ start }: { start: Start }) {
    const units = start.region === 'us' ? 'inch' : 'mm';
    const of = (useQuery(howTosQuery(units)).data?.how_to ?? []).filter((one: HowTo) => one.starts.includes(start.id));
    if (of.length === 0) return null;
    return (
        <nav className="start-how" aria-label={t`How it is done`}>
            <b>{t`How it is done`}</b>
            <ul>
                {of.map((one) => (
                    <li key={one.id}>
                        <Link to={`/how-to/${one.id}?units=${units}`}>{one.name}</Link>
                    </li>
                ))}
            </ul>
        </nav>
    );
}
