import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { reasonOf } from '../../api/client';
import { signIn } from '../../api/queries';
import type { Account } from '../../api/types';
import { goOn } from '../../editing';
import { formText } from '../../shared/formText';
import { Problem } from '../../shared/Problem';

/**
 * The session has ended while somebody works: the page stays, and what is not saved yet goes on once they have signed
 * in again.
 */
export function SignInAgain({ account, onSignedIn }: { account: Account; onSignedIn: () => void }) {
    const client = useQueryClient();
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);

    const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
        event.preventDefault();
        setBusy(true);
        const result = await signIn(account.email, formText(new FormData(event.currentTarget), 'password'));
        setBusy(false);
        if (!result.ok) {
            setProblem(reasonOf(result));
            return;
        }
        onSignedIn();
        goOn(account.email);
        void client.invalidateQueries({ predicate: (query) => query.state.status === 'error' });
    };

    return (
        <Modal show backdrop="static" keyboard={false} aria-labelledby="sign-in-again">
            <Modal.Body>
                <h2 id="sign-in-again">{t`You are no longer signed in`}</h2>
                <p className="say">
                    <Trans>
                        What you said is stored on this device. Sign in again as {account.name}, and it is saved.
                        Somebody else signs in from the start page; your changes wait for you.
                    </Trans>
                </p>
                <Form onSubmit={(event) => void submit(event)}>
                    <Form.Group controlId="again-email">
                        <Form.Label>{t`Email`}</Form.Label>
                        <Form.Control value={account.email} readOnly autoComplete="username" />
                    </Form.Group>
                    <Form.Group controlId="again-password">
                        <Form.Label>{t`Password`}</Form.Label>
                        <Form.Control
                            name="password"
                            type="password"
                            autoComplete="current-password"
                            required
                            autoFocus
                        />
                    </Form.Group>
                    <Problem text={problem} />
                    <div className="acts">
                        <a className="plain" href="/">
                            {t`Start page`}
                        </a>
                        <button type="submit" className="main-act" disabled={busy}>
                            {t`Sign in`}
                        </button>
                    </div>
                </Form>
            </Modal.Body>
        </Modal>
    );
}
