import { t } from '@lingui/core/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { makeShare, sharesQuery, withdrawShare } from '../../api/queries';
import type { Share } from '../../api/types';
import { formText } from '../../shared/formText';
import { localClock } from '../../shared/localClock';
import { Problem } from '../../shared/Problem';
import { Shape } from '../../shared/Shape';
import { useAttempt, useFormAct } from '../../shared/useFormAct';
import { Squares } from '../../shared/Squares';

interface Props {
    job: string;
    link: string | null;
    onLink: (link: string | null) => void;
}

/** Links by which somebody without an account reads the record, until they run out or are withdrawn. */
export function Shares({ job, link, onLink }: Props) {
    const client = useQueryClient();
    const query = useQuery(sharesQuery(job));
    const again = (): Promise<void> => client.invalidateQueries({ queryKey: sharesQuery(job).queryKey });
    const { problem, onSubmit, busy } = useFormAct(async (form) => {
        const answer = await makeShare(job, formText(form, 'for').trim(), Number(formText(form, 'days')));
        if (!answer.ok) throw new Error(answer.errors.for?.[0] ?? answer.message);
        onLink(answer.data.link);
        await again();
    });
    return (
        <section className="record-form" aria-label={t`Links to it`}>
            <h2>{t`A link to read it`}</h2>
            <form onSubmit={onSubmit}>
                <label className="choice">
                    <span className="cap">{t`For whom`}</span>
                    <input name="for" maxLength={80} autoComplete="off" placeholder={t`inspector, owner`} />
                </label>
                <label className="choice">
                    <span className="cap">{t`It runs out after`}</span>
                    <select name="days" defaultValue="30">
                        <option value="7">{t`7 days`}</option>
                        <option value="30">{t`30 days`}</option>
                        <option value="365">{t`a year`}</option>
                    </select>
                </label>
                <button type="submit" className="glue-joined" disabled={busy}>
                    {t`Make a link`}
                </button>
                <Problem text={problem} />
            </form>
            {link !== null && (
                <div className="record-link" role="status">
                    <Squares text={link} label={t`The link for a camera`} />
                    <p>
                        <a href={link}>{link}</a>
                        <span className="cap"> {t`It is shown this once: copy it, or print the PDF with it now.`}</span>
                    </p>
                </div>
            )}
            <ul>
                {(query.data ?? []).map((share) => (
                    <ShareLine key={share.id} share={share} job={job} onWithdrawn={again} />
                ))}
            </ul>
        </section>
    );
}

function ShareLine({ share, job, onWithdrawn }: { share: Share; job: string; onWithdrawn: () => Promise<void> }) {
    const { problem, busy, attempt } = useAttempt();
    const withdraw = async (): Promise<void> => {
        const answer = await withdrawShare(job, share.id);
        if (!answer.ok) throw new Error(answer.message);
        await onWithdrawn();
    };
    return (
        <li>
            <span>
                <Shape kind={share.open ? 'done' : 'open'} size={16} /> {share.for}
                <span className="cap">
                    {share.open ? t` until ${localClock(share.expires_at)}` : t` opens nothing any more`}, {share.by}
                </span>
            </span>
            {share.open && (
                <button type="button" className="plain small" disabled={busy} onClick={() => void attempt(withdraw)}>
                    {t`Withdraw`}
                </button>
            )}
            <Problem text={problem} />
        </li>
    );
}
