import { Link } from 'react-router';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';

/** The one page beside the jobs that is still to be built. */
export function ToCome() {
    return (
        <>
            <header className="head">
                <Link className="brand" to="/">
                    <BrandGlyph /> Fall Bend
                </Link>
                <div className="fill" />
                <Beside />
            </header>
            <main className="to-come">
                <h1>Practice</h1>
                <p className="say">Exercises made from the same arithmetic as the jobs.</p>
                <p className="say">It is still to come.</p>
                <Link className="plain" to="/">
                    Back to the jobs
                </Link>
            </main>
        </>
    );
}
