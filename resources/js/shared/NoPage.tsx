import { Link } from 'react-router';
import { useTitle } from './useTitle';

/** An address that names nothing here. */
export function NoPage() {
    useTitle('No such page');
    return (
        <main className="to-come pad">
            <h1>There is no such page</h1>
            <p>
                Nothing is lost by it. <Link to="/">All jobs</Link>, or <Link to="/start">begin with a task</Link>.
            </p>
        </main>
    );
}
