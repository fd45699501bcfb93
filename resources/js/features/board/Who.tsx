import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import Dropdown from 'react-bootstrap/Dropdown';
import { useNavigate } from 'react-router';
import { reasonOf } from '../../api/client';
import { chooseCrew } from '../../api/people';
import { signOut } from '../../api/queries';
import type { Account } from '../../api/types';
import { useGuide } from '../../shared/guide';
import { otherCrew } from '../../shared/otherCrew';
import { useAttempt } from '../../shared/useFormAct';

/** The crew that somebody works for, the others that they are in, their account, and signing out. */
export function Who({ account }: { account: Account }) {
    const client = useQueryClient();
    const navigate = useNavigate();
    const guide = useGuide();
    const { problem, attempt } = useAttempt();
    const choose = async (crew: number): Promise<void> => {
        const result = await chooseCrew(crew);
        if (!result.ok) throw new Error(reasonOf(result));
        await otherCrew(client, result.data);
    };
    const leave = async (): Promise<void> => {
        await signOut();
        client.clear();
        window.location.assign('/');
    };
    const chosen = account.crews.find((crew) => crew.id === account.crew);
    return (
        <Dropdown>
            <Dropdown.Toggle as="button" type="button" className="head-field">
                <span className="cap">
                    {account.name} <i aria-hidden="true">▾</i>
                </span>
                <b aria-live="polite">{problem === '' ? (chosen?.name ?? t`in no crew`) : problem}</b>
            </Dropdown.Toggle>
            <Dropdown.Menu>
                {account.crews.length > 1 &&
                    account.crews.map((crew) => (
                        <Dropdown.Item
                            key={crew.id}
                            active={crew.id === account.crew}
                            onClick={() => void attempt(() => choose(crew.id))}
                        >
                            {crew.name}
                        </Dropdown.Item>
                    ))}
                <Dropdown.Item onClick={() => void navigate('/account')}>
                    {t`Account, people, invitations`}
                </Dropdown.Item>
                <Dropdown.Item onClick={guide.help}>{t`Keys and words (?)`}</Dropdown.Item>
                <Dropdown.Item onClick={() => void leave()}>{t`Sign out`}</Dropdown.Item>
            </Dropdown.Menu>
        </Dropdown>
    );
}
