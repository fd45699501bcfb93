import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { CuttingReport, JobCutting } from '../../api/types';
import { formLength } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useFormAct } from '../../shared/useFormAct';
import { LengthField } from '../../shared/LengthField';
import { lengthInWords, saidLength } from '../../shared/lengths';
import type { JobEditor } from '../../editing';

type Objective = NonNullable<JobCutting['objective']>;

const AIMS: Record<Objective, string> = { sticks: t`fewest sticks`, length: t`least pipe bought`, price: 'cheapest' };

/** The saw in hand, and what is to be least. */
export function SawForm({ report, editor }: { report: CuttingReport; editor: JobEditor }) {
    const { units } = editor.evaluation;
    const cutting = editor.document.cutting;
    const aim = cutting?.objective ?? 'sticks';
    const [kerf, setKerf] = useState(saidLength(report.kerf.mm, units));
    const { problem, onSubmit } = useFormAct(async (form) => {
        const wide = await formLength(form, 'kerf', units);
        if (wide !== null && !(wide >= 0 && wide <= 50))
            throw new Error(t`A saw cut is no wider than ${lengthInWords(50, units)}.`);
        const objective = formText(form, 'aim') as Objective;
        editor.change((document) => {
            const { kerf_mm: _, ...rest } = document.cutting ?? {};
            return { ...document, cutting: { ...rest, ...(wide === null ? {} : { kerf_mm: wide }), objective } };
        });
    });
    const unpriced = aim === 'price' && report.groups.some((group) => group.objective !== 'price');
    return (
        <form className="saw-form" onSubmit={onSubmit}>
            <label className="choice">
                <span className="cap">{t`Cut with`}</span>
                <select
                    value={report.saws.find((saw) => saidLength(saw.kerf.mm, units) === kerf)?.name ?? ''}
                    onChange={(event) => {
                        const saw = report.saws.find((one) => one.name === event.target.value);
                        if (saw) setKerf(saidLength(saw.kerf.mm, units));
                    }}
                >
                    <option value="">{t`what was measured`}</option>
                    {report.saws.map((saw) => (
                        <option key={saw.name} value={saw.name}>
                            {saw.name}
                        </option>
                    ))}
                </select>
            </label>
            <LengthField
                id="cut-kerf"
                name="kerf"
                label={t`It cuts as wide as`}
                units={units}
                key={kerf}
                start={kerf}
                help={cutting?.kerf_mm === undefined ? t`assumed: measure the saw in hand` : t`left open: as usual`}
            />
            <label className="choice">
                <span className="cap">{t`Plan for`}</span>
                <select name="aim" defaultValue={aim}>
                    {(Object.keys(AIMS) as Objective[]).map((one) => (
                        <option key={one} value={one}>
                            {AIMS[one]}
                        </option>
                    ))}
                </select>
            </label>
            <button type="submit" className="plain">
                {t`Plan it so`}
            </button>
            {unpriced && (
                <p className="cap">
                    {t`Where a stick has no price, the least pipe is planned: prices are entered below.`}
                </p>
            )}
            <Problem text={problem} />
        </form>
    );
}
