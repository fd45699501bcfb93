import { useState } from 'react';
import { recordFile } from '../../api/queries';
import type { OfJob } from '../../api/types';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { saveFile } from '../../shared/saveFile';
import { useAttempt } from '../../shared/useFormAct';
import { squaresOf } from './squares';

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
        <section className="record-form" aria-label="As files">
            <h2>As files</h2>
            <div className="record-buttons">
                <button
                    type="button"
                    className="plain"
                    disabled={busy}
                    onClick={() => save('pdf', link === null ? {} : { link, squares: squaresOf(link) })}
                >
                    PDF, with drawings{link !== null && ' and the link'}
                </button>
                <button type="button" className="plain" disabled={busy} onClick={() => save('csv')}>
                    Joints as a table (CSV)
                </button>
                <button type="button" className="plain" aria-expanded={isMap} onClick={() => setIsMap(!isMap)}>
                    Pipes on a map (GeoJSON)
                </button>
                <a className="plain" href={`/api/jobs/${job}/file`} download>
                    The job with its log
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
                        Where the first outlet stands, in degrees. Without it the file has metres east and north of it.
                    </p>
                    <label className="choice">
                        <span className="cap">Latitude</span>
                        <input name="lat" inputMode="decimal" />
                    </label>
                    <label className="choice">
                        <span className="cap">Longitude</span>
                        <input name="lon" inputMode="decimal" />
                    </label>
                    <button type="submit" className="plain">
                        Save the file
                    </button>
                </form>
            )}
            <Problem text={problem} />
        </section>
    );
}
