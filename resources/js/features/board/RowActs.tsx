import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import Dropdown from 'react-bootstrap/Dropdown';
import { accountQuery } from '../../api/queries';
import type { JobRow } from '../../api/types';
import { mayNow } from '../../shared/roles';
import type { BoardActs } from './useBoardActs';

interface Props {
    job: JobRow;
    acts: BoardActs;
    onCopy: () => void;
    onProject: () => void;
}

/** What can be done with a job on the board beside opening it. */
export function RowActs({ job, acts, onCopy, onProject }: Props) {
    const account = useQuery(accountQuery).data;
    const [mayStart, mayPutAway] = [mayNow(account, 'apprentice'), mayNow(account, 'plumber')];
    if (acts.shelf === 'deleted')
        return (
            mayPutAway && (
                <button type="button" className="plain" onClick={() => void acts.putBack(job)}>
                    <Trans>
                        Put back <span className="unseen">{job.name}</span>
                    </Trans>
                </button>
            )
        );
    return (
        <Dropdown align="end">
            <Dropdown.Toggle as="button" type="button" className="plain row-more" aria-label={t`More for ${job.name}`}>
                <Trans>
                    More&nbsp;<i aria-hidden="true">▾</i>
                </Trans>
            </Dropdown.Toggle>
            <Dropdown.Menu>
                {mayStart && job.unreadable === null && (
                    <Dropdown.Item onClick={onCopy}>{t`Copy it, to begin another`}</Dropdown.Item>
                )}
                {mayStart && <Dropdown.Item onClick={onProject}>{t`Put it into a project`}</Dropdown.Item>}
                {mayPutAway && acts.shelf === 'open' && (
                    <Dropdown.Item onClick={() => void acts.archive(job)}>{t`Archive it`}</Dropdown.Item>
                )}
                {mayPutAway && acts.shelf !== 'open' && (
                    <Dropdown.Item onClick={() => void acts.putBack(job)}>{t`Put it back on the board`}</Dropdown.Item>
                )}
                <Dropdown.Item href={`/api/jobs/${job.id}/${job.unreadable === null ? 'file' : 'raw'}`} download>
                    {t`Save it as a file`}
                </Dropdown.Item>
                {mayPutAway && <Dropdown.Item onClick={() => void acts.remove(job)}>{t`Delete it`}</Dropdown.Item>}
            </Dropdown.Menu>
        </Dropdown>
    );
}
