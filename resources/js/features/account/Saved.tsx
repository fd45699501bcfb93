import { useState } from 'react';
import { Shape } from '../../shared/Shape';

/** What was just done, until the next thing is. */
export function useSaved() {
    const [saved, say] = useState<string | null>(null);
    return { saved, say };
}

export function Saved({ text }: { text: string | null }) {
    return (
        <p role="status">
            {text !== null && (
                <>
                    <Shape kind="done" size={14} /> {text}
                </>
            )}
        </p>
    );
}
