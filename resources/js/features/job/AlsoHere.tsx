import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { logQuery, type There } from '../../api/queries';
import { STATIONS } from '../../shared/stations';

/** Who else has the job open, and at which station. */
export function AlsoHere({ job }: { job: string }) {
    const { data } = useQuery({ ...logQuery(job), select: ({ here = [] }) => here });
    if (!data || data.length === 0) return null;
    const names = data.map(inWords);
    return (
        <p className="also-here" aria-live="polite">
            <span className="cap">{t`Also here`}</span> {[...new Set(names)].join(', ')}
        </p>
    );
}

const inWords = ({ name, me, station }: There): string => {
    const at = STATIONS.find((one) => one.key === station)?.name ?? station;
    return me ? t`you on another page (${at})` : t`${name} (${at})`;
};
