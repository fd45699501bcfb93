import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { JobRecord, RecordedJoint, RecordedPicture, RecordedRun } from '../../api/types';
import { Said } from '../../drawing/Said';
import { FindingLines } from '../../shared/FindingLines';
import { localClock } from '../../shared/localClock';
import { smallInWords } from '../../shared/lengths';
import { Shape } from '../../shared/Shape';
import { methodInWords, seenInWords, sumInWords, testLine } from './words';

interface Props {
    record: JobRecord;
    /** the run that is opened first; null: the first one */
    open: string | null;
    /** where its pictures are */
    pictures: string;
}

/** The record of a job, to be read. */
export function RecordView({ record, open, pictures }: Props) {
    return (
        <>
            <section className="record-head" aria-label={t`The record`}>
                <h2>{record.name}</h2>
                <p className="glue-sum">{sumInWords(record)}</p>
                <dl>
                    <dt>{t`Place`}</dt>
                    <dd>{record.place || t`not said`}</dd>
                    <dt>{t`Book`}</dt>
                    <dd>{record.book}</dd>
                    <dt>{t`On site`}</dt>
                    <dd>
                        {record.from === null || record.to === null
                            ? t`nothing is logged yet`
                            : t`${localClock(record.from)} to ${localClock(record.to)}`}
                    </dd>
                    <dt>{t`People`}</dt>
                    <dd>{record.people.join(', ') || t`nobody yet`}</dd>
                    <dt>{t`Log`}</dt>
                    <dd className="record-hash">
                        {record.entries === 0 ? t`empty` : t`${record.entries} entries, ${record.hash.slice(0, 16)}…`}
                    </dd>
                </dl>
            </section>
            <section className="record-tests" aria-label={t`Tests`}>
                <h2>{t`Tests`}</h2>
                {record.tests.length === 0 && <p className="none">{t`No test is logged yet.`}</p>}
                <ul>
                    {record.tests.map((test) => (
                        <li key={`${test.system} ${test.begun_at} ${test.name}`}>
                            <Shape
                                kind={test.state === 'passed' ? 'done' : test.state === 'failed' ? 'stop' : 'open'}
                                size={18}
                            />{' '}
                            {testLine(test)}
                        </li>
                    ))}
                </ul>
            </section>
            <section className="record-runs" aria-label={t`Joint by joint`}>
                <h2>{t`Joint by joint`}</h2>
                {record.runs.map((run) => (
                    <Run
                        key={run.id}
                        run={run}
                        units={record.units}
                        isOpen={run.id === (open ?? record.runs[0]?.id)}
                        pictures={pictures}
                    />
                ))}
            </section>
            <Lists record={record} pictures={pictures} />
        </>
    );
}

interface RunProps {
    run: RecordedRun;
    units: JobRecord['units'];
    isOpen: boolean;
    pictures: string;
}

function Run({ run, units, isOpen, pictures }: RunProps) {
    const made = run.joints.filter((joint) => joint.made_at !== null).length;
    return (
        <details open={isOpen} className="record-run">
            <summary>
                <Trans>
                    <b>{run.name}</b>, {run.pipe}: {made} of {run.joints.length} made
                </Trans>
            </summary>
            <FindingLines findings={run.differs} />
            {run.services !== null && <p className="say">{t`Services in the ground: ${run.services}.`}</p>}
            {run.pieces.length > 0 && (
                <p className="record-pieces">
                    {run.pieces.map((piece) => (
                        <span key={piece.letter}>
                            <b className="mk">{piece.letter}</b>{' '}
                            {piece.cut ? <Said tape={piece.cut} units={units} unit /> : t`not measured`}
                            {piece.came && (
                                <span className="cap">
                                    {' '}
                                    {t`came out`} <Said tape={piece.came} units={units} unit />
                                </span>
                            )}
                        </span>
                    ))}
                </p>
            )}
            <Built built={run.built} units={units} />
            <ol>
                {run.joints.map((joint) => (
                    <Joint key={joint.joint} joint={joint} pictures={pictures} />
                ))}
            </ol>
        </details>
    );
}

