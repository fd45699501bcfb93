export function NoRun({ onNew }: { onNew: () => void }) {
    return (
        <main className="station to-come">
            <h1>No run yet</h1>
            <p className="say">
                A run leads from an outlet, leg by leg, to where it ties in. Say where it starts and ends, then call out its legs.
            </p>
            <button type="button" className="main-act" onClick={onNew}>
                Start a run
            </button>
        </main>
    );
}
