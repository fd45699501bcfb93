import { t } from '@lingui/core/macro';
import type { Units } from '../../api/types';
import { formLength } from '../../shared/formLength';
import { Problem } from '../../shared/Problem';
import { useFormAct } from '../../shared/useFormAct';
import { LengthField } from '../../shared/LengthField';
import { lengthInWords, saidLength } from '../../shared/lengths';
import { offInWords, type HangerReport } from '../../editing';

const LASER = ['distance' as const];

/** What the tape reads from the string down to the crown, once the pipe hangs: held against what it has to be. */
export function Reading({
    hanger,
    units,
    onRead,
}: {
    hanger: HangerReport;
    units: Units;
    onRead: (belowMm: number | null) => void;
}) {
    const { problem, onSubmit } = useFormAct(async (form) => onRead(await formLength(form, 'read', units)));
    return (
        <form className="hang-read" onSubmit={onSubmit}>
            <LengthField
                key={`${hanger.number} ${hanger.read?.mm}`}
                id="ha-read"
                name="read"
                label={t`Read here, string to crown`}
                units={units}
                instruments={LASER}
                start={hanger.read ? saidLength(hanger.read.mm, units) : ''}
                help={hanger.below_string ? t`it has to be ${lengthInWords(hanger.below_string.mm, units)}` : undefined}
            />
            <button type="submit" className="plain">
                {t`Note it`}
            </button>
            {hanger.off_mm !== null && (
                <p className="say" role="status">
                    {t`It hangs ${offInWords(hanger.off_mm, units)}.`}
                </p>
            )}
            <Problem text={problem} />
        </form>
    );
}
