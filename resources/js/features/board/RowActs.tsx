import Dropdown from 'react-bootstrap/Dropdown';
import type { JobRow } from '../../api/types';
import type { BoardActs } from './useBoardActs';

/** What can be done with a job on the board beside opening it. */
export function RowActs({ job, acts, onCopy }: { job: JobRow; acts: BoardActs; onCopy: () => void }) {
    if (acts.shelf === 'deleted')
        return (
            <button type="button" className="plain" onClick={() => void acts.putBack(job)}>
                Put back <span className="unseen">{job.name}</span>
            </button>
        );
    return (
        <Dropdown align="end">
            <Dropdown.Toggle as="button" type="button" className="plain row-more" aria-label={`More for ${job.name}`}>
                More&nbsp;<i aria-hidden="true">▾</i>
            </Dropdown.Toggle>
            <Dropdown.Menu>
                {job.unreadable === null && <Dropdown.Item onClick={onCopy}>Copy it, to begin another</Dropdown.Item>}
                {acts.shelf === 'open' ? (
                    <Dropdown.Item onClick={() => void acts.archive(job)}>Archive it</Dropdown.Item>
                ) : (
                    <Dropdown.Item onClick={() => void acts.putBack(job)}>Put it back on the board</Dropdown.Item>
                )}
                <Dropdown.Item href={`/api/jobs/${job.id}/${job.unreadable === null ? 'file' : 'raw'}`} download>
                    Save it as a file
                </Dropdown.Item>
                <Dropdown.Item onClick={() => void acts.remove(job)}>Delete it</Dropdown.Item>
            </Dropdown.Menu>
        </Dropdown>
    );
}
