import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import Form from 'react-bootstrap/Form';
import { Link, useNavigate, useParams } from 'react-router';
import { askToSignUp, signUp } from '../../api/people';
import { accountQuery } from '../../api/queries';
import { Entrance } from '../../shared/Entrance';
import { formText } from '../../shared/formText';
import { NewCrew, NewName, NewPassword } from '../../shared/NewPersonFields';
import { Problem } from '../../shared/Problem';
import { useSentForm } from '../../shared/useSentForm';
import { AskForLetter } from './AskForLetter';

/** Asks for a letter with a link to make an account with. */
export function SignUp() {
    return (
        <AskForLetter
            id="sign-up-email"
            title={t`An account of your own`}
            say={t`Say your email. A letter comes with a link.`}
            send={askToSignUp}
            sent={(asked) => t`A letter to ${asked} is on its way. Its link opens for a day.`}
        />
    );
}

/** Where the link of the letter leads. */
export function SignedUp() {
    const { letter = '' } = useParams();
    const client = useQueryClient();
    const navigate = useNavigate();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) =>
            signUp(letter, {
                name: formText(form, 'name'),
                password: formText(form, 'password'),
                crew: formText(form, 'crew'),
            }),
        (account) => {
            client.setQueryData(accountQuery.queryKey, account);
            void navigate('/', { replace: true });
        },
    );
    return (
        <Entrance title={t`Your account`} say={t`You work in a crew of your own, and invite others into it.`}>
            <Form onSubmit={onSubmit}>
                <NewName errors={errors} />
                <NewPassword errors={errors} label={t`Password`} />
                <NewCrew errors={errors} />
                <Problem text={problem} />
                <button type="submit" className="main-act" disabled={busy}>
                    {t`Make the account`}
                </button>
                {problem && <Link to="/sign-up">{t`Ask for a new link`}</Link>}
            </Form>
        </Entrance>
    );
}
