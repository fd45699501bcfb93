import type { JobRow as Row } from '../../api/types';

/** Who saved a job last, and when. */
export function Keeper({ job }: { job: Row }) {
    return (
        <div>
            <b>{job.kept_by}</b>
            <p>
                {new Date(job.kept_at).toLocaleString([], {
                    day: 'numeric',
                    month: 'short',
                    hour: '2-digit',
                    minute: '2-digit',
                })}
            </p>
        </div>
    );
}
