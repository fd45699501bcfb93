import { t } from '@lingui/core/macro';
import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { useNavigate } from 'react-router';
import { reasonOf, type Result } from '../../api/client';
import { archiveJob, deleteJob } from '../../api/queries';
import { useGuide } from '../../shared/guide';
import { Shape } from '../../shared/Shape';

interface Props {
    job: { id: string; name: string };
    /** the run that a tour goes along; none: there is none yet */
    run: string | undefined;
    /** whether all that was said is saved: nothing unsaved is put away */
    isSaved: boolean;
    onSettings: () => void;
    onTakeAlong: () => void;
}

/** What can be done with a job as a whole, in a menu. */
export function JobItems({ job, run, isSaved, onSettings, onTakeAlong }: Props) {
    const navigate = useNavigate();
    const guide = useGuide();
    const [problem, setProblem] = useState<string | null>(null);
    const away = async (asked: Promise<Result<null>>, shelf: string): Promise<void> => {
        const result = await asked;
        if (result.ok) void navigate(`/?shelf=${shelf}`);
        else setProblem(reasonOf(result));
    };
    return (
        <>
            <Dropdown.Item onClick={onSettings}>{t`Name, place, units, rulebook`}</Dropdown.Item>
            <Dropdown.Item disabled={!isSaved} onClick={onTakeAlong}>
                {t`Take it along, for where there is no signal`}
            </Dropdown.Item>
            <Dropdown.Item href={`/api/jobs/${job.id}/file`} download>
                {t`Save the job as a file`}
            </Dropdown.Item>
            <Dropdown.Item disabled={!isSaved} onClick={() => void away(archiveJob(job.id), 'archived')}>
                {t`Archive the job`}
            </Dropdown.Item>
            <Dropdown.Item disabled={!isSaved} onClick={() => void away(deleteJob(job.id), 'deleted')}>
                {t`Delete the job: it can be put back for 30 days`}
            </Dropdown.Item>
            {run !== undefined && (
                <Dropdown.Item onClick={() => guide.showRound(job.id, run)}>
                    {t`Show me round: two minutes`}
                </Dropdown.Item>
            )}
            <Dropdown.Item onClick={guide.help}>{t`Keys and words (?)`}</Dropdown.Item>
            {problem && (
                <p className="problem" role="alert">
                    <Shape kind="stop" size={16} /> {problem}
                </p>
            )}
        </>
    );
}
