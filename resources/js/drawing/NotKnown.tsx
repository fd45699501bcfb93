import { t } from '@lingui/core/macro';
import { Shape } from '../shared/Shape';

/** In place of a length that waits for a measurement: never a made-up number. */
export function NotKnown({ text = t`measure first` }: { text?: string }) {
    return (
        <span className="not-known">
            <Shape kind="unknown" size={18} /> {text}
        </span>
    );
}
