import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { ReactNode } from 'react';
import type { JointCard, JointMethod, Units } from '../../api/types';
import { NotKnown } from '../../drawing/NotKnown';
import { Said } from '../../drawing/Said';
import { SourceTap } from '../../shared/SourceTap';
import { waterInWords } from './times';

/**
 * What each way changes: the cut length, the parts, whether the joint can close the run, the first water, the price.
 */
export function Consequences({
    card,
    looked,
    units,
    onLook,
}: {
    card: JointCard;
    looked: string;
    units: Units;
    onLook: (method: string) => void;
}) {
    const shown = [...card.methods.slice(0, 3)];
    const chosen = card.methods.find((one) => one.method === looked);
    if (chosen && !shown.includes(chosen)) shown.splice(2, 1, chosen);
    const clock = card.sources.find((one) => one.table === 'cements' && one.row === 'cure');
    const on = (method: JointMethod): string => (method.method === looked ? 'lit' : '');
    return (
        <table className="consequences">
            <thead>
                <tr>
                    <th scope="col">
                        <span className="unseen">{t`What changes`}</span>
                    </th>
                    {shown.map((method) => (
                        <th key={method.method} scope="col" className={on(method)}>
                            <button type="button" onClick={() => onLook(method.method)}>
                                <b className="n">{card.methods.indexOf(method) + 1}</b> {method.name}
                            </button>
                        </th>
                    ))}
                </tr>
            </thead>
            <tbody>
                {card.piece && (
                    <tr>
                        <th scope="row">
                            <Trans>
                                <span className="tagp">{card.piece}</span> cut
                            </Trans>
                        </th>
                        {shown.map((method) => (
                            <td key={method.method} className={`cut ${on(method)}`}>
                                {method.changes?.cut ? <Said tape={method.changes.cut} units={units} /> : <NotKnown />}
                            </td>
                        ))}
                    </tr>
                )}
                <Row name={t`parts`} shown={shown} on={on}>
                    {(method) =>
                        method.parts.map((part) => (
                            <div key={`${part.table} ${part.row}`}>
                                <SourceTap source={part.source}>{part.name}</SourceTap>
                            </div>
                        ))
                    }
                </Row>
                <Row name={t`can close the run`} shown={shown} on={on}>
                    {(method) => (method.opens ? t`yes, it opens` : t`no, another must`)}
                </Row>
                <Row name={t`first water`} shown={shown} on={(method) => `wt ${on(method)}`}>
                    {(method) =>
                        clock && method.times.first_water === 'after-cure' ? (
                            <SourceTap source={clock}>{waterInWords(method)}</SourceTap>
                        ) : (
                            waterInWords(method)
                        )
                    }
                </Row>
                <Row
                    name={t`price`}
                    shown={shown}
                    on={on}
                    label={(method) => t`price class ${method.price_class} of 3`}
                >
                    {(method) => `${'●'.repeat(method.price_class)}${'○'.repeat(3 - method.price_class)}`}
                </Row>
            </tbody>
        </table>
    );
}

interface RowProps {
    name: string;
    shown: JointMethod[];
    on: (method: JointMethod) => string;
    label?: (method: JointMethod) => string;
    children: (method: JointMethod) => ReactNode;
}

/** What one thing comes to with each of the ways. */
function Row({ name, shown, on, label, children }: RowProps) {
    return (
        <tr>
            <th scope="row">{name}</th>
            {shown.map((method) => (
                <td key={method.method} className={on(method)} aria-label={label?.(method)}>
                    {children(method)}
                </td>
            ))}
        </tr>
    );
}
