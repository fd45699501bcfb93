import Form from 'react-bootstrap/Form';

/** One of several, in a form that is read when it is sent. */
export function Choice({
    id,
    name,
    label,
    start,
    options,
    onChange,
}: {
    id: string;
    name: string;
    label: string;
    start: string | undefined;
    options: readonly (readonly [string, string])[];
    onChange?: (value: string) => void;
}) {
    return (
        <Form.Group controlId={id}>
            <Form.Label>{label}</Form.Label>
            <Form.Select
                name={name}
                defaultValue={start ?? options[0]?.[0]}
                onChange={(event) => onChange?.(event.target.value)}
            >
                {options.map(([value, text]) => (
                    <option key={value} value={value}>
                        {text}
                    </option>
                ))}
            </Form.Select>
        </Form.Group>
    );
}
