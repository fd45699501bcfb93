import { t } from '@lingui/core/macro';
import type { Units } from '../../api/types';
import { formLengths } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import { saidLength } from '../../shared/lengths';
import type { MoveOf } from './moves';

export type Obstacle = NonNullable<MoveOf<'ends'>['obstacles']>[number];

const SPANS = ['along_from', 'along_to', 'over_from', 'over_to', 'up_from', 'up_to'] as const;
const SPAN_WORDS: Record<(typeof SPANS)[number], string> = {
    along_from: t`Along, from`,
    along_to: 'to',
    over_from: t`Over, from`,
    over_to: 'to',
    up_from: t`Up, from`,
    up_to: 'to',
};

/** One thing that stands in the way, as a box from where the first leg begins, the way it runs. */
export function ObstacleFields({
    n,
    start,
    units,
    onRemove,
}: {
    n: number;
    start: Obstacle | null;
    units: Units;
    onRemove: () => void;
}) {
    return (
        <fieldset className="mu-box">
            <label className="choice whole">
                <span className="cap">{t`What stands there`}</span>
                <input name={`what-${n}`} maxLength={80} defaultValue={start?.what ?? ''} />
            </label>
            {SPANS.map((span) => (
                <LengthField
                    key={span}
                    id={`mu-${span}-${n}`}
                    name={`${span}-${n}`}
                    label={SPAN_WORDS[span]}
                    units={units}
                    start={saidLength(start?.[`${span}_mm`] ?? 0, units)}
                />
            ))}
            <button type="button" className="plain whole" onClick={onRemove}>
                {t`It does not stand there`}
            </button>
        </fieldset>
    );
}

/** The box of that number in a form. */
export async function readObstacle(form: FormData, n: number, units: Units): Promise<Obstacle> {
    const mm = await formLengths(
        form,
        SPANS.map((span) => `${span}-${n}`),
        units,
        () => true,
    );
    return {
        what: formText(form, `what-${n}`).trim() || t`what stands there`,
        along_from_mm: mm[`along_from-${n}`] ?? 0,
        along_to_mm: mm[`along_to-${n}`] ?? 0,
        over_from_mm: mm[`over_from-${n}`] ?? 0,
        over_to_mm: mm[`over_to-${n}`] ?? 0,
        up_from_mm: mm[`up_from-${n}`] ?? 0,
        up_to_mm: mm[`up_to-${n}`] ?? 0,
    };
}
