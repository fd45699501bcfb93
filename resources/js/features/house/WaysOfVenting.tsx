import { t } from '@lingui/core/macro';
import type { FixtureReport } from '../../api/types';
import { Shape } from '../../shared/Shape';
import { SourceTap } from '../../shared/SourceTap';

type Way = NonNullable<FixtureReport['arm']>['ways'][number];

const SHAPE: Record<Way['state'], 'done' | 'stop' | 'unknown'> = {
    vents: 'done',
    lacks: 'stop',
    'not-judged': 'unknown',
};

/** Every way of venting that the book has for pipe of this shape: which one it is, and what the others lack. */
export function WaysOfVenting({ arm }: { arm: FixtureReport['arm'] }) {
    if (!arm || arm.ways.length === 0) return null;
    return (
        <section className="ways-of-venting" aria-label={t`Ways of venting`}>
            <h3>{t`How it is vented`}</h3>
            <ul>
                {arm.ways.map((way) => (
                    <li key={`${way.method} ${way.state}`}>
                        <Shape kind={SHAPE[way.state]} size={16} />{' '}
                        <SourceTap source={way.source}>{way.name}</SourceTap>
                        <span className="cap"> {saidOf(way)}</span>
                    </li>
                ))}
            </ul>
        </section>
    );
}

function saidOf(way: Way): string {
    if (way.state === 'vents') return t`it is one`;
    if (way.state === 'not-judged')
        return way.missing.length > 0
            ? t`it may be one: ${way.missing.join('; ')}`
            : t`it may be one; not judged here: read the clause`;
    return t`it is none: ${way.missing.join('; ')}`;
}
