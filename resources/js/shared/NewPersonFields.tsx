import { t } from '@lingui/core/macro';
import { Field } from './Field';

type Errors = Record<string, string[]>;

/** The fields of somebody who has no account yet. */
export function NewPersonFields({ errors, name = '' }: { errors: Errors; name?: string }) {
    return (
        <>
            <NewName errors={errors} start={name} />
            <Field
                id="new-email"
                name="email"
                type="email"
                label={t`Email`}
                maxLength={200}
                autoComplete="username"
                errors={errors}
            />
            <NewPassword errors={errors} label={t`Password`} />
        </>
    );
}

export function NewName({ errors, start = '' }: { errors: Errors; start?: string }) {
    return (
        <Field
            id="new-name"
            name="name"
            label={t`Your name, as others see it`}
            start={start}
            maxLength={80}
            autoComplete="name"
            errors={errors}
            autoFocus
        />
    );
}

/** What the crew is called that somebody begins with. */
export function NewCrew({ errors }: { errors: Errors }) {
    return (
        <Field
            id="new-crew"
            name="crew"
            label={t`What your crew is called`}
            help={t`its jobs, numbers and prices are its own`}
            maxLength={80}
            autoComplete="organization"
            errors={errors}
        />
    );
}

export function NewPassword({ errors, label }: { errors: Errors; label: string }) {
    return (
        <Field
            id="new-password"
            name="password"
            type="password"
            label={label}
            help={t`at least 10 characters`}
            maxLength={72}
            autoComplete="new-password"
            errors={errors}
        />
    );
}
