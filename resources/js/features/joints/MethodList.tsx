import { t } from '@lingui/core/macro';
import type { JointCard } from '../../api/types';
import { SourceTap } from '../../shared/SourceTap';
import { MethodCard } from './MethodCard';
import { RefusedList } from './RefusedList';
import { stateInWords } from '../../editing';

/** The ways to make a joint, best first, and under their own bar the ways that are refused. */
export function MethodList({
    card,
    looked,
    onLook,
}: {
    card: JointCard;
    looked: string | null;
    onLook: (method: string) => void;
}) {
    return (
        <section className="method-list" aria-label={t`Ways to join`}>
            <header>
                <h2>
                    {card.mark === null ? '' : t`Joint ${card.mark}: `}
                    {card.name}
                </h2>
                <div className="cap">
                    {card.a && card.b && (
                        <>
                            <SourceTap source={card.a.source}>{card.a.name}</SourceTap> {t`to`}{' '}
                            <SourceTap source={card.b.source}>{card.b.name}</SourceTap>, {card.b.kind.replace('-', ' ')}
                            .{' '}
                        </>
                    )}
                    {card.ground === 'buried' ? t`Buried. ` : card.access === 'concealed' ? t`Closed in. ` : ''}
                    {card.state !== 'own' && t`Method: ${stateInWords(card.state)}.`}
                </div>
            </header>
            {card.a &&
                card.b &&
                card.methods.map((method, i) => (
                    <MethodCard
                        key={method.method}
                        rank={i + 1}
                        method={method}
                        a={card.a}
                        b={card.b}
                        selected={method.method === looked}
                        onSelect={() => onLook(method.method)}
                    />
                ))}
            <RefusedList refused={card.refused} />
        </section>
    );
}
