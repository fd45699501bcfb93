import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { startCrew } from '../../api/people';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { otherCrew } from '../../shared/otherCrew';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';

/** Another crew beside those that somebody is in. */
export function StartCrew() {
    const client = useQueryClient();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => startCrew(formText(form, 'name')),
        (account, form) => {
            form.reset();
            void otherCrew(client, account);
        },
    );
    return (
        <section aria-label={t`Another crew`}>
            <h2>{t`Another crew`}</h2>
            <form onSubmit={onSubmit}>
                <Field
                    id="new-crew"
                    name="name"
                    label={t`What it is called`}
                    help={t`its jobs, numbers and prices are its own`}
                    maxLength={80}
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    {t`Start the crew`}
                </button>
            </form>
        </section>
    );
}
