import type { Station } from '../../shared/stations';

export function StationToCome({ station }: { station: Station }) {
    return (
        <main className="station to-come">
            <h1>{station.name}</h1>
            <p className="say">{station.toCome}</p>
            <p className="say">This station is still to come. Route and Cut are open.</p>
        </main>
    );
}
