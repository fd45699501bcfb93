import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { Link } from 'react-router';
import { applyMode, currentMode } from './mode';

/** What stands beside the jobs at the right of every head: light and Bench. */
export function Beside() {
    const [mode, setMode] = useState(currentMode);
    const other = mode === 'paper' ? 'cellar' : 'paper';
    return (
        <>
            <button
                type="button"
                className="beside"
                onClick={() => setMode(applyMode(other))}
                aria-label={other === 'cellar' ? t`Dark, for a cellar` : t`Light, as paper`}
            >
                {other === 'cellar' ? t`Dark` : t`Light`}
            </button>
            <Link className="beside" to="/bench">
                {t`Bench`}
            </Link>
        </>
    );
}
