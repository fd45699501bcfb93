import { t } from '@lingui/core/macro';
import type { Tape, Units } from '../api/types';

interface Fraction {
    sign: string;
    whole: string;
    over: string;
    under: string;
}

/** Splits `54 1/2`, `3/8`, `-2` into what stands before the bar, over it and under it. */
export function fractionOf(text: string): Fraction {
    const match = /^(-?)(\d+(?=$| ))? ?(?:(\d+)\/(\d+))?$/.exec(text);
    return match
        ? { sign: match[1] === '-' ? '−' : '', whole: match[2] ?? '', over: match[3] ?? '', under: match[4] ?? '' }
        : { sign: '', whole: text, over: '', under: '' };
}

/** Inches with a stacked fraction, as pencilled on a board. */
function Stacked({ text, after = '' }: { text: string; after?: string }) {
    const { sign, whole, over, under } = fractionOf(text);
    return (
        <span className={whole === '' ? 'tf fo' : 'tf'} aria-label={`${text}${after}`} role="text">
            <span>
                {sign}
                {whole}
            </span>
            {over !== '' && (
                <i>
                    <u>{over}</u>
                    <u>{under}</u>
                </i>
            )}
            {after !== '' && <span>{after}</span>}
        </span>
    );
}

/** A length that came as text, with its fraction stacked: `1 3/16 in`. Anything else stands as it is. */
export function SaidText({ text }: { text: string }) {
    const match = /^(-?\d+(?: \d+\/\d+)?|\d+\/\d+) in$/.exec(text);
    return match?.[1] ? (
        <span>
            <Stacked text={match[1]} />
            <span className="un"> {t`in`}</span>
        </span>
    ) : (
        <span>{text}</span>
    );
}

/** A length as the job's tape says it; the other unit stands in the title and is read on focus. */
export function Said({
    tape,
    units,
    feet = false,
    unit = false,
}: {
    tape: Tape;
    units: Units;
    feet?: boolean;
    unit?: boolean;
}) {
    const other = units === 'inch' ? `${tape.metric} mm` : `${tape.inch} in`;
    if (units === 'mm') {
        return (
            <span className="tf" title={other}>
                {tape.metric.replace('-', '−')}
                {unit && <span className="un">{t`mm`}</span>}
            </span>
        );
    }
    if (feet) {
        const match = /^(-?\d+')(?: (.*)")?$/.exec(tape.feet);
        if (match) {
            // Less than an inch over the foot: the inches are said too.
            const over = match[2] !== undefined && fractionOf(match[2]).whole === '' ? `0 ${match[2]}` : match[2];
            return (
                <span className="feet" title={other}>
                    {match[1]?.replace('-', '−').replace("'", '′')}
                    {over !== undefined && (
                        <>
                            {' '}
                            <Stacked text={over} after="″" />
                        </>
                    )}
                </span>
            );
        }
        return (
            <span title={other}>
                <Stacked text={tape.feet.replace('"', '')} after="″" />
            </span>
        );
    }
    return (
        <span title={other}>
            <Stacked text={tape.inch} />
            {unit && <span className="un"> {t`in`}</span>}
        </span>
    );
}

/** A fall as it is said: a stacked fraction with its unit, or mm per m. */
export function SaidFall({ fall, units }: { fall: { inch: string; metric: string }; units: Units }) {
    if (units === 'mm') return <span>{t`${fall.metric} mm/m`}</span>;
    const about = fall.inch.startsWith('about ');
    return (
        <span>
            {about && t`about `}
            <Stacked text={fall.inch.replace('about ', '')} /> {t`per ft`}
        </span>
    );
}
