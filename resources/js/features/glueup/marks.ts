import { createContext, useContext } from 'react';
import { jointMark } from '../../shared/marks';

/** The figure of the run that is joined: it stands before its joints. */
export const FigureOfRun = createContext(0);

/** Gives what is written at a joint, by its number in the run. */
export function useMarks(): (joint: string) => string {
    const figure = useContext(FigureOfRun);
    return (joint) => jointMark(figure, joint);
}
