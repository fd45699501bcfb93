import { t } from '@lingui/core/macro';
import { askForPassword } from '../../api/people';
import { AskForLetter } from './AskForLetter';

/** Asks for a letter with a link to a new password. */
export function Forgotten() {
    return (
        <AskForLetter
            id="forgotten-email"
            title={t`A new password`}
            say={t`Say the email that you sign in with. A letter comes with a link.`}
            send={askForPassword}
            sent={(asked) => t`If ${asked} has an account here, a letter is on its way. Its link opens for an hour.`}
        />
    );
}
