import { useEffect, useState } from 'react';
import { useFormAct } from '../../shared/useFormAct';

/**
 * What was measured for a move, and what the reckoner answers to it. A kept move that is open is reckoned at once.
 *
 * `read` takes what was entered, `ask` asks; both say what is wrong by an error.
 */
export function useReckoning<Values, Answer>(
    read: (form: FormData) => Promise<Values>,
    ask: (values: Values) => Promise<Answer>,
    opened: Values | undefined,
) {
    const [reckoned, setReckoned] = useState<{ values: Values; answer: Answer } | null>(null);
    const reckon = async (values: Values): Promise<void> => setReckoned({ values, answer: await ask(values) });
    const { attempt, ...form } = useFormAct(async (sent) => reckon(await read(sent)));
    useEffect(() => {
        if (opened !== undefined) void attempt(() => reckon(opened));
        // eslint-disable-next-line react-hooks/exhaustive-deps -- once, as it is opened
    }, []);
    return { reckoned, ...form };
}
