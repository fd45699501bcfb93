import { t } from '@lingui/core/macro';
import { useEffect, useState } from 'react';

const hasFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false;

/** While files are dragged over the page it says what becomes of them; they are given when they are let go. */
export function DropFiles({ onFiles }: { onFiles: (files: File[]) => void }) {
    const [over, setOver] = useState(false);
    useEffect(() => {
        const enter = (event: DragEvent): void => {
            if (!hasFiles(event)) return;
            // Without it the browser opens the file in place of the page.
            event.preventDefault();
            setOver(true);
        };
        const leave = (event: DragEvent): void => {
            if (event.relatedTarget === null) setOver(false);
        };
        const drop = (event: DragEvent): void => {
            if (!hasFiles(event)) return;
            event.preventDefault();
            setOver(false);
            onFiles([...(event.dataTransfer?.files ?? [])]);
        };
        window.addEventListener('dragover', enter);
        window.addEventListener('dragleave', leave);
        window.addEventListener('drop', drop);
        return () => {
            window.removeEventListener('dragover', enter);
            window.removeEventListener('dragleave', leave);
            window.removeEventListener('drop', drop);
        };
    }, [onFiles]);
    return over ? <div className="drop-here">{t`Let go: each job file becomes a job on the board.`}</div> : null;
}
