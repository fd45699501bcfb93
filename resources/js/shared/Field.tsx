import Form from 'react-bootstrap/Form';

interface Props {
    id: string;
    /** of the field, and of what is said of it in `errors` */
    name: string;
    label: string;
    errors: Record<string, string[]>;
    type?: 'text' | 'email' | 'password';
    start?: string;
    autoComplete?: string;
    maxLength?: number;
    help?: string;
    autoFocus?: boolean;
    readOnly?: boolean;
}

/** A field of text; what was wrong with it is said under it. */
export function Field({ id, name, label, errors, type = 'text', start, help, ...rest }: Props) {
    const wrong = errors[name]?.[0];
    const said = [help && `${id}-help`, wrong && `${id}-wrong`].filter(Boolean).join(' ');
    return (
        <Form.Group controlId={id}>
            <Form.Label>{label}</Form.Label>
            <Form.Control
                name={name}
                type={type}
                defaultValue={start}
                required
                aria-invalid={wrong !== undefined}
                aria-describedby={said === '' ? undefined : said}
                {...rest}
            />
            {help && (
                <span id={`${id}-help`} className="cap">
                    {help}
                </span>
            )}
            {wrong && (
                <p id={`${id}-wrong`} className="problem" role="alert">
                    {wrong}
                </p>
            )}
        </Form.Group>
    );
}
