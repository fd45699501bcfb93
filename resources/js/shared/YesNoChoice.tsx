import { t } from '@lingui/core/macro';
import { Choice } from './Choice';

interface Props {
    id: string;
    name: string;
    label: string;
    said: boolean | undefined;
}

/** A question that is answered by yes or no, or not known yet; the form says `yes`, `no` or nothing. */
export function YesNoChoice({ said, ...field }: Props) {
    return (
        <Choice
            {...field}
            start={said === undefined ? '' : said ? 'yes' : 'no'}
            options={[
                ['', t`not known`],
                ['yes', t`yes`],
                ['no', t`no`],
            ]}
        />
    );
}
