import type { Selection } from '../drawing/section/FallLine';

/** What of a run is selected, on whichever of its pictures and lists. */
export interface SharedSelection {
    selected: Selection | null;
    finding: number | null;
    select: (selection: Selection | null) => void;
    selectFinding: (index: number | null) => void;
    /** what is selected, in words */
    said: string;
    /** the number of the leg that it belongs to */
    leg: number | null;
    walk: (by: 1 | -1) => void;
    changeRail: () => void;
}
