import type { JobRecord, RecordedJoint, RecordedTest } from '../../api/types';
import { localClock } from '../../shared/localClock';

const MARKS = [
    ['depth', 'depth mark'],
    ['angle', 'angle mark'],
    ['bead', 'bead all round'],
] as const;

/** What was seen of a joint since it was made. */
export function seenInWords(joint: RecordedJoint): string {
    const marks = MARKS.filter(([key]) => joint[key] !== null).map(([key, name]) =>
        joint[key] ? name : `${name} not seen`,
    );
    return [
        ...marks,
        joint.dry === true && `dry under test, ${joint.dry_by}`,
        joint.dry === false && `wet under test, ${joint.dry_by}`,
        joint.torque_nm !== null && `${joint.torque_nm} N·m`,
        joint.cut_out.length > 0 &&
            `opened or cut out ${joint.cut_out.length === 1 ? 'once' : `${joint.cut_out.length} times`}`,
        joint.located !== '' && `lies ${joint.located}`,
        joint.note,
    ]
        .filter(Boolean)
        .join('; ');
}

/** How a joint was made, or is to be made. */
export function methodInWords(joint: RecordedJoint): string {
    if (joint.made_at === null) return `planned: ${joint.planned || 'no method'}`;
    return joint.method || 'how is not logged';
}

/** How far a job is, in a sentence. */
export function sumInWords(record: JobRecord): string {
    const done = record.systems.filter((one) => one.state === 'done').length;
    const wrong = record.wrong === 0 ? '' : `, ${record.wrong} not as they should be`;
    const tested = record.systems.length === 0 ? '' : ` ${done} of ${record.systems.length} tested and looked at.`;
    const signed = record.signatures.some((one) => one.holds) ? ' Signed.' : ' Not signed.';
    return `${record.made} of ${record.joints} joints made${wrong}.${tested}${signed}`;
}

/** A test in a sentence. */
export function testLine(test: RecordedTest): string {
    const readings = `${test.readings} ${test.readings === 1 ? 'reading' : 'readings'}`;
    const begun = `Begun ${localClock(test.begun_at)} by ${test.by}`;
    return `${test.name}, ${test.system}: ${test.said}. ${begun}, ${readings}.`;
}
