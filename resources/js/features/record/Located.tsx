import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { RunReport, Units } from '../../api/types';
import type { SiteLog } from '../../editing';
import { formLengths } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import { Problem } from '../../shared/Problem';
import { useFormAct } from '../../shared/useFormAct';

interface Props {
    run: RunReport;
    units: Units;
    log: SiteLog;
}

/** Where a joint lies that is about to be covered: from two fixed points, and how deep. */
export function Located({ run, units, log }: Props) {
    const [round, setRound] = useState(0);
    const { problem, onSubmit } = useFormAct(async (form) => {
        const [from, second] = [formText(form, 'from').trim(), formText(form, 'second').trim()];
        if (from === '' || second === '')
            throw new Error(t`Two points that will still stand later: the corner of the house, a gate post.`);
        const read = await formLengths(
            form,
            ['from_mm', 'second_mm', 'depth_mm'],
            units,
            (name) => name !== 'depth_mm',
        );
        log.add([
            {
                kind: 'located',
                run: run.id,
                joint: Number(formText(form, 'joint')),
                from,
                from_mm: read.from_mm ?? 0,
                second,
                second_mm: read.second_mm ?? 0,
                ...(read.depth_mm === null ? {} : { depth_mm: read.depth_mm }),
            },
        ]);
        setRound(round + 1);
    });
    if (run.joints.length === 0) return null;
    return (
        <details className="record-located">
            <summary>{t`Where a covered joint lies`}</summary>
            <form className="record-form" key={round} onSubmit={onSubmit}>
                <label className="choice">
                    <span className="cap">{t`Which joint`}</span>
                    <select name="joint">
                        {run.joints.map((joint) => (
                            <option key={joint.key} value={joint.number}>
                                {joint.mark}, {joint.name}
                            </option>
                        ))}
                    </select>
                </label>
                <label className="choice">
                    <span className="cap">{t`First fixed point`}</span>
                    <input name="from" maxLength={80} placeholder={t`corner of the house`} />
                </label>
                <LengthField id="loc-a" name="from_mm" label={t`from it`} units={units} start="" />
                <label className="choice">
                    <span className="cap">{t`Second fixed point`}</span>
                    <input name="second" maxLength={80} placeholder={t`gate post`} />
                </label>
                <LengthField id="loc-b" name="second_mm" label={t`from that one`} units={units} start="" />
                <LengthField id="loc-d" name="depth_mm" label={t`Depth below the ground`} units={units} start="" />
                <button type="submit" className="glue-joined">
                    {t`Keep it`}
                </button>
                <Problem text={problem} />
            </form>
        </details>
    );
}
