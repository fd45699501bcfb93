import { useQuery } from '@tanstack/react-query';
import { orderQuery } from '../../api/queries';
import type { JobDocument, RunReport } from '../../api/types';
import { Shape } from '../../drawing/Shape';
import { freesInWords, stepInWords } from './ways';

/** Whether the run as it is goes together where its ends stand, piece by piece; or what frees it. */
export function OrderList({ document, run }: { document: JobDocument; run: RunReport }) {
    const order = useQuery(orderQuery(document, run.id)).data?.order;
    if (!order || run.joints.length === 0) return null;
    return (
        <section className="mu-order" aria-label="Order">
            <h2>Will it go together?</h2>
            <p className="say">
                {order.fixed.length === 0
                    ? 'Neither end stands: it is made up and carried in.'
                    : `${order.fixed.join(' and ')} ${order.fixed.length === 1 ? 'stands' : 'stand'} already.`}
            </p>
            {order.goes ? (
                <ol>
                    {order.steps.map((step, i) => (
                        <li key={i}>{stepInWords(step)}</li>
                    ))}
                </ol>
            ) : (
                <>
                    <p>
                        <Shape kind="stop" size={17} /> At the end there is no room along the pipe to push joint {order.left.join(' or ')}{' '}
                        home.
                    </p>
                    {order.frees.length > 0 ? (
                        <>
                            <p>
                                <b>Any one of these frees it:</b>
                            </p>
                            <ul>
                                {order.frees.slice(0, 6).map((change) => (
                                    <li key={change.map((one) => one.joint).join()}>{freesInWords(change)}</li>
                                ))}
                            </ul>
                        </>
                    ) : (
                        <p>No change of one joint or two frees it: let go of an end.</p>
                    )}
                </>
            )}
            <p className="cap">
                Pieces are taken as stiff. A long line that can be drawn aside may go together all the same; a glued joint is not sprung.
            </p>
        </section>
    );
}
