import type { RouteView } from './views';
import { VIEWS } from './views';

/** Which view the Route station shows. */
export function ViewTabs({ view, onView }: { view: RouteView; onView: (view: RouteView) => void }) {
    return (
        <div className="view-tabs" role="group" aria-label="Views of the route">
            {VIEWS.map(({ key, name }) => (
                <button
                    key={key}
                    type="button"
                    aria-pressed={view === key}
                    className={view === key ? 'on' : ''}
                    onClick={() => onView(key)}
                >
                    {name}
                </button>
            ))}
        </div>
    );
}
