import { t } from '@lingui/core/macro';
interface Props {
    /** from the upstream end of the piece, mm */
    marks: [number, number];
    stubs: [number, number];
    centre: number;
    length: number | null;
    said: { first: string; second: string; out: string; stubs: [string, string] };
}

const WIDTH = 760;

/**
 * The standing line with what is cut out of it: the two marks from its upstream end, the fitting with its stubs, a
 * coupling over either joint. Lengths to one scale.
 */
export function CutInDrawing({ marks, stubs, centre, length, said }: Props) {
    const end = length ?? marks[1] + (marks[1] - marks[0]) * 0.6;
    const x = (mm: number): number => 30 + (mm / end) * (WIDTH - 60);
    const [a, b, c] = [x(marks[0]), x(marks[1]), x(centre)];
    const [s1, s2] = [x(marks[0] + stubs[0]), x(marks[1] - stubs[1])];
    const line = { stroke: 'var(--ink)', strokeWidth: 1.4, fill: 'var(--lit)' };
    return (
        <svg
            className="cutin"
            viewBox={`0 0 ${WIDTH} 210`}
            width="100%"
            role="img"
            aria-label={t`Cut at ${said.first} and at ${said.second} from the upstream end; ${said.out} come out.`}
        >
            <rect x={30} y={86} width={a - 30} height={28} style={{ ...line, fill: 'var(--well)' }} />
            <rect x={b} y={86} width={x(end) - b} height={28} style={{ ...line, fill: 'var(--well)' }} />
            <rect x={a + 3} y={89} width={Math.max(2, s1 - a - 3)} height={22} style={line} />
            <rect x={s2} y={89} width={Math.max(2, b - s2 - 3)} height={22} style={line} />
            <path d={`M${s1 - 4} 82H${s2 + 4}V118H${s1 - 4}Z`} style={line} />
            <path d={`M${c - 9} 82L${c - 40} 40H${c - 18}L${c + 13} 82`} style={line} />
            {[a, b].map((at) => (
                <g key={at}>
                    <rect
                        x={at - 16}
                        y={80}
                        width={34}
                        height={40}
                        style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 2 }}
                    />
                    <path d={`M${at} 62V138`} style={{ stroke: 'var(--mark)', strokeWidth: 3 }} />
                </g>
            ))}
            <path
                d={`M30 128V186M30 160H${a}M${a} 150V166`}
                style={{ stroke: 'var(--mark)', strokeWidth: 1.4, fill: 'none' }}
            />
            <path d={`M30 184H${b}M${b} 140V190`} style={{ stroke: 'var(--mark)', strokeWidth: 1.4, fill: 'none' }} />
            <text x={36} y={155} style={{ font: '700 15px var(--f-mark)', fill: 'var(--mark)' }}>
                {said.first}
            </text>
            <text x={36} y={200} style={{ font: '700 15px var(--f-mark)', fill: 'var(--mark)' }}>
                {said.second}
            </text>
            <text x={a - 22} y={74} textAnchor="end" style={{ fontSize: 12.5, fill: 'var(--ink)' }}>
                {t`stub ${said.stubs[0]}`}
            </text>
            <text x={b + 22} y={74} style={{ fontSize: 12.5, fill: 'var(--ink)' }}>
                {t`stub ${said.stubs[1]}`}
            </text>
            <text x={36} y={104} style={{ fontSize: 12, fill: 'var(--ink-3)' }}>
                {t`upstream`}
            </text>
        </svg>
    );
}
