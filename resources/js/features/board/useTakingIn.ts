import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { importJob } from '../../api/queries';

interface TakingIn {
    /** how far it is, in words; null: nothing is being taken in */
    now: string | null;
    /** how many jobs came in */
    taken: number;
    /** what could not be taken in, and why */
    refused: string[];
}

const NOTHING: TakingIn = { now: null, taken: 0, refused: [] };

/** Takes in job files, one after the other. One job that came in alone is opened. */
export function useTakingIn(onStarted: (id: string) => void) {
    const [state, setState] = useState(NOTHING);
    const client = useQueryClient();
    const take = async (files: File[]): Promise<void> => {
        if (files.length === 0) return;
        const refused: string[] = [];
        const started: string[] = [];
        for (const [i, file] of files.entries()) {
            setState({ now: t`Taking in ${file.name}, ${i + 1} of ${files.length}`, taken: started.length, refused });
            const result = await importJob(await file.text());
            if (result.ok) started.push(result.data.id);
            else refused.push(`${file.name}: ${result.message}`);
        }
        setState({ now: null, taken: started.length, refused });
        const [first] = started;
        if (files.length === 1 && first !== undefined) onStarted(first);
        else await client.invalidateQueries({ queryKey: ['jobs'] });
    };
    return { ...state, take };
}
