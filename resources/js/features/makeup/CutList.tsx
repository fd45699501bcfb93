/** What is marked and cut, as large as it is read from the floor. */
export function CutList({ cuts }: { cuts: { what: string; said: string }[] }) {
    return (
        <ul className="mu-cuts">
            {cuts.map(({ what, said }) => (
                <li key={what}>
                    <span className="cap">{what}</span> <b className="mk">{said}</b>
                </li>
            ))}
        </ul>
    );
}
