import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { sharedQuery } from '../../api/queries';
import { BrandGlyph } from '../../shared/Brand';
import { localClock } from '../../shared/localClock';
import { RecordView } from './RecordView';

/** The record of a job for somebody without an account, by a link. */
export function SharedPage() {
    const { token = '' } = useParams();
    const { data, isError, error } = useQuery(sharedQuery(token));
    return (
        <>
            <header className="head">
                <span className="brand">
                    <BrandGlyph /> {t`Fall Bend`}
                </span>
                <div className="fill" />
                {data && (
                    <span className="cap">
                        {t`For ${data.for}, until ${localClock(data.expires_at)}. To be read only.`}
                    </span>
                )}
            </header>
            <main className="station record shared">
                {isError && (
                    <p className="none" role="alert">
                        {error.message}
                    </p>
                )}
                {data && (
                    <div className="record-read">
                        <RecordView record={data.record} open={null} pictures={`/api/shared/${token}/photographs`} />
                        <p className="cap">
                            <Trans>
                                What stands here is what the crew logged. The local code, the inspector and licensed
                                practice decide.
                            </Trans>
                        </p>
                    </div>
                )}
            </main>
        </>
    );
}
