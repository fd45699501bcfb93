/**
 * What is written at a joint: the figure of its run and its number there, `7.3`. In a run that was marked before runs
 * had figures it is the number alone; what has another name than a number has that.
 */
export const jointMark = (figure: number, joint: string | number): string =>
    figure === 0 || !/^\d+$/.test(String(joint)) ? String(joint) : `${figure}.${joint}`;
