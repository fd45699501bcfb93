import { t } from '@lingui/core/macro';
import type { StartField } from '../../api/types';
import { Shape } from '../../shared/Shape';

interface AskedProps {
    field: StartField;
    number: number;
    value: string;
    problem: string | undefined;
    onFocus: () => void;
    onChange: (value: string) => void;
}

/** One thing that is asked for, with where to hold the tape, and what is wrong with what was said. */
export function Asked({ field, number, value, problem, onFocus, onChange }: AskedProps) {
    const id = `start-${field.id}`;
    const described =
        [field.hold && `${id}-hold`, field.source && `${id}-source`, problem && `${id}-problem`]
            .filter(Boolean)
            .join(' ') || undefined;
    const common = {
        id,
        value,
        onFocus,
        'aria-describedby': described,
        'aria-invalid': problem ? true : undefined,
    };
    return (
        <div className="start-field">
            <label htmlFor={id}>
                <b>
                    <span className="start-no">{number}</span> {field.label}
                </b>
                {field.optional && <span className="cap"> {t`or measure it later`}</span>}
            </label>
            {field.choices.length > 0 ? (
                <select {...common} onChange={(event) => onChange(event.target.value)}>
                    {field.choices.map((choice) => (
                        <option key={choice.key} value={choice.key}>
                            {choice.name}
                        </option>
                    ))}
                </select>
            ) : (
                <input
                    {...common}
                    inputMode={field.kind === 'angle' ? 'decimal' : 'text'}
                    autoComplete="off"
                    maxLength={60}
                    onChange={(event) => onChange(event.target.value)}
                />
            )}
            {field.hold && (
                <span className="cap" id={`${id}-hold`}>
                    {field.hold}
                </span>
            )}
            {field.source && (
                <span className="cap" id={`${id}-source`}>
                    {field.unsure && <Shape kind="unknown" size={13} />}{' '}
                    {value === field.start ? t`Not measured: ${field.source}` : t`Yours`}
                </span>
            )}
            {problem && (
                <span className="problem" id={`${id}-problem`} role="alert">
                    <Shape kind="stop" size={15} /> {problem}
                </span>
            )}
        </div>
    );
}
