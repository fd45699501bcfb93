import { t } from '@lingui/core/macro';
import type { RouteView } from '../../shared/views';
import { VIEWS } from '../../shared/views';

interface Props {
    view: RouteView;
    onView: (view: RouteView) => void;
    /** whether the fall line shows the whole way to the end; null where the run leads into no other */
    way: boolean | null;
    onWay: (way: boolean) => void;
}

/** Which view the Route station shows, and how far its fall line goes. */
export function ViewTabs({ view, onView, way, onWay }: Props) {
    return (
        <div className="view-tabs" role="group" aria-label={t`Views of the route`}>
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
            {way !== null && (
                <button type="button" className="way" aria-pressed={way} onClick={() => onWay(!way)}>
                    {way ? t`Fall line: to the end` : t`Fall line: this run`}
                </button>
            )}
        </div>
    );
}
