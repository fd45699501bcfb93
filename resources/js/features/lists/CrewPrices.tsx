import { t } from '@lingui/core/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { dropPrice, keepPrices, pricesQuery, systemsQuery } from '../../api/queries';
import type { CuttingReport, MaterialRow } from '../../api/types';
import { lengthInWords } from '../../shared/lengths';
import { Problem } from '../../shared/Problem';
import { dayIn } from '../../shared/locale';
import { useAttempt } from '../../shared/useFormAct';
import type { JobEditor } from '../../editing';
import { forCrew, tallyInWords, withCrewPrices } from './crewPrices';
import { eachInWords, priceName } from './prices';

interface Props {
    editor: JobEditor;
    rows: MaterialRow[];
    pipes: Pick<CuttingReport['groups'][number], 'system' | 'size'>[];
}

/**
 * What the crew keeps of prices, whatever the job: taken into this one, or kept from it. A job says later what it said
 * when it was reckoned.
 */
export function CrewPrices({ editor, rows, pipes }: Props) {
    const { data: crew, isError, refetch } = useQuery(pricesQuery);
    const systems = useQuery(systemsQuery).data?.systems ?? [];
    const client = useQueryClient();
    const { busy, problem, attempt } = useAttempt();
    if (!crew)
        return isError ? (
            <div className="acts">
                <Problem text={t`The crew’s prices did not come.`} />
                <button type="button" className="plain" onClick={() => void refetch()}>
                    {t`Ask again`}
                </button>
            </div>
        ) : null;
    const take = (): void => editor.change((document) => withCrewPrices(document, crew, rows, pipes).document);
    const [taken, kept] = [withCrewPrices(editor.document, crew, rows, pipes), forCrew(editor.document, crew)];
    const keep = async (): Promise<void> => {
        const answer = await keepPrices({ prices: kept.prices, sticks: kept.sticks });
        if (!answer.ok) throw new Error(answer.message);
        client.setQueryData(pricesQuery.queryKey, answer.data);
    };
    const drop = async (id: number): Promise<void> => {
        const answer = await dropPrice(id);
        await client.invalidateQueries({ queryKey: pricesQuery.queryKey });
        if (!answer.ok && answer.status !== 404) throw new Error(answer.message);
    };
    const list = [
        ...crew.prices.map((price) => ({ ...price, name: priceName(price) })),
        ...crew.sticks.map((stick) => ({
            ...stick,
            each: stick.price,
            name: t`${systems.find((one) => one.key === stick.system)?.short ?? stick.system} ${stick.size}, a stick of ${lengthInWords(stick.length_mm, editor.evaluation.units)}`,
        })),
    ];
    return (
        <section className="crew-prices" aria-label={t`The crew's prices`}>
            <p className="say">
                {list.length === 0
                    ? t`The crew keeps no prices yet. What is kept from one job can be taken into the next.`
                    : t`A job keeps the prices that it was reckoned with; the crew keeps its own, for the next one.`}
            </p>
            {(tallyInWords(taken) !== '' || tallyInWords(kept) !== '') && (
                <div className="acts">
                    {tallyInWords(taken) !== '' && (
                        <button type="button" className="plain" onClick={take}>
                            {t`Take the crew’s prices: ${tallyInWords(taken)}`}
                        </button>
                    )}
                    {tallyInWords(kept) !== '' && (
                        <button type="button" className="plain" disabled={busy} onClick={() => void attempt(keep)}>
                            {t`Keep these for the crew: ${tallyInWords(kept)}`}
                        </button>
                    )}
                </div>
            )}
            <Problem text={problem} />
            {list.length > 0 && (
                <details>
                    <summary>
                        {list.length === 1
                            ? t`One price that the crew keeps`
                            : t`${list.length} prices that the crew keeps`}
                    </summary>
                    <ul>
                        {list.map((price) => (
                            <li key={price.id}>
                                <span>
                                    {price.name}: <b>{eachInWords(price.each)}</b>{' '}
                                    <span className="cap">
                                        {price.by}, {dayIn(price.at)}
                                    </span>
                                </span>
                                <button
                                    type="button"
                                    className="plain small"
                                    disabled={busy}
                                    aria-label={t`Keep no longer: ${price.name}`}
                                    onClick={() => void attempt(() => drop(price.id))}
                                >
                                    {t`Take it out`}
                                </button>
                            </li>
                        ))}
                    </ul>
                </details>
            )}
        </section>
    );
}
