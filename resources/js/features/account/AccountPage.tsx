import { t } from '@lingui/core/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { changePassword, devicesQuery, renameMe, signOutElsewhere } from '../../api/people';
import { accountQuery } from '../../api/queries';
import type { Account } from '../../api/types';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { Choice } from '../../shared/Choice';
import { Field } from '../../shared/Field';
import { formText } from '../../shared/formText';
import { currentLocale, speak } from '../../shared/locale';
import { localClock } from '../../shared/localClock';
import { Problem } from '../../shared/Problem';
import { roleNow } from '../../shared/roles';
import { Shape } from '../../shared/Shape';
import { useAttempt } from '../../shared/useFormAct';
import { useSentForm } from '../../shared/useSentForm';
import { useTitle } from '../../shared/useTitle';
import { CrewSection } from './CrewSection';
import { PasswordNow } from './PasswordNow';
import { OnThisDevice } from './OnThisDevice';
import { Installation } from './Installation';
import { SecondFactor } from './SecondFactor';
import { WhatWasDone } from './WhatWasDone';
import { YourAddress } from './YourAddress';
import { Saved, useSaved } from './Saved';
import { StartCrew } from './StartCrew';

/** Somebody's own account: their name, their password, where they are signed in, and their crews. */
export function AccountPage() {
    const account = useQuery(accountQuery);
    useTitle(t`Your account`);
    if (!account.data) return <p className="waiting">{t`One moment.`}</p>;
    return (
        <div className="account">
            <header className="head">
                <Link className="brand" to="/" aria-label={t`Fall Bend, all jobs`}>
                    <BrandGlyph /> {t`Fall Bend`}
                </Link>
                <div className="fill" />
                <Link className="beside" to="/">
                    {t`All jobs`}
                </Link>
                <Beside />
            </header>
            <main>
                <h1>{t`Your account`}</h1>
                <div className="account-parts">
                    <YourName account={account.data} />
                    <YourAddress email={account.data.email} />
                    <YourPassword />
                    <YourWords />
                    <SecondFactor isOn={account.data.second_factor} />
                    <Devices />
                    <OnThisDevice />
                    {account.data.crews.map((crew) => (
                        <CrewSection key={crew.id} crew={crew} isChosen={crew.id === account.data.crew} />
                    ))}
                    <StartCrew />
                    <WhatWasDone crew={null} title={t`What was done with your account`} />
                    {roleNow(account.data) === 'owner' && <Installation />}
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
            say(t`Saved.`);
        },
    );
    return (
        <section aria-label={t`Name`}>
            <h2>{t`You`}</h2>
            <form onSubmit={onSubmit}>
                <Field
                    id="account-name"
                    name="name"
                    label={t`Name, as others see it`}
                    start={account.name}
                    maxLength={80}
                    autoComplete="name"
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    {t`Save`}
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
            say(t`Saved. Every other device is signed out.`);
            void client.invalidateQueries({ queryKey: devicesQuery.queryKey });
        },
    );
    return (
        <section aria-label={t`Password`}>
            <h2>{t`Password`}</h2>
            <form onSubmit={onSubmit}>
                <PasswordNow id="account-current" label={t`Your password now`} errors={errors} />
                <Field
                    id="account-password"
                    name="password"
                    type="password"
                    label={t`A new one`}
                    help={t`at least 10 characters; every other device is signed out`}
                    maxLength={72}
                    autoComplete="new-password"
                    errors={errors}
                />
                <Problem text={problem} />
                <button type="submit" className="plain" disabled={busy}>
                    {t`Change the password`}
                </button>
                <Saved text={saved} />
            </form>
        </section>
    );
}

/** The words and spelling of the interface: kept on the device, so that they are there before anybody signs in. */
function YourWords() {
    return (
        <section aria-label={t`Words and spelling`}>
            <h2>{t`Words and spelling`}</h2>
            <p className="cap">
                {t`Of the interface, on this device. What a job says of its parts goes by its rulebook.`}
            </p>
            <Choice
                id="account-words"
                name="words"
                label={t`It speaks`}
                start={currentLocale()}
                options={[
                    ['en-US', t`American: center, color, lavatory`],
                    ['en-GB', t`British: centre, colour, basin`],
                ]}
                onChange={(chosen) => speak(chosen === 'en-GB' ? 'en-GB' : 'en-US')}
            />
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
        say(t`Signed out everywhere else.`);
        await client.invalidateQueries({ queryKey: devicesQuery.queryKey });
    };
    return (
        <section aria-label={t`Devices`}>
            <h2>{t`Where you are signed in`}</h2>
            {devices.isError && <Problem text={devices.error.message} />}
            <ul>
                {(devices.data ?? []).map((device) => (
                    <li key={`${device.device} ${device.last_seen}`}>
                        <Shape kind={device.here ? 'done' : 'open'} size={14} /> {device.device}{' '}
                        <span className="cap">
                            {device.here ? t`this one` : t`last seen ${localClock(device.last_seen)}`}
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
                {t`Sign out everywhere else`}
            </button>
            <Problem text={problem} />
            <Saved text={saved} />
        </section>
    );
}
