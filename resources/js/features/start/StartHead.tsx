import { Link } from 'react-router';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { useTitle } from '../../shared/useTitle';

/** Head of the pages on which a job begins. */
export function StartHead({ title, kind = 'A new job' }: { title: string; kind?: string }) {
    useTitle(title);
    return (
        <header className="head">
            <Link className="brand" to="/">
                <BrandGlyph /> Fall Bend
            </Link>
            <div className="wide">
                <span className="cap">{kind}</span>
                <b>{kind === 'A new job' ? 'What is the job?' : title}</b>
            </div>
            <div className="fill" />
            <Link className="beside" to="/">
                All jobs
            </Link>
            <Beside />
        </header>
    );
}
