import { t } from '@lingui/core/macro';
import type { JobRecord, RecordedJoint, RecordedTest } from '../../api/types';
import { localClock } from '../../shared/localClock';

const MARKS = [
    ['depth', t`depth mark`],
    ['angle', t`angle mark`],
    ['bead', t`bead all round`],
] as const;

/** What was seen of a joint since it was made. */
export function seenInWords(joint: RecordedJoint): string {
    const marks = MARKS.filter(([key]) => joint[key] !== null).map(([key, name]) =>
        joint[key] ? name : t`${name} not seen`,
    );
    return [
        ...marks,
        joint.dry === true && t`dry under test, ${joint.dry_by}`,
        joint.dry === false && t`wet under test, ${joint.dry_by}`,
        joint.torque_nm !== null && `${joint.torque_nm} N·m`,
        joint.cut_out.length > 0 &&
            t`opened or cut out ${joint.cut_out.length === 1 ? t`once` : t`${joint.cut_out.length} times`}`,
        joint.located !== '' && t`lies ${joint.located}`,
        joint.note,
    ]
        .filter(Boolean)
        .join('; ');
}

/** How a joint was made, or is to be made. */
export function methodInWords(joint: RecordedJoint): string {
    if (joint.made_at === null) return t`planned: ${joint.planned || t`no method`}`;
    return joint.method || t`how is not logged`;
}

/** How far a job is, in a sentence. */
export function sumInWords(record: JobRecord): string {
    const done = record.systems.filter((one) => one.state === 'done').length;
    const wrong = record.wrong === 0 ? '' : t`, ${record.wrong} not as they should be`;
    const tested = record.systems.length === 0 ? '' : t` ${done} of ${record.systems.length} tested and looked at.`;
    const signed = record.signatures.some((one) => one.holds) ? t` Signed.` : t` Not signed.`;
    return t`${record.made} of ${record.joints} joints made${wrong}.${tested}${signed}`;
}

/** A test in a sentence. */
export function testLine(test: RecordedTest): string {
    const readings = `${test.readings} ${test.readings === 1 ? t`reading` : t`readings`}`;
    const begun = t`Begun ${localClock(test.begun_at)} by ${test.by}`;
    return `${test.name}, ${test.system}: ${test.said}. ${begun}, ${readings}.`;
}
