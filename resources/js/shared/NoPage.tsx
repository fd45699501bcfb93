import { useEffect } from 'react';
import { Link } from 'react-router';

/** An address that names nothing here. */
export function NoPage() {
    useEffect(() => {
        document.title = 'No such page · Fall Bend';
    }, []);
    return (
        <main className="to-come pad">
            <h1>There is no such page</h1>
            <p>
                Nothing is lost by it. <Link to="/">All jobs</Link>, or <Link to="/start">begin with a task</Link>.
            </p>
        </main>
    );
}
