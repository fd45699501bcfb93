import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import { accountQuery } from '../../api/queries';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { loaded } from '../../shared/loaded';

const Who = loaded(() => import('./Who').then((part) => part.Who));

/** Whose board it is, and who is signed in. */
export function BoardHead() {
    const account = useQuery(accountQuery);
    return (
        <header className="head">
            <div className="brand">
                <BrandGlyph /> <span className="wide">{t`Fall Bend`}</span>
            </div>
            <Suspense fallback={null}>{account.data && <Who account={account.data} />}</Suspense>
            <div className="fill" />
            <Beside />
        </header>
    );
}