/** How it came to hang: what was read against what was planned, and what is to be raised or lowered. */
function Built({ built, units }: { built: RecordedRun['built']; units: JobRecord['units'] }) {
    if (built.hangers.length === 0) return null;
    const moved = built.hangers.filter((one) => one.move !== 'leave');
    return (
        <>
            <FindingLines findings={built.findings} />
            <p>
                <Trans>
                    Read at {built.hangers.length} {built.hangers.length === 1 ? t`hanger` : t`hangers`}, give or take{' '}
                    {smallInWords(built.error_mm, units)}:{' '}
                    {moved.length === 0
                        ? t`all hang as they have to.`
                        : `${moved.map((one) => moveInWords(one, units)).join('; ')}.`}
                </Trans>
            </p>
        </>
    );
}

const MOVES = { raise: t`raised`, lower: t`lowered`, leave: t`left` } as const;

function moveInWords(one: RecordedRun['built']['hangers'][number], units: JobRecord['units']): string {
    const by = smallInWords(Math.abs(one.off_mm), units);
    return t`hanger ${one.hanger} is to be ${MOVES[one.move]} by ${by}`;
}

function Joint({ joint, pictures }: { joint: RecordedJoint; pictures: string }) {
    const shape = joint.trouble ? 'stop' : joint.made_at === null ? 'open' : 'done';
    return (
        <li className="record-joint">
            <b className="glue-n mk">{joint.mark}</b>
            <span>
                <Shape kind={shape} size={16} /> <b>{joint.name}</b>
                <span className="cap">
                    {methodInWords(joint)}
                    {joint.part !== '' && `, ${joint.part}`}
                </span>
            </span>
            <span>
                {joint.made_at === null ? t`not made` : `${localClock(joint.made_at)}, ${joint.by}`}
                <span className="cap">
                    {joint.trouble && t`Wrong: ${joint.trouble.what.replaceAll('-', ' ')}. `}
                    {seenInWords(joint)}
                </span>
                <Pictures of={joint.pictures} at={pictures} />
            </span>
        </li>
    );
}

/** Pictures as they were kept, each with what it shows. */
function Pictures({ of, at }: { of: RecordedPicture[]; at: string }) {
    if (of.length === 0) return null;
    return (
        <span className="record-pictures">
            {of.map((one) => (
                <a key={`${one.hash} ${one.at}`} href={`${at}/${one.hash}`} target="_blank" rel="noreferrer">
                    <img src={`${at}/${one.hash}`} alt={one.note || t`Photograph by ${one.by}`} loading="lazy" />
                </a>
            ))}
        </span>
    );
}

function Lists({ record, pictures }: { record: JobRecord; pictures: string }) {
    return (
        <section className="record-lists" aria-label={t`Beside the joints`}>
            {record.pictures.length > 0 && <h2>{t`Photographs`}</h2>}
            <Pictures of={record.pictures} at={pictures} />
            {record.notes.length > 0 && <h2>{t`Notes`}</h2>}
            {record.notes.map((note) => (
                <p key={`${note.at} ${note.note}`}>
                    {note.note} <span className="cap">{`${localClock(note.at)}, ${note.by}`}</span>
                </p>
            ))}
            {record.overrides.length > 0 && <h2>{t`Numbers that are other here`}</h2>}
            {record.overrides.map((one) => (
                <p key={`${one.what} ${one.value}`}>
                    {one.what}: {one.value} <span className="cap">{one.source}</span>
                </p>
            ))}
            {record.reach.length > 0 && <h2>{t`Keep within reach`}</h2>}
            {record.reach.map((one) => (
                <p key={one.what}>
                    {one.what} <span className="cap">{one.why}</span>
                </p>
            ))}
            <h2>{t`Signed`}</h2>
            {record.signatures.length === 0 && <p className="none">{t`Nobody has signed yet.`}</p>}
            {record.signatures.map((one) => (
                <p key={one.number}>
                    <Shape kind={one.holds ? 'done' : 'unknown'} size={18} /> <b>{one.name}</b>
                    {one.role !== '' && `, ${one.role}`}, {localClock(one.at)}
                    <span className="cap">
                        {' '}
                        {t`entry ${one.number}, ${one.hash.slice(0, 16)}…`}
                        {one.brought && t` Signed in the job that the file was of; nobody stands for it here by that.`}
                        {!one.holds && !one.brought && t` Something was added or changed since.`}
                    </span>
                </p>
            ))}
        </section>
    );
}
