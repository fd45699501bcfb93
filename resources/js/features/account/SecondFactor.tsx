import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Result } from '../../api/client';
import { beginSecondFactor, confirmSecondFactor, endSecondFactor } from '../../api/people';
import { accountQuery } from '../../api/queries';
import type { BegunSecondFactor } from '../../api/types';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';
import { Shape } from '../../shared/Shape';
import { Squares } from '../../shared/Squares';
import { useSentForm } from '../../shared/useSentForm';
import { PasswordNow } from './PasswordNow';

/** A code of the phone beside the password. */
export function SecondFactor({ isOn }: { isOn: boolean }) {
    const [begun, setBegun] = useState<BegunSecondFactor | null>(null);
    const [codes, setCodes] = useState<string[] | null>(null);
    const client = useQueryClient();
    const again = () => client.invalidateQueries({ queryKey: accountQuery.queryKey });
    return (
        <section aria-label={t`Second factor`}>
            <h2>{t`Second factor`}</h2>
            {codes !== null && <PaperCodes codes={codes} />}
            {isOn && (
                <>
                    <p>
                        <Shape kind="done" size={14} /> {t`A code of your phone is asked for when you sign in.`}
                    </p>
                    <WithPassword
                        label={t`Ask for it no more`}
                        send={endSecondFactor}
                        then={() => {
                            setCodes(null);
                            void again();
                        }}
                    />
                </>
            )}
            {!isOn && begun === null && (
                <>
                    <p className="cap">{t`Somebody who has your password alone does not get in.`}</p>
                    <WithPassword label={t`Set it up`} send={beginSecondFactor} then={setBegun} />
                </>
            )}
            {!isOn && begun !== null && (
                <ReadByPhone
                    begun={begun}
                    onOn={(made) => {
                        setCodes(made);
                        setBegun(null);
                        void again();
                    }}
                />
            )}
        </section>
    );
}

interface WithPasswordProps<T> {
    label: string;
    send: (current: string) => Promise<Result<T>>;
    then: (data: T) => void;
}

function WithPassword<T>({ label, send, then }: WithPasswordProps<T>) {
    const { busy, errors, problem, onSubmit } = useSentForm((form) => send(formText(form, 'current')), then);
    return (
        <form onSubmit={onSubmit}>
            <PasswordNow id="factor-current" label={t`Your password`} errors={errors} />
            <Problem text={problem} />
            <button type="submit" className="plain" disabled={busy}>
                {label}
            </button>
        </form>
    );
}

function ReadByPhone({ begun, onOn }: { begun: BegunSecondFactor; onOn: (codes: string[]) => void }) {
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => confirmSecondFactor(formText(form, 'code')),
        ({ codes }) => onOn(codes),
    );
    return (
        <>
            <p>{t`Read this with an application for codes on your phone, or type the letters there:`}</p>
            <Squares text={begun.address} label={t`The secret for a camera`} />
            <p className="secret">{begun.secret.replace(/.{4}(?=.)/g, '$& ')}</p>
            <form onSubmit={onSubmit}>
                <Field
                    id="factor-code"
                    name="code"
                    label={t`The code that the phone shows now`}
                    maxLength={20}
                    autoComplete="one-time-code"
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    {t`Turn it on`}
                </button>
            </form>
        </>
    );
}

function PaperCodes({ codes }: { codes: string[] }) {
    return (
        <div role="status">
            <p>{t`Write these down. Each opens once where the phone is lost; they are shown this once:`}</p>
            <ul className="secret">
                {codes.map((code) => (
                    <li key={code}>{code}</li>
                ))}
            </ul>
        </div>
    );
}
