import { Link } from 'react-router';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { useTitle } from '../../shared/useTitle';

/** Head of the pages on which a job begins. */
export function StartHead({ title }: { title: string }) {
    useTitle(title);
    return (
        <header className="head">
            <Link className="brand" to="/">
                <BrandGlyph /> Fall Bend
            </Link>
            <div className="wide">
                <span className="cap">A new job</span>
                <b>What is the job?</b>
            </div>
            <div className="fill" />
            <Link className="beside" to="/">
                All jobs
            </Link>
            <Beside />
        </header>
    );
}
