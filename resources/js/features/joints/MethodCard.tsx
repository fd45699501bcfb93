import { t } from '@lingui/core/macro';
import type { JointEnd, JointMethod } from '../../api/types';
import { JointGlyph } from '../../drawing/joint/JointSection';
import { Shape } from '../../shared/Shape';

interface Props {
    rank: number;
    method: JointMethod;
    a: JointEnd | null;
    b: JointEnd | null;
    selected: boolean;
    onSelect: () => void;
}

/** One way to make a joint: drawn, named, in a sentence; with its parts. */
export function MethodCard({ rank, method, a, b, selected, onSelect }: Props) {
    const stop = method.findings.find((finding) => finding.severity === 'stop' || finding.severity === 'warn');
    return (
        <button type="button" className={selected ? 'method lit' : 'method'} aria-pressed={selected} onClick={onSelect}>
            <span className="rank">{rank}</span>
            {a && b ? <JointGlyph a={a} b={b} method={method} /> : <span />}
            <span>
                <b>{method.name}</b>
                <span className="say">{method.say}</span>
                <span className="cap">
                    {method.parts.map((part) => part.name).join(', ') || method.maker_name}
                    {method.unknown.length > 0 && (
                        <>
                            {' '}
                            <Shape kind="unknown" size={13} /> {t`measure first`}
                        </>
                    )}
                </span>
                {stop && (
                    <span className="cap">
                        <Shape kind={stop.severity} size={13} /> {stop.title}
                    </span>
                )}
            </span>
        </button>
    );
}
