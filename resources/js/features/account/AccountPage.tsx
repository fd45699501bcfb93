import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { changePassword, devicesQuery, renameMe, signOutElsewhere } from '../../api/people';
import { accountQuery } from '../../api/queries';
import type { Account } from '../../api/types';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { localClock } from '../../shared/localClock';
import { Problem } from '../../shared/Problem';
import { Shape } from '../../shared/Shape';
import { useAttempt } from '../../shared/useFormAct';
import { useSentForm } from '../../shared/useSentForm';
import { useTitle } from '../../shared/useTitle';
import { CrewSection } from './CrewSection';
import { Saved, useSaved } from './Saved';
import { StartCrew } from './StartCrew';

/** Somebody's own account: their name, their password, where they are signed in, and their crews. */
export function AccountPage() {
    const account = useQuery(accountQuery);
    useTitle('Your account');
    if (!account.data) return <p className="waiting">One moment.</p>;
    return (
        <div className="account">
            <header className="head">
                <Link className="brand" to="/" aria-label="Fall Bend, all jobs">
                    <BrandGlyph /> Fall Bend
                </Link>
                <div className="fill" />
                <Link className="beside" to="/">
                    All jobs
                </Link>
                <Beside />
            </header>
            <main>
                <h1>Your account</h1>
                <div className="account-parts">
                    <YourName account={account.data} />
                    <YourPassword />
                    <Devices />
                    {account.data.crews.map((crew) => (
                        <CrewSection key={crew.id} crew={crew} isChosen={crew.id === account.data.crew} />
                    ))}
                    <StartCrew />
                </div>
            </main>
        </div>
    );
}

function YourName({ account }: { account: Account }) {
    const client = useQueryClient();
    const { saved, say } = useSaved();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => renameMe(formText(form, 'name')),
        (changed) => {
            client.setQueryData(accountQuery.queryKey, changed);
            say('Saved.');
        },
    );
    return (
        <section aria-label="Name">
            <h2>You</h2>
            <p className="cap">Signed in with {account.email}</p>
            <form onSubmit={onSubmit}>
                <Field
                    id="account-name"
                    name="name"
                    label="Name, as others see it"
                    start={account.name}
                    maxLength={80}
                    autoComplete="name"
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    Save
                </button>
                <Saved text={saved} />
            </form>
        </section>
    );
}

function YourPassword() {
    const client = useQueryClient();
    const { saved, say } = useSaved();
    const { busy, errors, problem, onSubmit } = useSentForm(
        (form) => changePassword(formText(form, 'current'), formText(form, 'password')),
        (_, form) => {
            form.reset();
            say('Saved. Every other device is signed out.');
            void client.invalidateQueries({ queryKey: devicesQuery.queryKey });
        },
    );
    return (
        <section aria-label="Password">
            <h2>Password</h2>
            <form onSubmit={onSubmit}>
                <Field
                    id="account-current"
                    name="current"
                    type="password"
                    label="Your password now"
                    autoComplete="current-password"
                    errors={errors}
                />
                <Field
                    id="account-password"
                    name="password"
                    type="password"
                    label="A new one"
                    help="at least 10 characters; every other device is signed out"
                    maxLength={72}
                    autoComplete="new-password"
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    Change the password
                </button>
                <Saved text={saved} />
            </form>
        </section>
    );
}

/** Where somebody is signed in: a phone that was lost is signed out from here. */
function Devices() {
    const client = useQueryClient();
    const devices = useQuery(devicesQuery);
    const { saved, say } = useSaved();
    const { busy, problem, attempt } = useAttempt();
    const end = async (): Promise<void> => {
        const result = await signOutElsewhere();
        if (!result.ok) throw new Error(result.message);
        say('Signed out everywhere else.');
        await client.invalidateQueries({ queryKey: devicesQuery.queryKey });
    };
    return (
        <section aria-label="Devices">
            <h2>Where you are signed in</h2>
            {devices.isError && <Problem text={devices.error.message} />}
            <ul>
                {(devices.data ?? []).map((device) => (
                    <li key={`${device.device} ${device.last_seen}`}>
                        <Shape kind={device.here ? 'done' : 'open'} size={14} /> {device.device}{' '}
                        <span className="cap">
                            {device.here ? 'this one' : `last seen ${localClock(device.last_seen)}`}
                        </span>
                    </li>
                ))}
            </ul>
            <button
                type="button"
                className="plain"
                disabled={busy || (devices.data?.length ?? 0) < 2}
                onClick={() => void attempt(end)}
            >
                Sign out everywhere else
            </button>
            <Problem text={problem} />
            <Saved text={saved} />
        </section>
    );
}
