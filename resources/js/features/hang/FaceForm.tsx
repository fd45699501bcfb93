import { t } from '@lingui/core/macro';
import type { Units } from '../../api/types';
import { formLength } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { useFormAct } from '../../shared/useFormAct';
import { LengthField } from '../../shared/LengthField';
import { saidLength } from '../../shared/lengths';
import type { HangerReport } from '../../editing';

interface Props {
    hanger: HangerReport;
    face: { name: string; before_mm: number } | undefined;
    units: Units;
    onFace: (name: string, beforeMm: number) => void;
}

/** What the places on a leg are measured from: a wall, a beam, the middle of the stack. */
export function FaceForm({ hanger, face, units, onFace }: Props) {
    const { problem, onSubmit } = useFormAct(async (form) => {
        const name = formText(form, 'face').trim();
        const before = (await formLength(form, 'before', units, name !== '')) ?? 0;
        onFace(name, formText(form, 'side') === 'down' ? -before : before);
    });
    return (
        <details className="hang-face">
            <summary>{face ? t`Measured from ${face.name}` : t`Measure leg ${hanger.leg} from a wall or beam`}</summary>
            <form className="mu-form" onSubmit={onSubmit}>
                <label className="choice">
                    <span className="cap">{t`What it is measured from`}</span>
                    <input
                        name="face"
                        defaultValue={face?.name ?? ''}
                        maxLength={80}
                        placeholder={t`the cellar wall`}
                        autoComplete="off"
                    />
                </label>
                <LengthField
                    id="ha-before"
                    name="before"
                    label={t`From it to where leg ${hanger.leg} begins`}
                    units={units}
                    start={face ? saidLength(Math.abs(face.before_mm), units) : ''}
                    help={t`to the middle of the turn there`}
                />
                <label className="choice">
                    <span className="cap">{t`It stands`}</span>
                    <select name="side" defaultValue={(face?.before_mm ?? 0) < 0 ? 'down' : 'up'}>
                        <option value="up">{t`upstream of that`}</option>
                        <option value="down">{t`downstream of that`}</option>
                    </select>
                </label>
                <Problem text={problem} />
                <button type="submit" className="plain">
                    {t`Measure from it`}
                </button>
            </form>
        </details>
    );
}
