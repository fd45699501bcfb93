import { createContext, useContext } from 'react';

/** What shows the way: keys and words, and a tour of a job. */
export interface Guide {
    /** opens keys and words */
    help: () => void;
    /** shows somebody round a job, from the fall line of a run to the record */
    showRound: (job: string, run: string) => void;
}

export const GuideContext = createContext<Guide>({ help: () => undefined, showRound: () => undefined });

export const useGuide = (): Guide => useContext(GuideContext);
