import { t } from '@lingui/core/macro';
import { Field } from './Field';

/** The fields of somebody who has no account yet. */
export function NewPersonFields({ errors, name = '' }: { errors: Record<string, string[]>; name?: string }) {
    return (
        <>
            <Field
                id="new-name"
                name="name"
                label={t`Your name, as others see it`}
                start={name}
                maxLength={80}
                autoComplete="name"
                errors={errors}
                autoFocus
            />
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

export function NewPassword({ errors, label }: { errors: Record<string, string[]>; label: string }) {
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
