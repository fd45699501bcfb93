import { t } from '@lingui/core/macro';
import type { SiteTest, TestMethod } from '../../api/types';
import { localClock } from '../../shared/localClock';

interface Props {
    test: SiteTest;
    method: TestMethod;
    width: number;
    /** milliseconds, by the clock of the server */
    now: number;
    /** a value in words */
    said: (value: number) => string;
}

const [LEFT, RIGHT, TOP, HEIGHT, BOTTOM] = [14, 14, 26, 120, 30];

/** Readings of a test along its time, with what may be lost and how long it has to hold. */
export function CurvePicture({ test, method, width, now, said }: Props) {
    const points = test.readings.map((one) => ({ at: Date.parse(one.at), value: one.value }));
    const first = test.from === null ? undefined : points.find((one) => one.at >= Date.parse(test.from ?? ''));
    const start = Math.min(Date.parse(test.begun_at), ...points.map((one) => one.at));
    const end = Math.max(
        start + 60_000,
        test.until === null ? now : Date.parse(test.until),
        ...points.map((one) => one.at),
    );
    // What is topped up is lost upwards.
    const least = first === undefined ? null : first.value - (method.unit === 'l' ? -1 : 1) * method.loss_most;
    // A level is read from its mark, litres from nothing; a gauge falls little of what it shows.
    const nought = method.kind === 'water' || method.unit === 'l' ? 0 : (method.required ?? 0);
    const values = [...points.map((one) => one.value), ...(least === null ? [] : [least]), nought];
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const room = Math.max(high - low, method.error * 6, 1e-6);
    const x = (at: number): number => LEFT + ((at - start) / (end - start)) * (width - LEFT - RIGHT);
    const y = (value: number): number => TOP + 12 + ((high - value) / room) * (HEIGHT - 24);
    const height = TOP + HEIGHT + BOTTOM;
    const last = points.at(-1);
    return (
        <svg
            className="curve-picture"
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role="img"
            aria-label={t`Readings: ${points.map((one) => said(one.value)).join(', ') || t`none yet`}`}
        >
            <rect x={LEFT} y={TOP} width={width - LEFT - RIGHT} height={HEIGHT} className="curve-field" />
            {test.from !== null && test.until !== null && (
                <rect
                    x={x(Date.parse(test.from))}
                    y={TOP}
                    width={Math.max(1, x(Date.parse(test.until)) - x(Date.parse(test.from)))}
                    height={HEIGHT}
                    className="curve-hold"
                />
            )}
            {least !== null && <path d={`M${LEFT} ${y(least)}H${width - RIGHT}`} className="curve-least" />}
            <path
                d={points.map((one, n) => `${n === 0 ? 'M' : 'L'}${x(one.at)} ${y(one.value)}`).join('')}
                className="curve"
            />
            {points.map((one) => (
                <circle key={one.at} cx={x(one.at)} cy={y(one.value)} r={4.5} className="curve-point" />
            ))}
            {now < end && <path d={`M${x(now)} ${TOP}V${TOP + HEIGHT}`} className="curve-now" />}
            <text x={LEFT} y={height - 10} className="head-cap">
                {localClock(test.begun_at)}
            </text>
            {test.until !== null && (
                <text x={x(Date.parse(test.until))} y={height - 10} className="head-cap end">
                    {t`until ${localClock(test.until)}`}
                </text>
            )}
            {last && (
                <text x={Math.min(x(last.at), width - 150)} y={TOP - 8} className="head-cap">
                    {said(last.value)}
                </text>
            )}
        </svg>
    );
}
