import { t } from '@lingui/core/macro';
import { askForAddress } from '../../api/people';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { LettersKept } from '../../shared/LettersKept';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';
import { Saved, useSaved } from './Saved';
import { PasswordNow } from './PasswordNow';

/** The address that somebody signs in with, and another one in its place. */
export function YourAddress({ email }: { email: string }) {
    const { saved, say } = useSaved();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => askForAddress(formText(form, 'current'), formText(form, 'email')),
        (_, form) => {
            const asked = formText(new FormData(form), 'email');
            form.reset();
            say(t`A letter to ${asked} is on its way. Its link opens for a day; until then nothing changes.`);
        },
    );
    return (
        <section aria-label={t`Address`}>
            <h2>{t`Address`}</h2>
            <p className="cap">{t`You sign in with ${email}`}</p>
            <form onSubmit={onSubmit}>
                <Field
                    id="address-email"
                    name="email"
                    type="email"
                    label={t`Another address`}
                    autoComplete="email"
                    errors={errors}
                />
                <PasswordNow id="address-current" label={t`Your password`} errors={errors} />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    {t`Send a letter there`}
                </button>
                <Saved text={saved} />
                {saved && <LettersKept />}
            </form>
        </section>
    );
}
