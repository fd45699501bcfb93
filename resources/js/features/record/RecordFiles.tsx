import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { recordFile } from '../../api/queries';
import type { OfJob } from '../../api/types';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { saveFile } from '../../shared/saveFile';
import { useAttempt } from '../../shared/useFormAct';
import { squaresOf } from '../../shared/squares';

interface Props {
    of: OfJob;
    job: string;
    name: string;
    /** a link that was made just now: it stands on the paper */
    link: string | null;
}

/** The record as files: on paper, as a table, on a map. */
export function RecordFiles({ of, job, name, link }: Props) {
    const { problem, busy, attempt } = useAttempt();
    const [isMap, setIsMap] = useState(false);
    const save = (format: 'pdf' | 'csv' | 'geojson', more: object = {}): void =>
        void attempt(async () => {
            const answer = await recordFile(of, job, format, more);
            if (!answer.ok) throw new Error(answer.message);
            saveFile(answer.data, `${name} record.${format}`);
        });
    return (
        <section className="record-form" aria-label={t`As files`}>
            <h2>{t`As files`}</h2>
            <div className="record-buttons">
                <button
                    type="button"
                    className="plain"
                    disabled={busy}
                    onClick={() => save('pdf', link === null ? {} : { link, squares: squaresOf(link) })}
                >
                    {t`PDF, with drawings`}
                    {link !== null && t` and the link`}
                </button>
                <button type="button" className="plain" disabled={busy} onClick={() => save('csv')}>
                    {t`Joints as a table (CSV)`}
                </button>
                <button type="button" className="plain" aria-expanded={isMap} onClick={() => setIsMap(!isMap)}>
                    {t`Pipes on a map (GeoJSON)`}
                </button>
                <a className="plain" href={`/api/jobs/${job}/file`} download>
                    {t`The job with its log`}
                </a>
            </div>
            {isMap && (
                <form
                    className="record-map"
                    onSubmit={(event) => {
                        event.preventDefault();
                        const form = new FormData(event.currentTarget);
                        const [lat, lon] = [formText(form, 'lat').trim(), formText(form, 'lon').trim()];
                        const isGiven = lat !== '' && lon !== '';
                        save('geojson', isGiven ? { origin: { lat: Number(lat), lon: Number(lon) } } : {});
                    }}
                >
                    <p className="cap">
                        <Trans>
                            Where the first outlet stands, in degrees. Without it the file has meters east and north of
                            it.
                        </Trans>
                    </p>
                    <label className="choice">
                        <span className="cap">{t`Latitude`}</span>
                        <input name="lat" inputMode="decimal" />
                    </label>
                    <label className="choice">
                        <span className="cap">{t`Longitude`}</span>
                        <input name="lon" inputMode="decimal" />
                    </label>
                    <button type="submit" className="plain">
                        {t`Save the file`}
                    </button>
                </form>
            )}
            <Problem text={problem} />
        </section>
    );
}
