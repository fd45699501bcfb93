import { t } from '@lingui/core/macro';
import Dropdown from 'react-bootstrap/Dropdown';
import { useNavigate } from 'react-router';
import type { Job } from '../../api/types';
import { JobItems } from './JobItems';
import { MenuField, type Menu, type MenusOf } from './MenusToCome';

interface Props extends MenusOf {
    job: Job;
    isSaved: boolean;
    /** the menu that was asked for before it could open */
    opened: Menu | null;
    onRun: () => void;
    onNewRun: () => void;
    onSettings: () => void;
    onTakeAlong: () => void;
}

/** The menus of the head: what can be done with the job, and its runs; on a phone both are one. */
export function HeadMenus({ job, isSaved, opened, onRun, onNewRun, onSettings, onTakeAlong, ...of }: Props) {
    const { document, plan, phone } = of;
    const navigate = useNavigate();
    const items = <JobItems job={job} run={plan?.id} {...{ isSaved, onSettings, onTakeAlong }} />;
    return (
        <>
            {!phone && (
                <Dropdown className="job-name" defaultShow={opened === 'job'}>
                    <Dropdown.Toggle as="button" type="button" className="head-field">
                        <MenuField {...of} menu="job" />
                    </Dropdown.Toggle>
                    <Dropdown.Menu>{items}</Dropdown.Menu>
                </Dropdown>
            )}
            <Dropdown defaultShow={opened === 'runs'}>
                <Dropdown.Toggle as="button" type="button" className="head-field">
                    <MenuField {...of} menu="runs" />
                </Dropdown.Toggle>
                <Dropdown.Menu>
                    {document.runs.map((run, i) => (
                        <Dropdown.Item
                            key={run.id}
                            active={run.id === plan?.id}
                            onClick={() => void navigate(`/jobs/${job.id}/runs/${run.id}`)}
                        >
                            {i + 1}. {run.name}
                        </Dropdown.Item>
                    ))}
                    {plan && <Dropdown.Item onClick={onRun}>{t`Change this run: pipe, ends, levels`}</Dropdown.Item>}
                    <Dropdown.Item onClick={onNewRun}>{t`Start another run`}</Dropdown.Item>
                    {phone && (
                        <>
                            <Dropdown.Header>{t`The job: ${document.name}`}</Dropdown.Header>
                            {items}
                        </>
                    )}
                </Dropdown.Menu>
            </Dropdown>
        </>
    );
}
