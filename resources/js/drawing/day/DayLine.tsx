import { t } from '@lingui/core/macro';
import type { RunDay } from '../../api/types';
import { clockOf, later, minutesBetween, tickEvery } from './times';

type Day = NonNullable<RunDay['day']>;
type Step = Day['steps'][number];

interface Props {
    day: Day;
    width: number;
    selected: string | null;
    onSelect: (joint: string) => void;
    /** what is written at a joint */
    markOf: (joint: string) => string;
}

const [LEFT, RIGHT, TOP, ROW, BAR] = [44, 18, 42, 25, 14];

interface Scale {
    from: string;
    minutes: number;
    x: (time: string) => number;
}

/**
 * A day of joining to one scale: a line for each joint, with hands on it, until it may be moved, until it is filled.
 */
export function DayLine({ day, width, selected, onSelect, markOf }: Props) {
    const joins = day.steps.filter((step) => step.what === 'join');
    const scale = scaleOf(day, width);
    if (scale === null || joins.length === 0) return null;
    const height = TOP + joins.length * ROW + 12;
    return (
        <svg
            className="day-line"
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role="img"
            aria-label={t`The day: a line for each joint`}
        >
            <Closed day={day} scale={scale} height={height} />
            <Hours scale={scale} height={height} />
            {joins.map((step, row) => (
                <JointLine
                    key={step.joint}
                    step={step}
                    dry={day.steps.find((one) => one.what === 'dry-fit' && one.joint === step.joint)}
                    top={TOP + row * ROW}
                    scale={scale}
                    width={width}
                    on={step.joint === selected}
                    markOf={markOf}
                    onSelect={onSelect}
                />
            ))}
        </svg>
    );
}

function scaleOf(day: Day, width: number): Scale | null {
    const from = day.steps[0]?.from;
    if (from === undefined) return null;
    const ends = day.steps.map((step) => minutesBetween(from, step.may_fill ?? step.until));
    const minutes = Math.max(1, ...ends);
    const room = width - LEFT - RIGHT;
    return { from, minutes, x: (time) => LEFT + (minutesBetween(from, time) / minutes) * room };
}

/** When the line of the house stands open. */
function Closed({ day, scale, height }: { day: Day; scale: Scale; height: number }) {
    if (day.closed_from === null || day.open_again === null) return null;
    const [from, to] = [scale.x(day.closed_from), scale.x(day.open_again)];
    return (
        <g className="day-closed">
            <rect
                x={from}
                y={TOP - 8}
                width={Math.max(3, to - from)}
                height={height - TOP + 4}
                style={{ fill: 'var(--lit)' }}
            />
            <path d={`M${from} ${TOP - 8}V${height - 4}M${to} ${TOP - 8}V${height - 4}`} className="day-edge" />
        </g>
    );
}

function Hours({ scale, height }: { scale: Scale; height: number }) {
    const step = tickEvery(scale.minutes);
    // Whole hours and parts of them, from the first that comes.
    const since = (Number(scale.from.slice(11, 13)) * 60 + Number(scale.from.slice(14, 16))) % step;
    const first = since === 0 ? 0 : step - since;
    const count = Math.max(0, Math.floor((scale.minutes - first) / step) + 1);
    const times = Array.from({ length: count }, (_, n) => later(scale.from, first + n * step));
    return (
        <g>
            {times.map((time) => (
                <g key={time}>
                    <path d={`M${scale.x(time)} ${TOP - 12}V${height - 4}`} className="day-tick" />
                    <text x={scale.x(time)} y={TOP - 18} className="day-hour">
                        {clockOf(time)}
                    </text>
                </g>
            ))}
        </g>
    );
}

interface LineProps {
    step: Step;
    dry: Step | undefined;
    top: number;
    scale: Scale;
    width: number;
    on: boolean;
    onSelect: (joint: string) => void;
    /** what is written at a joint */
    markOf: (joint: string) => string;
}

function JointLine({ step, dry, top, scale, width, on, onSelect, markOf }: LineProps) {
    const { x } = scale;
    const y = top + (ROW - BAR) / 2;
    const [from, until] = [x(step.from), x(step.until)];
    const moved = x(step.may_move ?? step.until);
    const filled = x(step.may_fill ?? step.until);
    return (
        <g data-joint={step.joint} onClick={() => onSelect(step.joint)} style={{ cursor: 'pointer' }}>
            <rect x={0} y={top} width={width} height={ROW} style={{ fill: on ? 'var(--lit)' : 'transparent' }} />
            <text x={LEFT - 12} y={top + ROW / 2 + 6} className="day-n">
                {markOf(step.joint)}
            </text>
            {dry && (
                <rect
                    x={x(dry.from)}
                    y={y + 5}
                    width={Math.max(2, x(dry.until) - x(dry.from))}
                    height={6}
                    className="day-dry"
                />
            )}
            {filled > until && (
                <rect x={until} y={y + 3} width={filled - until} height={BAR - 6} className="day-cure" />
            )}
            {moved > until && <rect x={until} y={y + 3} width={moved - until} height={BAR - 6} className="day-set" />}
            <rect x={from} y={y} width={Math.max(3, until - from)} height={BAR} className="day-hands" />
        </g>
    );
}
