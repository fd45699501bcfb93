import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import type { JobRow as Row } from '../../api/types';
import { timeIn } from '../../shared/locale';

/** Who saved a job last, and when; or who deleted it; and what can be done with it. */
export function Keeper({ job, acts }: { job: Row; acts: ReactNode }) {
    return (
        <div className="keeper">
            <div>
                <b>{job.deleted_by ?? job.kept_by}</b>
                <p>
                    {job.deleted_by === null
                        ? timeIn(job.kept_at, {
                              day: 'numeric',
                              month: 'short',
                              hour: '2-digit',
                              minute: '2-digit',
                          })
                        : t`deleted it`}
                </p>
            </div>
            {acts}
        </div>
    );
}
