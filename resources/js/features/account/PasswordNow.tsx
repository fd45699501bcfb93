import { Field } from '../../shared/Field';

interface Props {
    id: string;
    label: string;
    errors: Record<string, string[]>;
}

/** The password of now, which whoever changes how they sign in says once more. */
export function PasswordNow({ id, label, errors }: Props) {
    return (
        <Field id={id} name="current" type="password" label={label} autoComplete="current-password" errors={errors} />
    );
}
