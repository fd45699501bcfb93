import { t } from '@lingui/core/macro';
/** A dial on a small level held on the hub: where the way that the bend turns leans, from plumb, looking downstream. */
export function Dial({ deg, upright, label }: { deg: number; upright: boolean; label: string }) {
    const [c, r] = [90, 72];
    const at = (angle: number, radius: number): [number, number] => [
        c + Math.sin((angle * Math.PI) / 180) * radius,
        c - Math.cos((angle * Math.PI) / 180) * radius,
    ];
    const [x, y] = at(deg, r - 16);
    return (
        <svg className="dial" width={180} height={180} viewBox="0 0 180 180" role="img" aria-label={label}>
            <circle cx={c} cy={c} r={r} style={{ fill: 'var(--lit)', stroke: 'var(--ink)', strokeWidth: 2 }} />
            <circle cx={c} cy={c} r={26} style={{ fill: 'none', stroke: 'var(--rule-2)', strokeWidth: 7 }} />
            {Array.from({ length: 24 }, (_, i) => {
                const [from, to] = [at(i * 15, r), at(i * 15, i % 2 === 0 ? r - 9 : r - 5)];
                return (
                    <path
                        key={i}
                        d={`M${from.join(' ')}L${to.join(' ')}`}
                        style={{ stroke: 'var(--ink)', strokeWidth: 1.4 }}
                    />
                );
            })}
            {[0, 90, -90, 180].map((mark) => {
                const [tx, ty] = at(mark, r + 10);
                return (
                    <text
                        key={mark}
                        x={tx}
                        y={ty + 4}
                        textAnchor="middle"
                        style={{ fontSize: 12, fontWeight: 600, fill: 'var(--ink)' }}
                    >
                        {upright && mark === 0 ? t`N` : Math.abs(mark)}
                    </text>
                );
            })}
            <path d={`M${c} ${c}L${x} ${y}`} style={{ stroke: 'var(--mark)', strokeWidth: 4 }} />
            <circle cx={x} cy={y} r={6} style={{ fill: 'var(--mark)' }} />
            {!upright && (
                <path
                    d={`M${c - 30} ${c + r - 22}h60`}
                    style={{ stroke: 'var(--water)', strokeWidth: 5, strokeLinecap: 'round' }}
                />
            )}
        </svg>
    );
}
