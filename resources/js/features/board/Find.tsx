import { t } from '@lingui/core/macro';
import type { BoardAsked } from '../../api/queries';
import type { BoardPage } from '../../api/types';
import { STATIONS } from '../../shared/stations';

/** Stations that a job on the board can be at, and the last of all. */
const AT: [string, string][] = [
    ...STATIONS.filter(({ key }) => key !== 'look' && key !== 'hang').map(({ key, name }): [string, string] => [
        key,
        name,
    ]),
    ['done', t`Signed`],
];

interface Finding {
    asked: BoardAsked;
    people: BoardPage['people'];
    projects: BoardPage['projects'];
    onAsk: (change: Partial<BoardAsked>) => void;
}

/** Finds jobs by name, by the station that they are at, by who worked on them; and orders them. */
export function Find({ asked, people, projects, onAsk }: Finding) {
    return (
        <div className="board-find" role="search">
            <label className="choice">
                <span className="cap">{t`Name of the job`}</span>
                <input
                    type="search"
                    value={asked.search}
                    maxLength={120}
                    onChange={(event) => onAsk({ search: event.target.value })}
                />
            </label>
            <label className="choice">
                <span className="cap">{t`Station`}</span>
                <select value={asked.station} onChange={(event) => onAsk({ station: event.target.value })}>
                    <option value="">{t`any`}</option>
                    {AT.map(([key, name]) => (
                        <option key={key} value={key}>
                            {name}
                        </option>
                    ))}
                </select>
            </label>
            <label className="choice">
                <span className="cap">{t`Who worked on it`}</span>
                <select value={asked.person} onChange={(event) => onAsk({ person: event.target.value })}>
                    <option value="">{t`anybody`}</option>
                    {people.map(({ id, name }) => (
                        <option key={id} value={id}>
                            {name}
                        </option>
                    ))}
                </select>
            </label>
            {projects.length > 0 && (
                <label className="choice">
                    <span className="cap">{t`Project`}</span>
                    <select value={asked.project} onChange={(event) => onAsk({ project: event.target.value })}>
                        <option value="">{t`any`}</option>
                        {projects.map(({ name, jobs, signed }) => (
                            <option key={name} value={name}>
                                {t`${name}: ${signed} of ${jobs} signed`}
                            </option>
                        ))}
                    </select>
                </label>
            )}
            <label className="choice">
                <span className="cap">{t`Order`}</span>
                <select
                    value={asked.order}
                    onChange={(event) => onAsk({ order: event.target.value as BoardAsked['order'] })}
                >
                    <option value="kept">{t`last saved first`}</option>
                    <option value="name">{t`by name`}</option>
                </select>
            </label>
        </div>
    );
}
