import { t } from '@lingui/core/macro';
import { Shape } from '../../shared/Shape';

const PATHS: Record<string, string> = {
    'level-upright': 'M3 8H18A9 9 0 0 1 27 17V30',
    'upright-level': 'M8 3V18A9 9 0 0 0 17 27H30',
    'level-level': 'M3 24L16 14L30 24',
};

/**
 * How a fitting may lie: solid with water where the book takes it, the plumb bob where only under a condition, broken
 * with the octagon where not.
 */
export function LieGlyph({ place, name, verdict }: { place: string; name: string; verdict: string }) {
    const words: Record<string, string> = {
        yes: t`taken`,
        no: t`refused`,
        only: t`only under a condition`,
        none: t`the book says nothing here`,
    };
    const d = PATHS[place] ?? '';
    return (
        <span className="lie" title={`${name}: ${words[verdict]}`}>
            <svg width="34" height="34" viewBox="0 0 34 34" role="img" aria-label={`${name}: ${words[verdict]}`}>
                <path
                    d={d}
                    style={{
                        fill: 'none',
                        stroke: 'var(--edge)',
                        strokeWidth: 9,
                        strokeDasharray: verdict === 'no' || verdict === 'none' ? '3 2.4' : 'none',
                        opacity: verdict === 'none' ? 0.5 : 1,
                    }}
                />
                <path
                    d={d}
                    style={{
                        fill: 'none',
                        stroke: verdict === 'yes' || verdict === 'only' ? 'var(--water-fill)' : 'var(--lumen)',
                        strokeWidth: 6,
                    }}
                />
            </svg>
            {verdict === 'no' && <Shape kind="stop" size={13} />}
            {verdict === 'only' && <Shape kind="warn" size={13} />}
        </span>
    );
}
