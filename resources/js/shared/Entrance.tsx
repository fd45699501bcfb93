import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import { BrandGlyph } from './Brand';
import { useTitle } from './useTitle';
import { versionServed } from './version';

interface Props {
    title: string;
    say: ReactNode;
    children: ReactNode;
}

/** The pages that are open to those who are not signed in: one card with a form. */
export function Entrance({ title, say, children }: Props) {
    useTitle(title);
    return (
        <main className="sign-in">
            <h1>
                <BrandGlyph /> {t`Fall Bend`}
            </h1>
            <p className="say">{say}</p>
            {children}
            <p className="cap">{t`Version ${versionServed()}`}</p>
        </main>
    );
}
