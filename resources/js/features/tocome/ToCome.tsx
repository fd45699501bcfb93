import { Link } from 'react-router';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';

const WHAT: Record<string, string> = {
    Bench: 'Single tools beside the jobs: what is this pipe, the catalogue, one reckoning at a time.',
    Practice: 'Exercises made from the same arithmetic as the jobs.',
};

export function ToCome({ what }: { what: 'Bench' | 'Practice' }) {
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
                <h1>{what}</h1>
                <p className="say">{WHAT[what]}</p>
                <p className="say">It is still to come.</p>
                <Link className="plain" to="/">
                    Back to the jobs
                </Link>
            </main>
        </>
    );
}
