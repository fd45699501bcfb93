import { t } from '@lingui/core/macro';
import { Link } from 'react-router';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { useTitle } from '../../shared/useTitle';

/** Head of the pages on which a job begins. */
export function StartHead({ title, kind }: { title: string; kind?: string }) {
    useTitle(title);
    return (
        <header className="head">
            <Link className="brand" to="/">
                <BrandGlyph /> {t`Fall Bend`}
            </Link>
            <div className="wide">
                <span className="cap">{kind ?? t`A new job`}</span>
                <b>{kind === undefined ? t`What is the job?` : title}</b>
            </div>
            <div className="fill" />
            <Link className="beside" to="/">
                {t`All jobs`}
            </Link>
            <Beside />
        </header>
    );
}
