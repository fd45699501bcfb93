import { t } from '@lingui/core/macro';
import type { Finding, MeasureFirst, RunReport, Units } from '../../api/types';
import { lengthInWords } from '../../shared/lengths';

type Field = [name: string, label: string];

/** A fitting that can be measured: the table and row it is looked up in, and what is known of it. */
export interface ToMeasure {
    system: string;
    row: string;
    name: string;
    fields: Field[];
    isStraight: boolean;
    /** what is reckoned or stated so far, in words */
    said: string;
}

const BEND: Field[] = [['take_off_mm', t`Center to stop`]];

/** What is measured of a fitting, by what it is measured like. */
const FIELDS: Record<MeasureFirst['like'], Field[]> = {
    bend: BEND,
    'hub-bend': [
        ['take_off_mm', t`Center to the bottom of the hub`],
        ['spigot_mm', t`Center to the end of the spigot`],
    ],
    'closet-bend': [
        ['take_off_mm', t`Center to the stop of the larger end`],
        ['outlet_mm', t`Center to the stop of the smaller end`],
    ],
    branch: [
        ['run_in_mm', t`Up the run, from where the axes cross to the stop`],
        ['run_out_mm', t`Down the run, to the stop`],
        ['branch_mm', t`Along the branch, to the stop`],
    ],
    'hub-branch': [
        ['run_in_mm', t`Up the run, from where the axes cross to the bottom of the hub`],
        ['run_out_mm', t`Down the run, to the end of the spigot`],
        ['branch_mm', t`Along the branch, to the bottom of its hub`],
    ],
};

const fieldsOf = (like: unknown): Field[] => FIELDS[like as MeasureFirst['like']] ?? BEND;

const within = (doubtMm: number, units: Units): string =>
    t`Reckoned from its pattern so far, to within ${lengthInWords(doubtMm, units)}.`;

/** A fitting whose lengths are reckoned, as Cut lists what is worth measuring. */
export const ofMeasureFirst = (one: MeasureFirst, units: Units): ToMeasure => ({
    system: one.system,
    row: one.row,
    name: one.name,
    fields: fieldsOf(one.like),
    isStraight: false,
    said: within(one.doubt.mm, units),
});

/** The fitting that a finding is about; it may be one of another run, which this one ends in. */
export function ofFinding(finding: Finding, run: RunReport, units: Units): ToMeasure | null {
    const row = String(finding.params.row ?? '');
    const system = finding.source?.table ?? '';
    const fitting = run.fittings.find((one) => one.row === row && one.source.table === system);
    if (!fitting) {
        const { fitting: name, like, doubt_mm } = finding.params;
        return typeof name !== 'string' || typeof doubt_mm !== 'number'
            ? null
            : {
                  system,
                  row,
                  name,
                  fields: fieldsOf(like),
                  isStraight: false,
                  said: within(doubt_mm, units),
              };
    }
    const isStraight = fitting.turn_deg === null;
    const { status, confidence, source } = fitting.source;
    const length = lengthInWords(fitting.take_off.mm, units);
    const stated = t`Catalog: ${length}, ${status}, ${confidence} confidence. ${source}.`;
    return {
        system,
        row,
        name: `${fitting.size} ${fitting.name}`,
        fields: isStraight
            ? [[fitting.pattern === 'bushing' ? 'offset_mm' : 'stop_mm', t`Stop to stop`]]
            : fieldsOf(fitting.like),
        isStraight,
        said: fitting.doubt ? within(fitting.doubt.mm, units) : stated,
    };
}
